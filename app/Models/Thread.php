<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Talk about a part of an item, a cell, words in it, or a version.
 *
 * @property int $id
 * @property string $key
 * @property int $item_id
 * @property int $user_id
 * @property string $part '' when it is about a version or all of the item
 * @property string $field the column, of a cell
 * @property list<string>|null $also further parts, or cells as `row/column`, of those that were chosen together
 * @property int|null $version that it is about
 * @property int $number of the version that was newest when it began
 * @property string $quote the words, or what stood in the cell, when it began
 * @property string|null $spot a place in a picture, as JSON: across, down and chunk
 * @property bool $is_open
 * @property CarbonImmutable $at
 * @property-read Item $item
 * @property-read User $user
 */
final class Thread extends Model
{
    public $timestamps = false;

    protected $fillable = ['key', 'item_id', 'user_id', 'part', 'field', 'also', 'version', 'number', 'quote', 'is_open', 'at', 'spot'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['also' => 'array', 'version' => 'integer', 'number' => 'integer', 'is_open' => 'boolean', 'at' => 'immutable_datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
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

    /** @return HasMany<Comment, $this> */
    public function comments(): HasMany
    {
        return $this->hasMany(Comment::class)->orderBy('id');
    }
}
