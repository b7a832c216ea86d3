<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The wish to publish a version of an item, and what became of it.
 *
 * @property int $id
 * @property int $item_id
 * @property int $version_id
 * @property string $title what the item was called then, and is for readers
 * @property PublishingState $state
 * @property int $user_id who asked, or published without asking
 * @property string|null $note
 * @property CarbonImmutable $asked_at
 * @property int|null $decider_id who answered; the same person when nobody was asked
 * @property string|null $answer
 * @property CarbonImmutable|null $decided_at
 * @property CarbonImmutable|null $told_at when who asked saw the answer
 * @property int|null $count 1 for the first of the item that was published, and so on
 * @property CarbonImmutable|null $ended_at when readers stopped seeing it
 * @property int|null $ender_id who took it away; nobody when another took its place
 * @property array<string, int>|null $data of a report the versions of its datasets that readers see; null when it follows them
 * @property bool $is_public whether everybody who has the address may read it, as long as that is open
 * @property-read User $user
 * @property-read User|null $decider
 * @property-read User|null $ender
 * @property-read Version $version
 * @property-read Item $item
 */
final class Publishing extends Model
{
    protected $fillable = [
        'item_id',
        'version_id',
        'title',
        'state',
        'user_id',
        'note',
        'asked_at',
        'decider_id',
        'answer',
        'decided_at',
        'told_at',
        'count',
        'ended_at',
        'ender_id',
        'data',
        'is_public',
    ];

    protected $attributes = ['is_public' => false];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'state' => PublishingState::class,
            'count' => 'integer',
            'is_public' => 'boolean',
            'data' => 'array',
            'asked_at' => 'immutable_datetime',
            'decided_at' => 'immutable_datetime',
            'told_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** @return BelongsTo<Version, $this> */
    public function version(): BelongsTo
    {
        return $this->belongsTo(Version::class);
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

    /** @return BelongsTo<User, $this> */
    public function ender(): BelongsTo
    {
        return $this->belongsTo(User::class, 'ender_id');
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeWaiting(Builder $query): Builder
    {
        return $query->where('state', PublishingState::Waiting);
    }

    /** Whether somebody else than who asked answered. */
    public function wasAsked(): bool
    {
        return $this->decider_id !== $this->user_id;
    }
}
