<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A line of the log of the whole place.
 *
 * @property int $id
 * @property int $user_id who did it
 * @property string $deed a key of `place.deeds`
 * @property string $about whom or what it was done to, as it was called then
 * @property CarbonImmutable $at
 * @property-read User $user
 */
final class PlaceLine extends Model
{
    public $timestamps = false;

    protected $fillable = ['user_id', 'deed', 'about', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }

    public static function note(User $person, string $deed, string $about): void
    {
        self::query()->create(['user_id' => $person->id, 'deed' => $deed, 'about' => $about, 'at' => now()]);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function said(): string
    {
        return (string) __("place.deeds.{$this->deed}", ['about' => $this->about]);
    }
}
