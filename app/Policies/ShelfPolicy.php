<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Rights on a shelf. A shelf that somebody is not on does not exist for them. */
final class ShelfPolicy
{
    public function view(User $user, Shelf $shelf): Response
    {
        return $this->atLeast($user, $shelf, Role::Viewer);
    }

    /** Making items, and copying out to here. */
    public function make(User $user, Shelf $shelf): Response
    {
        $make = $this->atLeast($user, $shelf, Role::Editor);

        return $make->denied() || $shelf->archived_at === null ? $make : Response::deny(__('rights.archived', ['shelf' => $shelf->name]));
    }

    public function manage(User $user, Shelf $shelf): Response
    {
        return $this->atLeast($user, $shelf, Role::Owner);
    }

    /** What was deleted of it. */
    public function lost(User $user, Shelf $shelf): Response
    {
        return $this->atLeast($user, $shelf, Role::Editor);
    }

    /** Bringing a shelf back that was deleted, or deleting it for good. */
    public function bringBack(User $user, Shelf $shelf): Response
    {
        return $shelf->deleted_at !== null && $shelf->roleOf($user) === Role::Owner ? Response::allow() : Response::denyAsNotFound();
    }

    private function atLeast(User $user, Shelf $shelf, Role $needed): Response
    {
        $role = $shelf->roleOf($user);
        if ($role === null || $shelf->deleted_at !== null) {
            return Response::denyAsNotFound();
        }

        return $role->atLeast($needed) ? Response::allow() : Response::deny(__("rights.needs_{$needed->value}", ['shelf' => $shelf->name]));
    }
}
