<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\RenameItem;
use Illuminate\Support\Facades\DB;

/**
 * Puts an item on another shelf, with its history and all that belongs to it; the people and the rules are those of that shelf from then
 * on.
 */
final readonly class MoveItem
{
    public function __construct(private RenameItem $rename, private TellApart $names) {}

    public function handle(Item $item, User $person, Shelf $to): void
    {
        DB::transaction(function () use ($item, $person, $to): void {
            $from = $item->refresh()->shelf;
            if ($from->id === $to->id) {
                return;
            }
            LogLine::ofItem('moved_to', $person, $item, ['shelf' => $to->name]);
            self::place($item, $to);
            $this->rename->handle($item, $person, $this->names->on($to, $item));
            LogLine::ofItem('moved_from', $person, $item, ['shelf' => $from->name]);
        });
    }

    /** Entries are where their form does, and what is proposed where the item does. */
    public static function place(Item $item, Shelf $to): void
    {
        $item->update(['shelf_id' => $to->id]);
        $item->entries()->update(['shelf_id' => $to->id]);
        $item->lines()->update(['shelf_id' => $to->id]);
        $item->setRelation('shelf', $to);
    }
}
