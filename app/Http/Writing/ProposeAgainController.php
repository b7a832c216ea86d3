<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Saving\Propose;
use App\Store\Proposed;
use App\Store\States;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** Proposes once more what was declined or taken back. */
final class ProposeAgainController extends Controller
{
    public function __invoke(
        Request $request,
        Item $item,
        Proposal $proposal,
        Proposed $proposed,
        States $states,
        Propose $propose,
    ): RedirectResponse {
        Gate::authorize('seeProposal', [$item, $proposal]);
        Gate::authorize('write', $item);
        abort_unless(
            $proposal->user_id === $this->person($request)->id
                && in_array($proposal->state, [ProposalState::Declined, ProposalState::Withdrawn], true)
                && $item->shelf->wantsYesOf($this->person($request), $item),
            403,
        );
        $again = DB::transaction(function () use ($item, $proposal, $proposed, $states, $propose): ?Proposal {
            $now = $states->tree($item->refresh()->root);
            $root = $states->keepChanged($item->root, $now, $proposed->onto($proposal, $now)->tree);

            return $root === $item->root ? null : $propose->handle($item, $proposal->user, $root);
        });

        return $again === null
            ? redirect()->route('proposal', [$item, $proposal])->withErrors(['answer' => __('agreeing.same')])
            : redirect()->route('proposal', [$item, $again])->with('said', __('agreeing.saved'));
    }
}
