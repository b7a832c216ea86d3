<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Version;
use App\Store\Proposed;
use App\Store\States;

/** An item as it would be with what somebody proposes, and what that is held against. */
final readonly class WouldBe
{
    public function __construct(public Proposed $proposed) {}

    /** What stood when it was answered, which it is held against from then on; null while it waits. */
    public function stood(Item $item, Proposal $proposal): ?Version
    {
        return $proposal->state === ProposalState::Waiting
            ? null
            : Version::toCome($item, $proposal->base, $item->title, $proposal->user)->forceFill(['number' => (int) $proposal->stands]);
    }

    /** @return array{Version, list<string>} what the item would be, which is not there, and what of it others wrote in since */
    public function becomes(Proposal $proposal, Version $newest, States $states): array
    {
        [$root, $met] = $proposal->state === ProposalState::Waiting
            ? $this->proposed->becomes($states, $proposal, $newest->root)
            : [$proposal->root, []];
        $to = Version::toCome($newest->item, $root, $newest->title, $proposal->user);

        return [
            $to->forceFill([
                'saved_at' => $proposal->decided_at ?? ($proposal->loadMissing('line')->line->changed_at ?? $proposal->proposed_at),
            ]),
            $met,
        ];
    }
}
