<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A change that lies beside an item until somebody says yes to it: two states, between which it is.
 *
 * @property int $id
 * @property int $item_id
 * @property int $user_id who proposed it
 * @property string $base hexadecimal, the state that it starts from
 * @property string $root hexadecimal, what that was to become
 * @property ProposalState $state
 * @property CarbonImmutable $proposed_at
 * @property int|null $decider_id
 * @property string|null $word what was said with the answer
 * @property CarbonImmutable|null $decided_at
 * @property CarbonImmutable|null $told_at when who proposed it saw the answer
 * @property int|null $version_id the version that took it in
 * @property-read User $user
 * @property-read User|null $decider
 * @property-read Item $item
 */
final class Proposal extends Model
{
    public $timestamps = false;

    protected $fillable = ['item_id', 'user_id', 'base', 'root', 'state', 'proposed_at', 'decider_id', 'word', 'decided_at', 'told_at', 'version_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => ProposalState::class, 'proposed_at' => 'immutable_datetime', 'decided_at' => 'immutable_datetime', 'told_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<User, $this> */
    public function decider(): BelongsTo
    {
        return $this->belongsTo(User::class, 'decider_id');
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeWaiting(Builder $query): Builder
    {
        return $query->where('state', ProposalState::Waiting);
    }

    /** What somebody proposed for an item, and nobody has answered yet. */
    public static function of(User $person, Item $item): ?self
    {
        return self::query()->waiting()->where(['item_id' => $item->id, 'user_id' => $person->id])->orderByDesc('id')->first();
    }
}
