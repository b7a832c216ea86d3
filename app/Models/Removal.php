<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody took an item away, or brought it back.
 *
 * @property int $item_id
 * @property int $user_id
 * @property bool $back
 * @property CarbonImmutable $at
 * @property-read User $user
 */
final class Removal extends Model
{
    public $timestamps = false;

    protected $fillable = ['user_id', 'back', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['back' => 'boolean', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
