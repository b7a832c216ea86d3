<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\LogLine;
use App\Models\PlaceLine;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\Rules;
use Illuminate\Support\Facades\DB;

/** Puts a shelf into Lost & found with all that is on it, or brings it back. What was deleted from it before stays deleted. */
final class DeleteShelf
{
    public function handle(Shelf $shelf, User $person, bool $back): void
    {
        DB::transaction(function () use ($shelf, $person, $back): void {
            if (($shelf->refresh()->deleted_at === null) === $back) {
                return;
            }
            $shelf->update(['deleted_at' => $back ? null : now(), 'deleted_by' => $back ? null : $person->id]);
            foreach ($back ? $shelf->items()->cursor() : [] as $item) {
                $item->room(Rules::class)->removed($item, $person, true);
            }
            LogLine::ofShelf($back ? 'shelf_back' : 'shelf_deleted', $person, $shelf);
            PlaceLine::note($person, $back ? 'shelf_back' : 'shelf_deleted', $shelf->name);
        });
    }
}
