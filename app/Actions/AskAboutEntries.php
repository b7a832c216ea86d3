<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\Shelf;
use App\Store\States;
use Illuminate\Support\Facades\DB;

/** Lets a shelf want a yes to changes of entries, or want none any more. */
final readonly class AskAboutEntries
{
    public function __construct(private States $states, private IndexAnswers $index) {}

    /** @return int how many changes wait for an answer first; 0 when it was done */
    public function handle(Shelf $shelf, bool $asks): int
    {
        return DB::transaction(function () use ($shelf, $asks): int {
            $entries = Item::query()->where('shelf_id', $shelf->id)->whereNotNull('form_id');
            if ($shelf->asks_entries && ! $asks) {
                $waiting = Publishing::query()->waiting()->whereIn('item_id', (clone $entries)->select('id'))->count();
                if ($waiting > 0) {
                    return $waiting;
                }
                // From now on everybody sees each as it was written last.
                foreach ((clone $entries)->whereNotNull('live_id')->cursor() as $entry) {
                    Publishing::query()->whereKey($entry->live_id)->update(['ended_at' => now()]);
                    $entry->update(['live_id' => null]);
                    $this->index->handle($entry, $this->states->tree($entry->root));
                }
            }
            $shelf->update(['asks_entries' => $asks]);

            return 0;
        });
    }
}
