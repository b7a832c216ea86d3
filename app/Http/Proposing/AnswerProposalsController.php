<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Proposing\DecideEverybodys;
use App\Proposing\DecideProposal;
use Illuminate\Http\RedirectResponse;

/** Answers what is proposed for an item, change by change, or all that several people propose. */
final class AnswerProposalsController extends Controller
{
    public function one(AnswerProposalsRequest $request, Item $item, Proposal $proposal, DecideProposal $decide): RedirectResponse
    {
        $sent = $request->validated();
        $answer = $request->answer() ?? abort(422);
        $word = trim((string) ($sent['word'] ?? ''));
        $answered = $decide->handle(
            $proposal,
            $this->person($request),
            $answer,
            (int) $sent['seen'],
            $sent['state'],
            $request->keys(),
            $word === '' ? null : $word,
        );
        if ($answered === null) {
            return redirect()
                ->route('proposals', [$item, 'of' => $proposal->id])
                ->withErrors([
                    'do' => __($proposal->refresh()->state === ProposalState::Waiting ? 'proposing.moved_on' : 'proposing.too_late'),
                ]);
        }
        $values = ['who' => $proposal->name(), 'number' => (string) $item->refresh()->head];
        if ($request->goesOnAt() !== null) {
            return redirect()
                ->to(route('item', $item).'#part-'.$request->goesOnAt())
                ->with('said', __('proposing.answered.edited', $values));
        }

        $waits = $proposal->refresh()->state === ProposalState::Waiting;

        return redirect()
            ->route('proposals', [
                $item,
                ...($sent['from'] ?? null) !== null ? ['of' => $sent['from']] : ($waits ? ['of' => $proposal->id] : []),
            ])
            ->with('said', __("proposing.answered.{$answer->value}", $values));
    }

    /** All that several people propose, at once. */
    public function all(AnswerEverybodyRequest $request, Item $item, DecideEverybodys $decide): RedirectResponse
    {
        $word = trim((string) $request->validated('word'));
        [$answered, $waits] = $decide->handle(
            $item,
            $this->person($request),
            $request->proposals(),
            $request->answer(),
            $request->states(),
            $word === '' ? null : $word,
        );
        $said = trans_choice("proposing.answered_all.{$request->answer()->value}", $answered)
        .($waits === 0 ? '' : ' '.trans_choice('proposing.answered_all.waits', $waits));

        return redirect()->route('proposals', [$item, ...($waits === 0 ? [] : ['of' => 'everybody'])])->with('said', $said);
    }
}
