<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Rights on an item, by those on its shelf. */
final class ItemPolicy
{
    public function view(User $user, Item $item): Response
    {
        return $this->atLeast($user, $item, Role::Viewer);
    }

    /** Writing, naming, and marking milestones. */
    public function write(User $user, Item $item): Response
    {
        return $this->atLeast($user, $item, Role::Editor);
    }

    public function restore(User $user, Item $item): Response
    {
        return $this->atLeast($user, $item, $item->shelf->editors_restore ? Role::Editor : Role::Owner);
    }

    /** Only its author settles an edit that was held back. */
    public function settle(User $user, Item $item, HeldEdit $held): Response
    {
        return $held->item_id === $item->id && $held->user_id === $user->id ? $this->write($user, $item) : Response::denyAsNotFound();
    }

    private function atLeast(User $user, Item $item, Role $needed): Response
    {
        $role = $item->shelf->roleOf($user);
        if ($role === null) {
            return Response::denyAsNotFound();
        }

        return $role->atLeast($needed) ? Response::allow() : Response::deny(__("rights.needs_{$needed->value}", ['shelf' => $item->shelf->name]));
    }
}
