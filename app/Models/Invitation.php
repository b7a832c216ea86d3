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

    /** The one of a number, unless who made it may not invite any more. */
    public static function standing(int $number): ?self
    {
        $found = self::query()->with('shelf.memberships', 'user')->find($number);

        return $found !== null && $found->shelf->roleOf($found->user) === Role::Owner ? $found : null;
    }

    /** Who has the address that it was made for. */
    public function account(): ?User
    {
        return User::query()->where('email', $this->email)->first();
    }

    /** Whether a password is chosen: where there is no account yet, or none whose address is known to be its owner's. */
    public function begins(?User $by, bool $mailed): bool
    {
        $account = $this->account();

        return $account === null || ($mailed && ! $account->proved && $by?->id !== $account->id);
    }
}
