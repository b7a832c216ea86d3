<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;

/**
 * @property int $id
 * @property int $item_id
 * @property int $user_id whose edit is held back
 * @property int|null $met_user_id whose edit it met
 * @property string $part
 * @property string $place the heading that it is under, or the part's own words
 * @property string $root the state in which it was held back, hexadecimal
 * @property int $number the version that this state became
 * @property string $conflict JSON of {@see Conflict}
 * @property Choice|null $settled_as
 * @property CarbonImmutable|null $settled_at
 * @property CarbonImmutable $created_at
 * @property-read User|null $met
 * @property-read User $user
 * @property-read Item $item
 */
final class HeldEdit extends Model
{
    protected $fillable = ['item_id', 'user_id', 'met_user_id', 'part', 'place', 'root', 'number', 'conflict', 'settled_as', 'settled_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['settled_as' => Choice::class, 'settled_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function met(): BelongsTo
    {
        return $this->belongsTo(User::class, 'met_user_id');
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class)->withoutGlobalScope(Item::MAIN);
    }

    public function meeting(): Conflict
    {
        return Conflict::fromJson($this->conflict);
    }

    /** @return BelongsTo<User, $this> whose edit it is */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /**
     * Edits that somebody is to settle: their own, and on shelves that they own those whose author can't come, because they are no
     * editor there any more, were let in no more, or have no account.
     *
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeWaitingFor(Builder $query, User $user): Builder
    {
        return $query->whereNull('settled_at')->where(
            fn ($either) => $either->where('user_id', $user->id)->orWhere(
                fn ($orphan) => $orphan
                    ->whereExists(
                        fn ($mine) => $this->members($mine)->where('memberships.user_id', $user->id)->where('memberships.role', Role::Owner),
                    )
                    ->whereNotExists(
                        fn ($theirs) => $this->members($theirs)
                            ->whereColumn('memberships.user_id', 'held_edits.user_id')
                            ->whereIn('memberships.role', [Role::Editor, Role::Owner])
                            ->join('users', 'users.id', '=', 'memberships.user_id')
                            ->whereNull('users.left_at'),
                    ),
            ),
        );
    }

    private function members(\Illuminate\Database\Query\Builder $query): \Illuminate\Database\Query\Builder
    {
        return $query
            ->from('memberships')
            ->join('items', 'items.shelf_id', '=', 'memberships.shelf_id')
            ->whereColumn('items.id', 'held_edits.item_id');
    }
}
