<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Version;

/**
 * What was proposed when a version was the newest goes along with a copy of it, as it stood then, under the names of who proposed it. To be
 * called inside the transaction of the action that copies.
 */
final class ProposalsAlong
{
    public function handle(Version $version, Item $copy): void
    {
        $copy->refresh();
        foreach (Proposal::stood($version->item, $version->number) as $proposal) {
            $line = Item::query()->create([
                ...$copy->only('shelf_id', 'kind', 'title', 'formulas', 'pins'),
                'key' => MakeItem::key(),
                'line_of' => $copy->id,
                'head' => 2,
                'root' => $proposal->root,
                'changed_at' => now(),
                'is_read' => true,
            ]);
            foreach ([1 => [$proposal->base, Cause::Made], 2 => [$proposal->root, Cause::Wrote]] as $number => [$root, $cause]) {
                Version::query()->create([
                    'item_id' => $line->id,
                    'number' => $number,
                    'root' => $root,
                    'title' => $copy->title,
                    'user_id' => $proposal->user_id,
                    'cause' => $cause,
                    'kept' => true,
                    'facts' => ['code' => 'nothing', 'values' => [], 'more' => 0],
                    'added' => 0,
                    'removed' => 0,
                    'started_at' => $proposal->proposed_at,
                    'saved_at' => $proposal->proposed_at,
                ]);
            }
            $own = Proposal::query()->create([
                ...$proposal->only('user_id', 'said_by', 'base', 'root', 'proposed_at', 'met'),
                'item_id' => $copy->id,
                'line_id' => $line->id,
                'state' => ProposalState::Waiting,
                'began' => $copy->head,
                'stands' => $copy->head,
            ]);
            $own->standsAt($copy->head, $proposal->base, $proposal->root, $proposal->met);
        }
    }
}
