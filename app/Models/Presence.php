<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody has an item open.
 *
 * @property int $item_id
 * @property int $user_id
 * @property string $client one window
 * @property string|null $part where the caret is
 * @property CarbonImmutable $seen_at
 * @property-read User $user
 */
final class Presence extends Model
{
    public $timestamps = false;

    protected $fillable = ['item_id', 'user_id', 'client', 'part', 'seen_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seen_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
