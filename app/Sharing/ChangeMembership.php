<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Membership;
use App\Models\Role;
use Illuminate\Support\Facades\DB;

/** Changes or ends somebody's place on a shelf. A shelf always keeps an owner. */
final class ChangeMembership
{
    /**
     * @param  Role|null  $role  null ends it
     * @return bool false when it would leave the shelf without an owner
     */
    public function handle(Membership $membership, ?Role $role): bool
    {
        return DB::transaction(function () use ($membership, $role) {
            $lastOwner = $membership->role === Role::Owner && $role !== Role::Owner
                && Membership::query()->where(['shelf_id' => $membership->shelf_id, 'role' => Role::Owner])->count() === 1;
            if ($lastOwner) {
                return false;
            }
            if ($role === null) {
                $membership->delete();
            } else {
                $membership->update(['role' => $role]);
            }

            return true;
        });
    }
}
