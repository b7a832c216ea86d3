<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Several items of a shelf that were brought back to one moment together, so that they are taken back together.
 *
 * @property int $id
 * @property int $shelf_id
 * @property CarbonImmutable $moment
 * @property int|null $with_id the first of the versions that were made
 * @property array{restored: array<int, int>, found: list<int>, removed: list<int>} $done items by their ids: what was restored, by item the
 *     number that it became; what came back from Lost & found; what went there
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $undone_at
 * @property-read User $user
 * @property-read Shelf $shelf
 */
final class ShelfReturn extends Model
{
    public $timestamps = false;

    protected $table = 'returns';

    protected $fillable = ['shelf_id', 'user_id', 'moment', 'with_id', 'done', 'made_at', 'undone_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'moment' => 'immutable_datetime',
            'done' => 'array',
            'made_at' => 'immutable_datetime',
            'undone_at' => 'immutable_datetime',
        ];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Shelf, $this> */
    public function shelf(): BelongsTo
    {
        return $this->belongsTo(Shelf::class);
    }

    /** @return Collection<int, Item> all that it was about, by id; as far as they are still there */
    public function items(): Collection
    {
        return Item::query()
            ->with('shelf.memberships')
            ->whereKey([...array_keys($this->done['restored']), ...$this->done['found'], ...$this->done['removed']])
            ->get()
            ->keyBy('id');
    }

    /** @return list<array{string, Item}> what somebody must be allowed to do with what, to take it back */
    public function rightsToUndo(): array
    {
        $items = $this->items();
        $rights = [];
        foreach (['restored' => 'restore', 'found' => 'delete', 'removed' => 'bringBack'] as $done => $right) {
            foreach ($done === 'restored' ? array_keys($this->done[$done]) : $this->done[$done] as $id) {
                $items->has($id) && $rights[] = [$right, $items->findOrFail($id)];
            }
        }

        return $rights;
    }
}
