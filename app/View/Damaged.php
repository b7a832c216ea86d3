<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use Throwable;

/** What is said where a state can not be read back: which versions are damaged, and which around them are whole. */
final class Damaged
{
    /** Versions that are looked at, the newest first. */
    private const MOST = 30;

    /** @var list<int> */
    public array $damaged = [];

    /** @var list<int> */
    public array $whole = [];

    public function __construct(public readonly Item $item, States $states, int $around)
    {
        foreach (
            Version::query()
                ->where('item_id', $item->id)
                ->where('number', '<=', $around + intdiv(self::MOST, 3))
                ->orderByDesc('number')
                ->limit(self::MOST)
                ->pluck('root', 'number') as $number => $root
        ) {
            try {
                $states->tree((string) $root);
                $this->whole[] = (int) $number;
            } catch (Throwable) {
                $this->damaged[] = (int) $number;
            }
        }
    }
}
