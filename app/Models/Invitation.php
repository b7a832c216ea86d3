<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody who is to come on a shelf; it gives nothing until it is taken up, and is gone then.
 *
 * @property int $id
 * @property int $shelf_id
 * @property int $user_id who invited
 * @property string $email
 * @property string $name
 * @property Role $role
 * @property CarbonImmutable $expires_at
 * @property-read Shelf $shelf
 * @property-read User $user
 */
final class Invitation extends Model
{
    public const DAYS = 7;

    protected $fillable = ['shelf_id', 'user_id', 'email', 'name', 'role', 'expires_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'expires_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeOpen(Builder $query): Builder
    {
        return $query->where('expires_at', '>', now());
    }
}
