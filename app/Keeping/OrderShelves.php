<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Moves a shelf up or down in somebody's own list. */
final class OrderShelves
{
    public function handle(User $person, Shelf $shelf, bool $up): void
    {
        DB::transaction(function () use ($person, $shelf, $up): void {
            $ids = $person->shelves()->pluck('shelves.id')->all();
            $at = (int) array_search($shelf->id, $ids, true);
            $to = $up ? max(0, $at - 1) : min(count($ids) - 1, $at + 1);
            [$ids[$at], $ids[$to]] = [$ids[$to], $ids[$at]];
            foreach ($ids as $place => $id) {
                $person->shelves()->updateExistingPivot($id, ['place' => $place]);
            }
        });
    }
}
