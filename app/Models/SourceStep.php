<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that happened to what a dataset follows and is not taken in yet.
 *
 * @property int $id
 * @property int $dataset_id
 * @property int $number the version of the sheet, the form or the entry
 * @property int|null $entry_id the entry that it was; null when it is about all of the source
 * @property string|null $root hexadecimal, what is from then on; null when the entry is gone
 * @property int $user_id
 * @property CarbonImmutable $at
 * @property-read User $user
 * @property-read Item|null $entry
 * @property-read Item $dataset
 */
final class SourceStep extends Model
{
    public $timestamps = false;

    protected $fillable = ['dataset_id', 'number', 'entry_id', 'root', 'user_id', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['number' => 'integer', 'at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Item, $this> */
    public function entry(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    /** @return BelongsTo<Item, $this> */
    public function dataset(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }
}
