<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Models\Cause;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Models\Version;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;
use App\Store\Proposed;
use App\Store\States;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Merge\Parting;

/**
 * Accepts, declines or withdraws what somebody proposes on a side line, all of it or some changes. What is accepted becomes a version by
 * who proposed it; what is not goes from the side line. What was answered stays as a proposal of its own, so that it can be looked at and
 * taken up again.
 */
final readonly class DecideProposal
{
    public function __construct(private Proposed $proposed, private WriteVersion $write, private WorkAhead $ahead) {}

    /**
     * @param  int  $seen  the newest version when it was looked at
     * @param  string  $state  what it was then, a root
     * @param  list<string>|null  $picked  keys of the changes that are answered, from the newest version to what is proposed; null for all
     * @return Proposal|null what was answered; null when something was written or answered in the meantime, or nothing would change
     */
    public function handle(
        Proposal $proposal,
        User $decider,
        ProposalState $answer,
        int $seen,
        string $state,
        ?array $picked = null,
        ?string $word = null,
    ): ?Proposal {
        $item = $proposal->item;
        $work = fn (ChunksAhead $chunks): ?Decided => $this->made($chunks, $proposal, $decider, $answer, $seen, $state, $picked);
        $write = function (Decided $made) use ($proposal, $decider, $answer, $seen, $state, $word): ?Proposal {
            $proposal->refresh();
            // Whoever was quicker answered it, or wrote on.
            if ($proposal->state !== ProposalState::Waiting || $proposal->root !== $state) {
                return null;
            }
            $version
                = $made->compared === null ? null : $this->write->handle($proposal->item, $proposal->user, $made->written, $made->compared);

            return $this->answered($proposal, $decider, $answer, $seen, $made, $version, $word);
        };

        return $this->ahead->handle($item, $work, $write);
    }

    /**
     * What the item becomes, and what of the proposal is left; null when there is nothing to answer.
     *
     * @param  list<string>|null  $picked
     */
    private function made(
        ChunksAhead $chunks,
        Proposal $proposal,
        User $decider,
        ProposalState $answer,
        int $seen,
        string $state,
        ?array $picked,
    ): ?Decided {
        $item = $proposal->refresh()->item->refresh();
        $isAsked = $proposal->state === ProposalState::Waiting && $proposal->root === $state;
        if (! $isAsked || $item->head !== $seen || $item->deleted_at !== null) {
            return null;
        }
        $states = new States($chunks);
        [$whole, $met] = $this->proposed->becomes($states, $proposal, $item->root);
        [$answered, $rest] = $this->parted($states, $item->kind(), $item->root, $whole, $picked);
        if ($answered === $item->root) {
            return null;
        }
        $isAccepted = $answer === ProposalState::Accepted;
        $written = new Written(
            null,
            null,
            $isAccepted ? $answered : $item->root,
            Cause::Wrote,
            kept: true,
            of: $decider->firstName(),
            whose: $proposal->name(),
            agreed: true,
            grows: false,
        );

        return new Decided(
            $chunks,
            $written,
            $isAccepted ? $this->write->ahead($states, $item, $proposal->user, $written) : null,
            $item->root,
            $answered,
            $isAccepted ? $whole : $rest,
            $picked !== null && $rest !== $item->root,
            $met,
        );
    }

    /**
     * @param  list<string>|null  $picked
     * @return array{string, string} the roots of the newest state with what is answered, and with what is not
     */
    private function parted(States $states, Kind $kind, string $now, string $whole, ?array $picked): array
    {
        if ($picked === null) {
            return [$whole, $now];
        }
        [$is, $becomes] = [$states->tree($now), $states->tree($whole)];
        $parting = Parting::of($is, $becomes, $picked);
        $with = Consequences::of($kind, $is, $parting->with, now()->format('Y-m-d'));
        $without = Consequences::of($kind, $becomes, $parting->without, now()->format('Y-m-d'));

        return [$states->keepChanged($now, $is, $with), $states->keepChanged($whole, $becomes, $without)];
    }

    private function answered(
        Proposal $proposal,
        User $decider,
        ProposalState $answer,
        int $seen,
        Decided $made,
        ?Version $version,
        ?string $word,
    ): Proposal {
        $told = [
            'base' => $made->base,
            'root' => $made->answered,
            'state' => $answer,
            'decider_id' => $decider->id,
            'word' => $word,
            'decided_at' => now(),
            'decided' => $version->number ?? $seen,
            'version_id' => $version?->id,
        ];
        if (! $made->isPart) {
            $proposal->standsAt($seen, $made->base, $made->answered, $made->met);
            $proposal->update($told);

            return $proposal;
        }
        $part = $this->part($proposal, $made, $seen, $told);
        $line = $proposal->loadMissing('line')->line?->refresh();
        if ($line !== null && $line->root !== $made->rest) {
            $this->write->handle(
                $line,
                $answer === ProposalState::Accepted ? $proposal->user : $decider,
                new Written(null, null, $made->rest, Cause::Wrote, grows: false),
            );
        }
        $proposal
            ->refresh()
            ->standsAt(
                $version->number ?? $seen,
                $version->root ?? $made->base,
                $made->rest,
                $proposal->met === [] ? $made->met : $proposal->met,
            );

        return $part;
    }

    /**
     * What of a proposal is answered by itself: it stood in the whole of it until now.
     *
     * @param  array<string, mixed>  $told
     */
    private function part(Proposal $proposal, Decided $made, int $seen, array $told): Proposal
    {
        $part = Proposal::query()->create([
            ...$proposal->only('item_id', 'user_id', 'line_id', 'said_by', 'proposed_at'),
            'began' => $told['decided'],
            'stands' => $seen,
            'met' => [],
            ...$told,
        ]);
        $part->standsAt($seen, $made->base, $made->answered, []);

        return $part;
    }
}
