<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\Invitation;
use App\Models\Shelf;
use App\Sharing\TakeUpInvitation;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The signed link by which somebody who was invited comes on the shelf. It works once, and owners can take it back. */
final class InvitationController extends Controller
{
    public function show(Request $request, int $invitation): View
    {
        $found = Invitation::standing($invitation) ?? abort(410, __('sign-in.used'));

        return view('invitation', [
            'invitation' => $found,
            'account' => $found->account(),
            'begins' => $found->begins($request->user(), $request->boolean('mailed')),
            'me' => $request->user(),
        ]);
    }

    public function store(TakeUpInvitationRequest $request, int $invitation, TakeUpInvitation $takeUp): RedirectResponse
    {
        $found = $request->invitation();
        $mailed = $request->boolean('mailed');
        if ($found->begins($request->user(), $mailed)) {
            $sent = $request->validated();
            $this->letIn(
                $request,
                $takeUp->begin($found, trim((string) ($sent['name'] ?? '')) ?: $found->name, $sent['password'], $mailed),
            );
        } else {
            $person = $this->person($request);
            abort_unless(
                mb_strtolower($person->email) === mb_strtolower($found->email),
                403,
                __('sign-in.not_yours', ['email' => $found->email]),
            );
            $takeUp->join($found, $person, $mailed);
        }

        return redirect()->route('shelf', $found->shelf);
    }

    public function destroy(Shelf $shelf, Invitation $invitation): RedirectResponse
    {
        Gate::authorize('manage', $shelf);
        $invitation->delete();

        return redirect()->route('people', $shelf)->with('said', __('people.taken_back', ['name' => $invitation->name]));
    }
}
