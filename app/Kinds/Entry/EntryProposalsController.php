<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\Controller;
use App\Models\Item;
use App\Models\ProposalState;
use App\Saving\AnswerProposal;
use App\Store\Proposed;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\EntryProposals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** The changes to entries that wait for a yes, to be looked through and answered together. */
final class EntryProposalsController extends Controller
{
    public function show(Request $request, Item $item, States $states, Proposed $proposed, Phrases $phrases): View
    {
        Gate::authorize('entries', $item);

        return view('kinds.entry.waiting', [
            'item' => $item,
            'waiting' => new EntryProposals($item, $this->person($request), $states, $proposed, $phrases),
        ]);
    }

    /** Says yes to those that are ticked. No is said to one at a time, with a word why. */
    public function store(AgreeTogetherRequest $request, Item $item, AnswerProposal $answer): RedirectResponse
    {
        $ticked = $request->validated('proposals');
        $proposals = EntryProposals::waiting($item, $this->person($request))
            ->with('user', 'item.shelf.memberships')
            ->whereKey($ticked)
            ->orderBy('id')
            ->get();
        foreach ($proposals as $proposal) {
            Gate::authorize('decide', [$proposal->item, $proposal]);
        }
        $done = DB::transaction(
            fn (): int => $proposals
                ->filter(fn ($proposal) => $answer->handle($proposal, $this->person($request), ProposalState::Accepted))
                ->count(),
        );
        $left = EntryProposals::waiting($item, $this->person($request))->whereKey($ticked)->count();

        return redirect()
            ->route('entries.waiting', $item)
            ->with(
                'said',
                trans_choice('agreeing.done', $done, ['count' => (string) $done])
                    .($left === 0 ? '' : ' '.trans_choice('agreeing.left', $left, ['count' => (string) $left])),
            );
    }
}
