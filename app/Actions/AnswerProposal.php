<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Store\Proposed;
use App\Store\States;
use Illuminate\Support\Facades\DB;

/** Says yes or no to a proposed change, or takes it back. With a yes it becomes a version of who proposed it. */
final readonly class AnswerProposal
{
    public function __construct(private States $states, private Proposed $proposed, private WriteVersion $write) {}

    /**
     * @param  int|null  $seen  the newest version when it was looked at; without it, what meets something newer is left to be looked at
     * @return bool false when it was answered in the meantime, or is something else than what was looked at
     */
    public function handle(Proposal $proposal, User $decider, ProposalState $answer, ?string $word = null, ?int $seen = null): bool
    {
        return DB::transaction(function () use ($proposal, $decider, $answer, $word, $seen): bool {
            if ($proposal->refresh()->state !== ProposalState::Waiting) {
                return false;
            }
            $version = null;
            if ($answer === ProposalState::Accepted) {
                $item = $proposal->item->refresh();
                $now = $this->states->tree($item->root);
                $merged = $this->proposed->onto($proposal, $now);
                if ($item->deleted_at !== null || ($seen === null ? $merged->conflicts !== [] : $seen !== $item->head)) {
                    return false;
                }
                $root = $this->states->keepChanged($item->root, $now, $merged->tree);
                $version = $root === $item->root ? null : $this->write->handle($item, $proposal->user, new Written($now, $merged->tree, $root, Cause::Wrote, kept: true, agreed: true));
            }
            $proposal->update(['state' => $answer, 'decider_id' => $decider->id, 'word' => $word, 'decided_at' => now(), 'version_id' => $version?->id]);

            return true;
        });
    }
}
