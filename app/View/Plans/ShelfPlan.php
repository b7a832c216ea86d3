<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\ShelfThen;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Phrases;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Gate;

/** What bringing several items of a shelf back to one moment does to each of them, before it happens. */
final class ShelfPlan
{
    /** Items that are looked at together, and lines of each. */
    public const MOST = 30;

    private const LINES = 30;

    /**
     * @var array<string, array{item: Item, then: Version|null, seen: int, plan: RestorePlan|null, isLost: bool, refused: string|null}>
     *     by key; of what was made since there is no version then
     */
    public array $items = [];

    /** @param list<string> $keys of items */
    public function __construct(
        Shelf $shelf,
        User $person,
        public readonly CarbonImmutable $moment,
        array $keys,
        States $states,
        Phrases $phrases,
    ) {
        $was = new ShelfThen($shelf, $person);
        $numbers = $was->numbers($moment);
        $wanted = $was->items
            ->whereIn('key', array_slice($keys, 0, self::MOST))
            ->reject(fn (Item $item) => $was->isReadOnly($item) || $item->shelf_id !== $shelf->id);
        $then = Version::query()
            ->with('user', 'milestone')
            ->numbered(array_values($wanted->map(fn (Item $item): array => [$item->id, $numbers[$item->id] ?? 0])->all()))
            ->get()
            ->keyBy('item_id');
        foreach ($wanted as $item) {
            $version = $then->get($item->id)?->setRelation('item', $item);
            $isSame = $version !== null && $version->root === $item->root && ($version->title === $item->title || $version->title === '');
            if ($isSame && $item->deleted_at === null) {
                continue;
            }
            $newest = $item->versions()->with('user', 'milestone')->where('number', $item->head)->firstOrFail()->setRelation('item', $item);
            $this->items[$item->key] = [
                'item' => $item,
                'then' => $version,
                'seen' => $item->head,
                'isLost' => $item->deleted_at !== null,
                'plan' => $version === null || $isSame
                    ? null
                    : new RestorePlan(
                        new Comparison($item, $version, $newest, $states, $phrases, apart: true, whole: true),
                        $item->kind(),
                        [],
                    ),
                'refused' => $this->refused($item, $version, $person),
            ];
        }
    }

    /** Why somebody may not do this with an item; null when they may. */
    private function refused(Item $item, ?Version $then, User $person): ?string
    {
        // What comes back from Lost & found is there again when it is restored.
        $found = (clone $item)->setAttribute('deleted_at', null);
        $asked = $then === null
            ? [['delete', $item]]
            : ($item->deleted_at === null
                ? [['restore', $item]]
                : [['bringBack', $item], ['restore', $found]]);
        foreach ($asked as [$right, $of]) {
            $answer = Gate::forUser($person)->inspect($right, $of);
            if ($answer->denied()) {
                return $answer->message() ?? (string) __('day.may_not');
            }
        }

        return null;
    }

    /**
     * The lines of an item that are shown, by their position in its comparison.
     *
     * @return array<int, ChangeLine>
     */
    public function lines(string $key): array
    {
        $plan = $this->items[$key]['plan'] ?? null;

        return $plan === null ? [] : array_slice($plan->comesBack + $plan->goesAway, 0, self::LINES, true);
    }

    /** How many more there are; they come with the item. */
    public function more(string $key): int
    {
        return max(0, ($this->items[$key]['plan']?->count() ?? 0) - self::LINES);
    }

    /**
     * The changes back that are wanted of an item; null for all of it.
     *
     * @param  list<int>  $ticked  positions of lines
     * @return list<string>|null
     */
    public function picked(string $key, array $ticked): ?array
    {
        $plan = $this->items[$key]['plan'] ?? null;
        $left = array_diff(array_keys($this->lines($key)), $ticked);
        if ($plan === null || $left === []) {
            return null;
        }
        $wanted = array_diff_key($plan->comesBack + $plan->goesAway, array_flip($left));

        return array_merge([], ...array_map(fn (ChangeLine $entry) => $entry->statement->keysBack(), array_values($wanted)));
    }
}
