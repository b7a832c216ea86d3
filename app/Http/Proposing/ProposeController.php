<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Proposing\OpenLine;
use App\Proposing\ProposeFromCopy;
use App\Proposing\TakeUpAgain;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Begins to propose changes to an item: from its newest state, from what was answered, or from a copy. */
final class ProposeController extends Controller
{
    public function begin(Request $request, Item $item, OpenLine $open): RedirectResponse
    {
        Gate::authorize('propose', $item);

        return redirect()->route('item', $open->handle($item, $this->person($request)));
    }

    /** Proposes once more what was answered. */
    public function again(Request $request, Item $item, Proposal $proposal, TakeUpAgain $again): RedirectResponse
    {
        Gate::authorize('seeProposal', [$item, $proposal]);
        Gate::authorize('propose', $item);
        abort_unless($proposal->line_id !== null && $proposal->state !== ProposalState::Waiting, 404);
        abort_unless($proposal->user_id === $this->person($request)->id, 403, __('proposing.not_yours'));
        $line = $again->handle($proposal->setRelation('item', $item), $this->person($request));

        return $line === null
            ? redirect()->route('proposals', [$item, 'of' => $proposal->id])->withErrors(['do' => __('proposing.same')])
            : redirect()->route('item', $line)->with('said', __('proposing.taken_up'));
    }

    /** What was written in a copy, for what it was copied out from. */
    public function fromCopy(Request $request, Item $item, ProposeFromCopy $propose): RedirectResponse
    {
        Gate::authorize('draft', $item);
        $original = $item->origin?->item;
        abort_if($original === null, 404);
        Gate::authorize('propose', $original);
        $line = $propose->handle($item, $original, $this->person($request));

        return $line === null
            ? redirect()->route('proposals', $item)->withErrors(['do' => __('copies.same', ['title' => $original->title])])
            : redirect()->route('item', $line)->with('said', __('copies.taken_in', ['title' => $item->title]));
    }
}
