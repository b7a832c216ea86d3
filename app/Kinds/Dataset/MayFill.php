<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Gate;

/** Whether somebody may fill a dataset from an item: of a form, its entries are what comes. */
final class MayFill
{
    public static function reads(User $user, Item $item): bool
    {
        return Gate::forUser($user)->allows($item->isAnswered() ? 'entries' : 'view', $item);
    }

    /** @return Collection<int, Item> whatever somebody could fill one from, by name */
    public static function from(User $user): Collection
    {
        return Item::query()
            ->with('shelf.memberships', 'versions.milestone')
            ->standing()
            ->whereIn('kind', ['spreadsheet', 'form'])
            ->whereNull('form_id')
            ->whereIn('shelf_id', $user->shelves()->pluck('shelves.id'))
            ->orderBy('title')
            ->get()
            ->filter(fn (Item $item) => self::reads($user, $item));
    }
}
