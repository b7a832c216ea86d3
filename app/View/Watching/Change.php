<?php

declare(strict_types=1);

namespace App\View\Watching;

use App\Models\Item;
use App\Models\Version;

/** A version in one sentence, for somebody who follows it from elsewhere. */
final readonly class Change
{
    public Item $item;

    public function __construct(public Version $version, public string $said)
    {
        $this->item = $version->item;
    }

    public function address(): string
    {
        return route('history', [
            'item' => $this->item->key,
            'from' => $this->item->lookFrom($this->version->number),
            'to' => $this->version->number,
        ]);
    }
}
