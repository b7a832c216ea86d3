<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\LogLine;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Changes or ends somebody's place on a shelf. A shelf always keeps an owner, and one who is let in. */
final class ChangeMembership
{
    /**
     * @param  Role|null  $role  null ends it
     * @return bool false when it would leave the shelf without an owner
     */
    public function handle(Membership $membership, ?Role $role, User $by): bool
    {
        return DB::transaction(function () use ($membership, $role, $by) {
            $lastOwner = $membership->role === Role::Owner
            && $role !== Role::Owner
            && Membership::query()
                ->comes()
                ->where(['shelf_id' => $membership->shelf_id, 'role' => Role::Owner])
                ->whereKeyNot($membership->id)
                ->doesntExist();
            if ($lastOwner) {
                return false;
            }
            $name = $membership->user->name;
            if ($role === null) {
                LogLine::ofShelf($by->id === $membership->user_id ? 'left' : 'removed', $by, $membership->shelf, $name);
                $membership->delete();
            } else {
                LogLine::ofShelf('role', $by, $membership->shelf, $name, ['was' => $membership->role->value, 'is' => $role->value]);
                $membership->update(['role' => $role]);
            }

            return true;
        });
    }
}
