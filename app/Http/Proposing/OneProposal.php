<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Restoring\HowItWillBe;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\Phrases;
use App\View\Proposals\MayAnswer;
use App\View\Proposals\OpenProposals;
use App\View\Proposals\ProposedLine;
use App\View\Proposals\WouldBe;
use Illuminate\Http\Response;

/** What one person proposes, in its place in the item: marked line by line, or as it would be. */
final readonly class OneProposal
{
    public function __construct(private HowItWillBe $page, private WouldBe $would, private Phrases $phrases) {}

    /** @param array<string, mixed> $around */
    public function shown(ProposalsRequest $request, User $person, OpenProposals $open, Proposal $chosen, Version $newest, array $around): Response
    {
        $item = $newest->item;
        if ($chosen->user_id === $person->id && $chosen->decided_at !== null && $chosen->told_at === null) {
            Proposal::query()->whereKey($chosen->id)->update(['told_at' => now()]);
        }
        $look = $request->look();
        $met = [];
        $becomes = function (States $states) use ($chosen, $newest, &$met): Version {
            [$to, $met] = $this->would->becomes($chosen, $newest, $states);

            return $to;
        };
        $request->merge(['from' => $newest->number, 'to' => $newest->number + 1, 'view' => $look === 'would' ? 'was' : 'changed']);
        $asked = ['of' => $chosen->id, 'look' => $look, 'at' => $open->at];
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', $asked);
        $waits = $chosen->state === ProposalState::Waiting && $open->at === null;
        $may = (new MayAnswer($item, $open))->to($chosen);
        $lines = function (Comparison $seen) use ($look, $chosen, &$met): array {
            return $look === 'would'
                ? []
                : ProposedLine::in($seen->kind, $seen->old, $seen->new, $seen->changes, $chosen, $met, $this->phrases);
        };

        return $this->page->drawn($item, $person, $newest, $becomes, $address, 'proposals', fn (Comparison $seen, \Closure $leads): array => [
            ...$around,
            'chosen' => $chosen,
            'newest' => $newest,
            'waits' => $waits,
            'mayDecide' => $waits && $may['decides'],
            'isOwn' => $waits && $may['own'],
            'lines' => $proposed = $lines($seen),
            'leads' => $leads(array_column($proposed, 'line')),
        ]) ?? abort(404);
    }
}
