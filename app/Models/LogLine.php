<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody did on a shelf that its owners may want to know later: deleting, rights, publishing, restoring, taking out of the house.
 * Outlives what it is about.
 *
 * @property int $id
 * @property int $shelf_id
 * @property string $deed the key of its words: `log.deeds`
 * @property string|null $item_key
 * @property string $title of the item or the shelf, or who it is about, as it was called then
 * @property array<string, string> $facts
 * @property CarbonImmutable $at
 * @property-read User $user
 */
final class LogLine extends Model
{
    public $timestamps = false;

    protected $fillable = ['shelf_id', 'user_id', 'deed', 'item_key', 'title', 'facts', 'at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['facts' => 'array', 'at' => 'immutable_datetime'];
    }

    /** @param array<string, string> $facts */
    public static function ofItem(string $deed, User $user, Item $item, array $facts = []): void
    {
        self::query()->create([
            'shelf_id' => $item->shelf_id,
            'user_id' => $user->id,
            'deed' => $deed,
            'item_key' => $item->key,
            'title' => $item->title,
            'facts' => $facts,
            'at' => now(),
        ]);
    }

    /** @param array<string, string> $facts */
    public static function ofShelf(string $deed, User $user, Shelf $shelf, string $about = '', array $facts = []): void
    {
        self::query()->create([
            'shelf_id' => $shelf->id,
            'user_id' => $user->id,
            'deed' => $deed,
            'title' => $about === '' ? $shelf->name : $about,
            'facts' => $facts,
            'at' => now(),
        ]);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function said(): string
    {
        $roles = array_intersect_key($this->facts, ['is' => 1, 'was' => 1]);

        return (string) __("log.deeds.{$this->deed}", [
            'title' => $this->title,
            ...$this->facts,
            ...array_map(fn (string $role): string => (string) (__('log.roles')[$role] ?? $role), $roles),
        ]);
    }
}
