<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\Shelf;

/** A name for an item that comes to a shelf where another one of its kind may be called the same by now. */
final class TellApart
{
    public function on(Shelf $shelf, Item $item): string
    {
        $taken = fn (string $title): bool => $shelf
            ->items()
            ->whereKeyNot($item->id)
            ->where('kind', $item->kind)
            ->whereRaw('title = ? COLLATE NOCASE', [$title])
            ->exists();
        $title = $item->title;
        for ($count = 2; $taken($title); $count++) {
            $title = mb_substr($item->title, 0, (int) config('attic.title') - strlen(" ({$count})"))." ({$count})";
        }

        return $title;
    }
}
