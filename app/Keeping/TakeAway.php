<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\RenameItem;
use App\Saving\Rules;
use Illuminate\Support\Facades\DB;

/**
 * Puts an item into Lost & found, or brings it back with all that it had: its history, address, milestones and entries stay as they are
 * all the time. Who did so when, and each time, is kept.
 */
final readonly class TakeAway
{
    public function __construct(private RenameItem $rename, private TellApart $names) {}

    public function handle(Item $item, User $person): void
    {
        $this->do($item, $person, false);
    }

    /** @param Shelf|null $to another shelf than the one that it stood on */
    public function back(Item $item, User $person, ?Shelf $to = null): void
    {
        $this->do($item, $person, true, $to);
    }

    private function do(Item $item, User $person, bool $back, ?Shelf $to = null): void
    {
        DB::transaction(function () use ($item, $person, $back, $to): void {
            if (($item->refresh()->deleted_at === null) === $back) {
                return;
            }
            if ($to !== null && $to->id !== $item->shelf_id) {
                $from = $item->shelf->name;
                LogLine::ofItem('moved_to', $person, $item, ['shelf' => $to->name]);
                MoveItem::place($item, $to);
                LogLine::ofItem('moved_from', $person, $item, ['shelf' => $from]);
            }
            $item->update(['deleted_at' => $back ? null : now(), 'deleted_by' => $back ? null : $person->id]);
            $item->removals()->create(['user_id' => $person->id, 'back' => $back, 'at' => now()]);
            $item->room(Rules::class)->removed($item, $person, $back);
            if ($back && $item->form_id === null) {
                $this->rename->handle($item, $person, $this->names->on($item->shelf, $item));
            }
            LogLine::ofItem($back ? 'found' : 'deleted', $person, $item);
        });
    }
}
