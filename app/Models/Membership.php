<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $shelf_id
 * @property int $user_id
 * @property Role $role
 * @property bool $publishes whether they may publish, and say yes to what others want to; owners always may
 * @property-read User $user
 * @property-read Shelf $shelf
 */
final class Membership extends Model
{
    protected $fillable = ['shelf_id', 'user_id', 'role', 'publishes', 'place'];

    protected $attributes = ['publishes' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'publishes' => 'boolean'];
    }

    /**
     * Of people who are let in.
     *
     * @param  Builder<self>  $query
     */
    public function scopeComes(Builder $query): void
    {
        $query->whereRelation('user', 'left_at', null);
    }

    /** Whether they are there to say yes to what others publish; somebody who was let in no more says yes to nothing. */
    public function saysYes(): bool
    {
        return ($this->publishes || $this->role === Role::Owner) && $this->user->left_at === null;
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }
}
