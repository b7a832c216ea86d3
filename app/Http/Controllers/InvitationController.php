<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeUpInvitation;
use App\Models\Invitation;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The signed link by which somebody who was invited comes on the shelf. It works once. */
final class InvitationController extends Controller
{
    public function show(Request $request, int $invitation): View
    {
        $found = $this->found($invitation);

        return view('invitation', ['invitation' => $found, 'account' => $this->account($found), 'begins' => $this->begins($request, $found), 'me' => $request->user()]);
    }

    public function store(Request $request, int $invitation, TakeUpInvitation $takeUp): RedirectResponse
    {
        $found = $this->found($invitation);
        $mailed = $request->boolean('mailed');
        if ($this->begins($request, $found)) {
            $sent = $request->validate(['name' => ['nullable', 'string', 'max:80'], 'password' => ['required', 'string', 'min:10', 'max:200', 'confirmed']]);
            $this->letIn($request, $takeUp->begin($found, trim((string) ($sent['name'] ?? '')) ?: $found->name, $sent['password'], $mailed));
        } else {
            $person = $this->person($request);
            abort_unless(mb_strtolower($person->email) === mb_strtolower($found->email), 403, __('sign-in.not_yours', ['email' => $found->email]));
            $takeUp->join($found, $person, $mailed);
        }

        return redirect()->route('shelf', $found->shelf);
    }

    private function found(int $invitation): Invitation
    {
        $found = Invitation::query()->with('shelf.memberships', 'user')->find($invitation) ?? abort(410, __('sign-in.used'));
        // Who may not invite any more has not invited.
        abort_unless($found->shelf->roleOf($found->user) === Role::Owner, 410, __('sign-in.used'));

        return $found;
    }

    private function account(Invitation $invitation): ?User
    {
        return User::query()->where('email', $invitation->email)->first();
    }

    /** Whether a password is chosen: where there is no account yet, or none whose address is known to be its owner's. */
    private function begins(Request $request, Invitation $invitation): bool
    {
        $account = $this->account($invitation);

        return $account === null || ($request->boolean('mailed') && ! $account->proved && $request->user()?->getAuthIdentifier() !== $account->id);
    }
}
