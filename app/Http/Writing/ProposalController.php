<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Saving\AnswerProposal;
use App\Store\Proposed;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\ProposalView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** One change that waits for a yes, or was answered. */
final class ProposalController extends Controller
{
    public function show(
        Request $request,
        Item $item,
        Proposal $proposal,
        States $states,
        Proposed $proposed,
        Phrases $phrases,
    ): View|RedirectResponse {
        Gate::authorize('seeProposal', [$item, $proposal]);
        if ($proposal->line_id !== null) {
            return redirect()->route('proposals', [$item, 'of' => $proposal->id]);
        }
        $proposal->setRelation('item', $item);
        if ($proposal->user_id === $this->person($request)->id && $proposal->decided_at !== null && $proposal->told_at === null) {
            $proposal->update(['told_at' => now()]);
        }

        return view('proposal', [
            'item' => $item,
            'proposal' => $proposal,
            'waits' => $proposal->state === ProposalState::Waiting,
            'view' => new ProposalView($proposal->load('user', 'decider'), $states, $proposed, $phrases),
            'isOwn' => $proposal->user_id === $this->person($request)->id,
        ]);
    }

    public function answer(AnswerProposalRequest $request, Item $item, Proposal $proposal, AnswerProposal $answer): RedirectResponse
    {
        $sent = $request->validated();
        $state = ProposalState::from($sent['answer']);
        $word = trim((string) ($sent['word'] ?? ''));
        if ($state === ProposalState::Declined && $word === '') {
            return redirect()
                ->route('proposal', [$item, $proposal])
                ->withErrors(['word' => __('publishing.refuse_needs_note', ['asker' => $proposal->user->firstName()])]);
        }
        if (! $answer->handle($proposal, $this->person($request), $state, $word === '' ? null : $word, (int) $sent['seen'])) {
            return redirect()
                ->route('proposal', [$item, $proposal])
                ->withErrors(['answer' => __($proposal->state === ProposalState::Waiting ? 'agreeing.moved_on' : 'agreeing.too_late')]);
        }

        return redirect()
            ->route('item', $item)
            ->with(
                'said',
                __("agreeing.answered.{$state->value}", [
                    'number' => (string) $item->refresh()->head,
                    'asker' => $proposal->user->firstName(),
                ]),
            );
    }
}
