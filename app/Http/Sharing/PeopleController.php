<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use App\Models\LogLine;
use App\Models\Membership;
use App\Models\Role;
use App\Models\Shelf;
use App\Sharing\ChangeMembership;
use App\Sharing\Invite;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Who comes to a shelf, and what they may do there. */
final class PeopleController extends Controller
{
    public function index(Shelf $shelf): View
    {
        Gate::authorize('view', $shelf);

        return view('people', [
            'shelf' => $shelf, 'memberships' => $shelf->memberships()->with('user')->orderBy('id')->get(),
            'invitations' => $shelf->invitations()->with('user')->orderBy('id')->get(),
        ]);
    }

    /** Puts somebody on the shelf, or invites them; the link is shown only where it opens nothing that is somebody else's. */
    public function store(InviteRequest $request, Shelf $shelf, Invite $invite): RedirectResponse
    {
        $sent = $request->validated();
        $isNew = $invite->isNew($sent['email']);
        $name = $request->known() ?? trim((string) $sent['name']);
        $invitation = $invite->handle($shelf, $this->person($request), $sent['email'], $name, Role::from($sent['role']));
        $back = redirect()
            ->route('people', $shelf)
            ->with('said', __($invitation === null ? 'people.added' : 'people.invited', ['name' => $name]));

        return $invitation === null
            ? $back
            : $back->with($isNew ? ['invitation' => Invite::link($invitation, false)] : ['mailed' => $sent['email']]);
    }

    public function update(MembershipRequest $request, Shelf $shelf, Membership $membership, ChangeMembership $change): RedirectResponse
    {
        $sent = $request->validated();
        $name = $membership->user->firstName();
        if (isset($sent['publishes'])) {
            $membership->update(['publishes' => $request->boolean('publishes')]);
            LogLine::ofShelf(
                $membership->publishes ? 'may_publish' : 'may_not_publish',
                $this->person($request),
                $shelf,
                $membership->user->name,
            );
        }
        $role = isset($sent['role']) ? Role::from($sent['role']) : null;

        return $this->changed(
            $shelf,
            $role === null || $change->handle($membership, $role, $this->person($request)),
            (string) ($role === null
                ? __($membership->publishes ? 'people.may_publish' : 'people.may_not_publish', ['name' => $name])
                : __("people.is.{$role->value}", ['name' => $name])),
        );
    }

    /** Owners take anybody off; everybody may leave. */
    public function destroy(Request $request, Shelf $shelf, Membership $membership, ChangeMembership $change): RedirectResponse
    {
        $leaving = $membership->user_id === $this->person($request)->id;
        Gate::authorize($leaving ? 'view' : 'manage', $shelf);
        $name = $membership->user->firstName();
        $done = $change->handle($membership, null, $this->person($request));

        return $done && $leaving
            ? redirect()->route('home')
            : $this->changed($shelf, $done, (string) __('people.removed', ['name' => $name]));
    }

    private function changed(Shelf $shelf, bool $done, string $said): RedirectResponse
    {
        $back = redirect()->route('people', $shelf);

        return $done ? $back->with('said', $said) : $back->withErrors(['role' => __('rights.last_owner')]);
    }
}
