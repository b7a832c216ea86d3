<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\Shelf;
use Illuminate\Support\Facades\DB;

/** Lets a shelf want a yes to changes of entries, or want none any more. */
final readonly class AskAboutEntries
{
    /** @return int how many changes wait for an answer first; 0 when it was done */
    public function handle(Shelf $shelf, bool $asks): int
    {
        return DB::transaction(function () use ($shelf, $asks): int {
            $waiting = ! $shelf->asks_entries || $asks
                ? 0
                : Proposal::query()
                    ->waiting()
                    ->whereIn(
                        'item_id',
                        Item::query()->where('shelf_id', $shelf->id)->whereNotNull('form_id')->whereNull('deleted_at')->select('id'),
                    )
                    ->count();
            if ($waiting > 0) {
                return $waiting;
            }
            $shelf->update(['asks_entries' => $asks]);

            return 0;
        });
    }
}
