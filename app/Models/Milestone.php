<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $version_id
 * @property int $item_id that of its version, so that those of an item are found by it
 * @property int $user_id
 * @property string $name
 * @property string|null $note
 * @property-read Version $version
 * @property-read User $user
 */
final class Milestone extends Model
{
    protected $fillable = ['version_id', 'item_id', 'user_id', 'name', 'note'];

    protected static function booted(): void
    {
        self::creating(function (self $milestone): void {
            $milestone->item_id = (int) Version::query()->whereKey($milestone->version_id)->value('item_id');
        });
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
}
