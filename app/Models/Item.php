<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * @property int $id
 * @property string $key
 * @property int $shelf_id
 * @property string $kind
 * @property string $title
 * @property int $head the number of the newest version
 * @property string $root the address of the newest state, in hexadecimal
 * @property bool $formulas whether there may be formulas in it
 * @property int|null $copied_from
 * @property CarbonImmutable $changed_at
 * @property-read Shelf $shelf
 * @property-read Version|null $origin
 */
final class Item extends Model
{
    protected $fillable = ['key', 'shelf_id', 'kind', 'title', 'head', 'root', 'formulas', 'copied_from', 'changed_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['head' => 'integer', 'formulas' => 'boolean', 'changed_at' => 'immutable_datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }

    /** @return HasMany<Version, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(Version::class);
    }

    /** @return HasOne<Version, $this> */
    public function newest(): HasOne
    {
        return $this->hasOne(Version::class)->join('items', fn ($join) => $join->on('items.id', '=', 'versions.item_id')->on('items.head', '=', 'versions.number'))->select('versions.*');
    }

    /** @return BelongsTo<Version, $this> the version that this item was copied out from */
    public function origin(): BelongsTo
    {
        return $this->belongsTo(Version::class, 'copied_from');
    }

    /** @return HasMany<HeldEdit, $this> */
    public function heldEdits(): HasMany
    {
        return $this->hasMany(HeldEdit::class);
    }

    /** @return HasMany<Picture, $this> */
    public function pictures(): HasMany
    {
        return $this->hasMany(Picture::class);
    }
}
