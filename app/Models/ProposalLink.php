<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link with which somebody without an account proposes changes to one item.
 *
 * @property int $id
 * @property string $token
 * @property int $item_id
 * @property int $user_id who gave it
 * @property CarbonImmutable $ends_at
 * @property int $most how often something may be sent by it
 * @property int $used
 * @property CarbonImmutable $created_at
 * @property-read Item $item
 * @property-read User $user
 */
final class ProposalLink extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['token', 'item_id', 'user_id', 'ends_at', 'most', 'used'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['ends_at' => 'immutable_datetime', 'created_at' => 'immutable_datetime', 'most' => 'integer', 'used' => 'integer'];
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

    /**
     * Those that still lead somewhere.
     *
     * @param  Builder<self>  $query
     */
    public function scopeOpen(Builder $query): void
    {
        $query->where('ends_at', '>', now())->whereColumn('used', '<', 'most');
    }
}
