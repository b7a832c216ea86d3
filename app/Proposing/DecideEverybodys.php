<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Store\Chunks\ChunksAhead;
use App\Store\Proposed;
use App\Store\States;

/**
 * Answers what several people propose, one after the other: a version for each. What meets what others wrote, or what was just accepted,
 * waits for somebody to look at it.
 */
final readonly class DecideEverybodys
{
    public function __construct(private DecideProposal $decide, private Proposed $proposed) {}

    /**
     * @param  list<Proposal>  $proposals  in the order in which they are answered
     * @param  array<int, string>  $seen  what each was when it was looked at, a root
     * @return array{int, int} how many were answered, and how many wait
     */
    public function handle(Item $item, User $decider, array $proposals, ProposalState $answer, array $seen, ?string $word): array
    {
        $answered = 0;
        foreach ($proposals as $proposal) {
            $item->refresh();
            $proposal->setRelation('item', $item);
            $meets = $answer === ProposalState::Accepted
            && $this->proposed->becomes(new States(app(ChunksAhead::class)), $proposal, $item->root)[1] !== [];
            $isDone = ! $meets
            && $this->decide->handle($proposal, $decider, $answer, $item->head, $seen[$proposal->id] ?? '', null, $word) !== null;
            $answered += $isDone ? 1 : 0;
        }

        return [$answered, count($proposals) - $answered];
    }
}
