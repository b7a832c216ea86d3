<?php

declare(strict_types=1);

namespace App\Restoring;

use App\Keeping\TakeAway;
use App\Models\Cause;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\ShelfReturn;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use DomainException;
use Illuminate\Support\Facades\DB;

/**
 * Brings several items of a shelf back to one moment: what was deleted since is found again, what was made since goes to Lost & found if
 * that is wanted. All of it lands, or none, and it is taken back together.
 */
final readonly class BringShelfBack
{
    public function __construct(private RestoreVersion $restore, private TakeAway $away) {}

    /**
     * @param  list<array{item: Item, version: Version, seen: int, picked: list<string>|null}>  $wanted  the number that was newest when the
     *     plan was shown; null picks all
     * @param  list<Item>  $found  that were deleted
     * @param  list<Item>  $removed  that should go
     * @return ShelfReturn|null null when something was saved, deleted or brought back since the plan was shown; then nothing happened
     */
    public function handle(Shelf $shelf, User $person, CarbonImmutable $moment, array $wanted, array $found, array $removed): ?ShelfReturn
    {
        return $this->all(function () use ($shelf, $person, $moment, $wanted, $found, $removed): ShelfReturn {
            $made = $this->restored($person, $wanted, $found);
            $this->join($made, count($made) + count($found) + count($removed) > 1);
            foreach ($removed as $item) {
                $this->move($item, $person, false);
            }
            $ids = fn (array $items): array => array_map(fn (Item $item) => $item->id, $items);
            LogLine::ofShelf(
                'returned',
                $person,
                $shelf,
                facts: [
                    'count' => (string) count(array_unique([...array_column($made, 'item_id'), ...$ids($found), ...$ids($removed)])),
                    'moment' => $moment->format('j F Y, H:i').' UTC',
                ],
            );

            return ShelfReturn::query()->create([
                'shelf_id' => $shelf->id,
                'user_id' => $person->id,
                'moment' => $moment,
                'with_id' => $made[0]->id ?? null,
                'made_at' => now(),
                'done' => [
                    'restored' => array_column($made, 'number', 'item_id'),
                    'found' => $ids($found),
                    'removed' => $ids($removed),
                ],
            ]);
        });
    }

    /**
     * @param  list<array{item: Item, version: Version, seen: int, picked: list<string>|null}>  $wanted
     * @param  list<Item>  $found
     * @return list<Version>
     */
    private function restored(User $person, array $wanted, array $found): array
    {
        $seen = [];
        foreach ($wanted as $one) {
            $seen[$one['item']->id] = $one['seen'] === $one['item']->refresh()->head ? $one['seen'] : throw new DomainException('moved on');
        }
        foreach ($found as $item) {
            $this->move($item, $person, true);
            // Where its name was taken meanwhile it came back under another one, as a version more.
            $seen[$item->id] = $item->refresh()->head;
        }

        return array_map(
            fn (array $one) => $this->restore->handle(
                $one['item']->refresh(),
                $one['version'],
                $person,
                $seen[$one['item']->id],
                picked: $one['picked'],
            ) ?? throw new DomainException('moved on'),
            $wanted,
        );
    }

    /** @return bool false when one of the items was changed since; then nothing happened */
    public function undo(ShelfReturn $return, User $person): bool
    {
        return $this->all(function () use ($return, $person): bool {
            if ($return->refresh()->undone_at !== null) {
                throw new DomainException('undone');
            }
            $items = $return->items();
            $made = [];
            foreach ($return->done['restored'] as $id => $number) {
                $item = $items->findOrFail($id);
                $before = Version::query()
                    ->where(['item_id' => $id, 'number' => $item->before($number)])
                    ->firstOrFail();
                $made[]
                    = $this->restore->handle($item, $before, $person, $number, Cause::TookBack) ?? throw new DomainException('moved on');
            }
            $this->join($made, count($made) > 1);
            foreach ($return->done['found'] as $id) {
                $this->move($items->findOrFail($id), $person, false);
            }
            foreach ($return->done['removed'] as $id) {
                $this->move($items->findOrFail($id), $person, true);
            }
            $return->update(['undone_at' => now()]);
            LogLine::ofShelf(
                'return_undone',
                $person,
                $return->shelf,
                facts: ['count' => (string) $items->count(), 'moment' => $return->moment->format('j F Y, H:i').' UTC'],
            );

            return true;
        }) ?? false;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T|null
     */
    private function all(callable $work): mixed
    {
        try {
            return DB::transaction($work(...));
        } catch (DomainException) {
            return null;
        }
    }

    /** Whoever did so in the meantime did not mean this. */
    private function move(Item $item, User $person, bool $back): void
    {
        if (($item->refresh()->deleted_at === null) === $back) {
            throw new DomainException('moved on');
        }
        $back ? $this->away->back($item, $person) : $this->away->handle($item, $person);
    }

    /** @param list<Version> $made */
    private function join(array $made, bool $isTogether): void
    {
        if ($made !== [] && $isTogether) {
            Version::query()->whereKey(array_map(fn (Version $version) => $version->id, $made))->update(['with_id' => $made[0]->id]);
        }
    }
}
