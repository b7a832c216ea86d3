<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A name for a moment of a whole shelf.
 *
 * @property int $id
 * @property string $name
 * @property CarbonImmutable $at
 * @property-read User $user
 */
final class ShelfMilestone extends Model
{
    public $timestamps = false;

    protected $fillable = ['shelf_id', 'user_id', 'name', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
