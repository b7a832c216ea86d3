<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a place, a shelf or an item says about keeping, where it differs from what is above it.
 *
 * @property int|null $shelf_id
 * @property int|null $item_id
 * @property array<string, mixed> $rules see {@see Rules}
 * @property CarbonImmutable $changed_at
 * @property-read User $user
 */
final class KeepingRule extends Model
{
    public $timestamps = false;

    protected $fillable = ['shelf_id', 'item_id', 'rules', 'user_id', 'changed_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['rules' => 'array', 'changed_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
