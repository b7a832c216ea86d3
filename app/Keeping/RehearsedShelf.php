<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\Shelf;
use App\Store\Space;
use App\Store\WhatIsKept;

/** What the rules would let go of each item on a shelf, and what each takes. */
final readonly class RehearsedShelf
{
    /**
     * @var list<array{item: Item, go: int, stay: int, freed: int, takes: array{newest: int, history: int, files: int}}> the largest first;
     *     bytes
     */
    public array $items;

    public function __construct(Shelf $shelf, FreedBytes $freed, Space $space)
    {
        $rehearsed = [];
        foreach ($shelf->items()->orderBy('title')->get() as $item) {
            $rehearsed[] = new Rehearsed($item->setRelation('shelf', $shelf), WhatIsKept::item($item));
        }
        $rows = array_map(
            fn (Rehearsed $each, int $bytes): array => [
                'item' => $each->item,
                'go' => count($each->go),
                'stay' => $each->item->kept() - count($each->go),
                'freed' => $bytes,
                'takes' => $space->of($each->item),
            ],
            $rehearsed,
            $freed->each(array_map(fn (Rehearsed $each): array => $each->ids(), $rehearsed)),
        );
        usort(
            $rows,
            fn (array $one, array $two): int => [$two['freed'], array_sum($two['takes'])] <=> [$one['freed'], array_sum($one['takes'])],
        );
        $this->items = $rows;
    }

    /** @return int versions */
    public function goes(): int
    {
        return array_sum(array_column($this->items, 'go'));
    }

    /** @return int bytes */
    public function freed(): int
    {
        return array_sum(array_column($this->items, 'freed'));
    }

    /** @return int bytes */
    public function takes(): int
    {
        return array_sum(array_map(array_sum(...), array_column($this->items, 'takes')));
    }
}
