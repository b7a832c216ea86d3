<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Making\MakeItem;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Models\Version;
use App\Saving\CarryAlong;
use Illuminate\Support\Facades\DB;

/**
 * The side line on which somebody proposes changes to an item: the one they have, with what came in meanwhile, or a new one. It begins with
 * the newest state, which costs a row.
 */
final readonly class OpenLine
{
    public function __construct(private CarryAlong $carry) {}

    /** @param string|null $saidBy the name that a file gave, when it is tracked changes that this person brings in */
    public function handle(Item $item, User $person, ?string $saidBy = null): Item
    {
        $proposal = DB::transaction(
            fn (): Proposal => Proposal::lineFor($person, $item, $saidBy) ?? $this->begin($item->refresh(), $person, $saidBy),
        );
        $this->carry->handle($proposal);

        return ($proposal->line ?? throw new \LogicException('A proposal that is written has a side line'))->refresh();
    }

    private function begin(Item $item, User $person, ?string $saidBy): Proposal
    {
        $proposal = Proposal::query()->create([
            'item_id' => $item->id,
            'user_id' => $person->id,
            'base' => $item->root,
            'root' => $item->root,
            'state' => ProposalState::Waiting,
            'proposed_at' => now(),
            'line_id' => $this->line($item, $person)->id,
            'said_by' => $saidBy,
            'began' => $item->head,
            'stands' => $item->head,
        ]);
        $proposal->standsAt($item->head, $item->root, $item->root, []);

        return $proposal;
    }

    /** An item beside the item, with a version as it is now. */
    private function line(Item $item, User $person): Item
    {
        $line = Item::query()->create([
            'key' => MakeItem::key(),
            'shelf_id' => $item->shelf_id,
            'line_of' => $item->id,
            'kind' => $item->kind,
            'title' => $item->title,
            'head' => 1,
            'root' => $item->root,
            'formulas' => $item->formulas,
            'pins' => $item->pins,
            'changed_at' => now(),
            'is_read' => true,
        ]);
        Version::query()->create([
            'item_id' => $line->id,
            'number' => 1,
            'root' => $item->root,
            'title' => $item->title,
            'user_id' => $person->id,
            'cause' => Cause::Made,
            'kept' => true,
            'facts' => ['code' => 'nothing', 'values' => [], 'more' => 0],
            'added' => 0,
            'removed' => 0,
            'started_at' => now(),
            'saved_at' => now(),
        ]);

        return $line;
    }
}
