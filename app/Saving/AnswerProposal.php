<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Models\Version;
use App\Store\Chunks\ChunksAhead;
use App\Store\Proposed;
use App\Store\States;
use Illuminate\Support\Facades\DB;

/** Says yes or no to a proposed change, or takes it back. With a yes it becomes a version of who proposed it. */
final readonly class AnswerProposal
{
    public function __construct(
        private States $states,
        private Proposed $proposed,
        private WriteVersion $write,
        private WorkAhead $ahead,
    ) {}

    /**
     * @param  int|null  $seen  the newest version when it was looked at; without it, what meets something newer is left to be looked at
     * @return bool false when it was answered in the meantime, or is something else than what was looked at
     */
    public function handle(Proposal $proposal, User $decider, ProposalState $answer, ?string $word = null, ?int $seen = null): bool
    {
        $answered = fn (?Version $version): bool => $this->answered($proposal, $decider, $answer, $word, $version);
        if ($answer !== ProposalState::Accepted) {
            return DB::transaction(fn (): bool => $answered(null));
        }
        $item = $proposal->item;
        $work = fn (ChunksAhead $chunks): ?Made => $this->made($chunks, $proposal, $decider, $seen);
        $write = function (Made $made) use ($proposal, $item, $answered): bool {
            // Whoever was quicker took the item away, or answered.
            if ($item->deleted_at !== null || $proposal->refresh()->state !== ProposalState::Waiting) {
                return false;
            }

            return $answered(
                $made->compared === null ? null : $this->write->handle($item, $proposal->user, $made->written, $made->compared),
            );
        };

        return $this->ahead->handle($item, $work, $write) ?? false;
    }

    private function answered(Proposal $proposal, User $decider, ProposalState $answer, ?string $word, ?Version $version): bool
    {
        return $proposal->refresh()->state === ProposalState::Waiting && $proposal->update([
            'state' => $answer,
            'decider_id' => $decider->id,
            'word' => $word,
            'decided_at' => now(),
            'version_id' => $version?->id,
        ]);
    }

    /** What the item becomes by it; null when it is to be looked at again. */
    private function made(ChunksAhead $chunks, Proposal $proposal, User $decider, ?int $seen): ?Made
    {
        $item = $proposal->item;
        $now = $this->states->tree($item->root);
        $merged = $this->proposed->onto($proposal, $now);
        if (
            $proposal->refresh()->state !== ProposalState::Waiting
            || $item->deleted_at !== null
            || ($seen === null ? $merged->conflicts !== [] : $seen !== $item->head)
        ) {
            return null;
        }
        $states = new States($chunks);
        $root = $states->keepChanged($item->root, $now, $merged->tree);
        $written = new Written(
            $now,
            $merged->tree,
            $root,
            Cause::Wrote,
            kept: true,
            of: $decider->firstName(),
            whose: $proposal->name(),
            agreed: true,
        );

        return new Made($chunks, $written, $root === $item->root ? null : $this->write->ahead($states, $item, $proposal->user, $written));
    }
}
