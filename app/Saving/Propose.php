<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Item;
use App\Models\Picture;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Store\States;
use MistyAttic\Core\Kinds\Kinds;

/** Lays a change beside an item, where it waits for a yes. To be called inside the transaction of the action that wants it. */
final readonly class Propose
{
    public function __construct(private States $states) {}

    /** @param string $root what the newest state was to become */
    public function handle(Item $item, User $person, string $root): Proposal
    {
        Picture::used($item, Kinds::chunks($item->kind(), $this->states->tree($root)));

        return Proposal::query()->create([
            'item_id' => $item->id,
            'user_id' => $person->id,
            'base' => $item->root,
            'root' => $root,
            'state' => ProposalState::Waiting,
            'proposed_at' => now(),
        ]);
    }
}
