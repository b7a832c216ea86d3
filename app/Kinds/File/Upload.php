<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Models\Item;
use App\Models\Shelf;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that is on its way, slice by slice.
 *
 * @property int $id
 * @property string $key
 * @property int $user_id
 * @property int $shelf_id
 * @property int|null $item_id the file that it is to be the next version of; a new one if null
 * @property string $name
 * @property int $size in bytes
 * @property int $got bytes that came
 * @property string $rest of them, those that are no piece yet
 * @property string $pieces see core/Store/PieceList
 * @property int $touched_at seconds
 * @property-read Shelf $shelf
 * @property-read Item|null $item
 */
final class Upload extends Model
{
    public $timestamps = false;

    protected $fillable = ['key', 'user_id', 'shelf_id', 'item_id', 'name', 'size', 'got', 'rest', 'pieces', 'touched_at'];

    protected $attributes = ['got' => 0, 'rest' => '', 'pieces' => 'P'];

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['size' => 'integer', 'got' => 'integer', 'touched_at' => 'integer'];
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /**
     * @param  Builder<self>  $query
     * @return Builder<self>
     */
    public function scopeUnderWay(Builder $query): Builder
    {
        return $query->where('touched_at', '>', now()->subHour()->getTimestamp());
    }
}
