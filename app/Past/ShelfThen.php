<?php

declare(strict_types=1);

namespace App\Past;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Removal;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\AtMoment;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use OutOfBoundsException;

/**
 * Which items stood on a shelf at a moment, and in which version each was, as somebody may see it: what was deleted, brought back or put on
 * another shelf since is followed back. The number of queries does not depend on how many items or versions there are.
 */
final class ShelfThen
{
    /** @var Collection<int, Item> that are or stood on it, by id */
    public readonly Collection $items;

    /** @var array<int, list<Publishing>> of items of which somebody sees only what was published, by item */
    private array $published = [];

    /** @var array<int, list<Removal>> by item, the earliest first */
    private array $removals = [];

    /** @var array<string, list<LogLine>> when an item was put on another shelf, by its key, the earliest first */
    private array $moves = [];

    public function __construct(private readonly Shelf $shelf, private readonly User $person)
    {
        $was = LogLine::query()->where(['shelf_id' => $shelf->id, 'deed' => 'moved_to'])->select('item_key');
        // What is on another shelf now is told of to those who are there, too, and what was deleted to those who may see that.
        $this->items = Item::query()
            ->with('shelf.memberships')
            ->whereNull('form_id')
            ->whereIn('shelf_id', $person->shelves()->pluck('shelves.id'))
            ->where(fn ($query) => $query->where('shelf_id', $shelf->id)->orWhereIn('key', $was))
            ->get()
            ->filter(fn (Item $item) => $item->deleted_at === null || $item->shelf->roleOf($person)?->atLeast(Role::Editor) === true)
            ->keyBy('id');
        $readOnly = $this->items->filter(fn (Item $item) => $item->isPublishable() && ! $item->shelf->showsDraftsTo($person));
        $this->published = array_fill_keys($readOnly->modelKeys(), []);
        foreach (
            $readOnly->isEmpty()
                ? []
                : Publishing::query()
                    ->with('version:id,number')
                    ->where('state', PublishingState::Published)
                    ->whereIn('item_id', $readOnly->modelKeys())
                    ->orderBy('count')
                    ->get() as $publishing
        ) {
            $this->published[$publishing->item_id][] = $publishing;
        }
        foreach (
            Removal::query()->with('user')->whereIn('item_id', $this->items->modelKeys())->orderBy('at')->orderBy('id')->get() as $removal
        ) {
            $this->removals[$removal->item_id][] = $removal;
        }
        foreach (
            LogLine::query()
                ->with('user')
                ->where('deed', 'moved_to')
                ->whereIn('item_key', $this->items->pluck('key'))
                ->orderBy('at')
                ->orderBy('id')
                ->get() as $line
        ) {
            $this->moves[(string) $line->item_key][] = $line;
        }
    }

    /**
     * @param  CarbonImmutable|null  $moment  null for now
     * @return array<int, int> item => number of the version that it was in, of those that stood there
     */
    public function numbers(?CarbonImmutable $moment): array
    {
        $numbers = $moment === null
            ? $this->items->map(fn (Item $item) => $item->head)->all()
            : AtMoment::numbers(array_values($this->items->modelKeys()), $moment);
        $there = [];
        foreach ($this->items as $item) {
            $number = isset($this->published[$item->id]) ? $this->live($item, $moment)->version->number ?? 0 : $numbers[$item->id] ?? 0;
            if ($number > 0 && $this->isHere($item, $moment)) {
                $there[$item->id] = $number;
            }
        }

        return $there;
    }

    /** @throws OutOfBoundsException for one that never stood here */
    public function item(int $id): Item
    {
        return $this->items->get($id) ?? throw new OutOfBoundsException("Item {$id} never stood on this shelf");
    }

    /** Whether somebody sees only what was published of an item. */
    public function isReadOnly(Item $item): bool
    {
        return isset($this->published[$item->id]);
    }

    /** What readers saw of an item at a moment. */
    public function live(Item $item, ?CarbonImmutable $moment): ?Publishing
    {
        $live = array_filter(
            $this->published[$item->id] ?? [],
            fn (Publishing $publishing) => $moment === null
                ? $publishing->ended_at === null
                : $publishing->decided_at?->lessThanOrEqualTo($moment) === true
                    && ($publishing->ended_at === null || $publishing->ended_at->greaterThan($moment)),
        );

        return $live === [] ? null : end($live);
    }

    /** The last time that an item was taken away, brought back or put on another shelf between two moments. */
    public function lastFate(Item $item, CarbonImmutable $from, ?CarbonImmutable $until): Removal|LogLine|null
    {
        $within = array_filter(
            [...$this->removals[$item->id] ?? [], ...$this->moves[$item->key] ?? []],
            fn (Removal|LogLine $one) => $one->at->greaterThan($from) && ($until === null || $one->at->lessThanOrEqualTo($until)),
        );
        usort($within, fn (Removal|LogLine $one, Removal|LogLine $two) => $one->at <=> $two->at);

        return $within === [] ? null : end($within);
    }

    /** Whether an item stood on the shelf at a moment. */
    private function isHere(Item $item, ?CarbonImmutable $moment): bool
    {
        $away = $item->deleted_at !== null;
        $shelf = $item->shelf_id;
        if ($moment !== null) {
            // Each thing that happened later is taken back, the latest first.
            foreach (array_reverse($this->removals[$item->id] ?? []) as $removal) {
                $away = $removal->at->greaterThan($moment) ? $removal->back : $away;
            }
            foreach (array_reverse($this->moves[$item->key] ?? []) as $move) {
                $shelf = $move->at->greaterThan($moment) ? $move->shelf_id : $shelf;
            }
        }

        return ! $away && $shelf === $this->shelf->id;
    }
}
