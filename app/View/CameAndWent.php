<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Store\Lives\Life;
use App\Store\Lives\Lives;
use App\View\Finding\Ends;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;

/**
 * What was written after one version and was gone again by another, so that neither of the two shows it: parts that are in neither, by the
 * last that was in them.
 */
final readonly class CameAndWent
{
    /** Lives that are looked at, the last first. */
    private const MOST = 1_000;

    public const LISTED = 30;

    private const LETTERS = 120;

    /** @var list<array{part: string, text: string, from: int, gone: int, by: User|null, out: User|null}> in the order in which they went */
    public array $parts;

    public function __construct(Item $item, Comparison $comparison)
    {
        $last = [];
        if ($item->sight === null && $item->is_read && ! $comparison->isExcerpt) {
            [$from, $to] = [$comparison->from->number, $comparison->to->number];
            foreach ((new Lives)->cameAndWent($item, $from, $to, self::MOST) as $life) {
                if (! $comparison->old->has($life->part) && ! $comparison->new->has($life->part)) {
                    $last[$life->part] ??= $life;
                }
            }
        }
        $lives = array_reverse(array_values($last));
        $ends = $lives === [] ? null : new Ends(new Collection([$item]), $lives);
        $this->parts = array_map(
            fn (Life $life): array => [
                'part' => $life->part,
                'text' => Str::limit($life->read(), self::LETTERS, '…', preserveWords: true),
                'from' => $life->from,
                'gone' => (int) $life->gone,
                'by' => $ends?->who($life, $life->from),
                'out' => $ends?->who($life, $life->gone),
            ],
            $lives,
        );
    }
}
