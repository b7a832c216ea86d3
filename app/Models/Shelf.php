<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property bool $editors_restore
 */
final class Shelf extends Model
{
    protected $fillable = ['key', 'name', 'editors_restore'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['editors_restore' => 'boolean'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return HasMany<Item, $this> */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class);
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    public function roleOf(User $user): ?Role
    {
        return $this->memberships->firstWhere('user_id', $user->id)?->role;
    }
}
