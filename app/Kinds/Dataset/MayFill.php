<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Item;
use App\Models\User;
use Illuminate\Support\Facades\Gate;

/** Whether somebody may fill a dataset from an item: of a form, its entries are what comes. */
final class MayFill
{
    public static function reads(User $user, Item $item): bool
    {
        return Gate::forUser($user)->allows($item->isAnswered() ? 'entries' : 'view', $item);
    }
}
