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
        return $this->atLeast($user, $shelf, Role::Editor);
    }

    public function manage(User $user, Shelf $shelf): Response
    {
        return $this->atLeast($user, $shelf, Role::Owner);
    }

    private function atLeast(User $user, Shelf $shelf, Role $needed): Response
    {
        $role = $shelf->roleOf($user);
        if ($role === null) {
            return Response::denyAsNotFound();
        }

        return $role->atLeast($needed) ? Response::allow() : Response::deny(__("rights.needs_{$needed->value}", ['shelf' => $shelf->name]));
    }
}
