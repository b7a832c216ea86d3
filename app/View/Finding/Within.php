<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\Lives\Life;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder as Models;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kinds;

/** What is looked through: what somebody may see, and of that what they ask for. */
final readonly class Within
{
    /**
     * @param  Item|Shelf|null  $in  only there
     * @param  string  $state  any, gone or there
     * @param  string  $kind  one kind, or '' for all
     * @param  int  $by  brought or taken out by this person, or 0 for anybody
     * @param  CarbonImmutable|null  $since  came or went from this day on
     * @param  CarbonImmutable|null  $until  came or went up to this day, and on it
     */
    public function __construct(
        public User $person,
        public Item|Shelf|null $in = null,
        public string $state = 'any',
        public string $kind = '',
        public int $by = 0,
        public ?CarbonImmutable $since = null,
        public ?CarbonImmutable $until = null,
    ) {}

    /** Whether it is asked who or when, which is known of a text only when its versions are looked at. */
    public function asksWhoOrWhen(): bool
    {
        return $this->by > 0 || $this->since !== null || $this->until !== null;
    }

    /** The items of it, in a query over `items`. */
    public function items(Builder $query): void
    {
        $this->narrow($query->where(fn (Builder $items) => $this->visible($items)));
    }

    /** To the kind and the place that are asked for. */
    private function narrow(Builder $query): void
    {
        $query->when($this->kind !== '', fn (Builder $items) => $items->where('items.kind', $this->kind))
            ->when($this->in instanceof Item, fn (Builder $items) => $items->where('items.id', $this->in?->id))
            ->when($this->in instanceof Shelf, fn (Builder $items) => $items->where('items.shelf_id', $this->in?->id));
    }

    /**
     * Those of which somebody finds only what was published; none where it is asked who wrote or when, which readers are not told of
     * drafts.
     *
     * @return list<int> ids
     */
    public function published(): array
    {
        $rest = $this->asksWhoOrWhen()
            ? []
            : $this->shelves()->reject(fn (Shelf $shelf) => $shelf->showsDraftsTo($this->person))->modelKeys();
        if ($rest === []) {
            return [];
        }
        $query = DB::table('items')
            ->whereIn('items.shelf_id', $rest)
            ->whereIn('items.kind', Kinds::published())
            ->whereNotNull('items.live_id')
            ->whereNull('items.deleted_at');
        $this->narrow($query);

        return array_values(array_map(intval(...), $query->pluck('items.id')->all()));
    }

    /** @return Collection<int, Shelf> that somebody is on */
    private function shelves(): Collection
    {
        return Shelf::query()->with('memberships')->whereIn('id', $this->person->shelves()->pluck('shelves.id'))->get();
    }

    /**
     * Of some lives, those that begin or end by that person and in those days.
     *
     * @param  list<Life>  $lives
     * @return list<Life>
     */
    public function whoAndWhen(array $lives): array
    {
        $rows = DB::query()
            ->selectRaw(
                'key AS at, value ->> 0 AS item_id, value ->> 1 AS part, value ->> 2 AS field, value ->> 3 AS from_number, value ->> 4 AS gone_number',
            )
            ->fromRaw('json_each(?)', [
                json_encode(
                    array_map(fn (Life $life): array => [$life->item, $life->part, $life->field, $life->from, $life->gone], $lives),
                    JSON_THROW_ON_ERROR,
                ),
            ]);
        $ends = fn (Builder $versions) => $versions
            ->from('versions')
            ->selectRaw('1')
            ->whereColumn('versions.item_id', 'lives.item_id')
            ->whereRaw('versions.number IN (lives.from_number, lives.gone_number)');
        $found = DB::query()
            ->fromSub($rows, 'lives')
            ->whereExists(function (Builder $versions) use ($ends): void {
                $this->days($ends($versions), 'versions.saved_at');
                $this->by === 0 || $versions->where($this->touched(...));
            })
            ->pluck('at')
            ->all();

        return array_values(array_intersect_key($lives, array_flip($found)));
    }

    /** By whoever touched the part; where that is not told, as of a title, by whoever wrote the version. */
    private function touched(Builder $versions): void
    {
        $touched = fn (string $table) => fn (Builder $touches) => $touches
            ->from($table)
            ->selectRaw('1')
            ->whereColumn("{$table}.item_id", 'lives.item_id')
            ->whereColumn("{$table}.number", 'versions.number')
            ->whereRaw("{$table}.part IN (lives.part, lives.part || '/' || lives.field)");
        $mine = fn (string $table) => fn (Builder $touches) => $touched($table)($touches)->where("{$table}.user_id", $this->by);
        $versions
            ->whereExists($mine('touches'))
            ->orWhereExists($mine('shared_touches'))
            ->orWhere(fn (Builder $version) => $version->where('versions.user_id', $this->by)->whereNotExists($touched('touches')));
    }

    /** @return Models<Milestone> the newest first */
    public function milestones(): Models
    {
        $named = Milestone::query()
            ->whereIn('item_id', DB::table('items')->where(fn (Builder $items) => $this->items($items))->select('items.id'))
            ->when($this->by > 0, fn (Models $query) => $query->where('user_id', $this->by));

        return $named
            ->when(
                $this->since !== null || $this->until !== null,
                fn (Models $query) => $query->whereIn(
                    'version_id',
                    Version::query()->tap(fn (Models $versions) => $this->days($versions->getQuery(), 'saved_at'))->select('id'),
                ),
            )
            ->orderByDesc('id');
    }

    /** Drafts of what is published for those who see drafts, entries for those who work with them, and nothing that was deleted. */
    private function visible(Builder $query): void
    {
        $published = Kinds::published();
        $shelves = $this->shelves();
        $drafts = $shelves->filter(fn (Shelf $shelf) => $shelf->showsDraftsTo($this->person));
        $rest = $shelves->diff($drafts);
        $works = $shelves->filter(fn (Shelf $shelf) => $shelf->roleOf($this->person)?->atLeast(Role::Editor) ?? false);
        $query->whereNull('items.deleted_at')->where(
            fn (Builder $either) => $either
                ->where(
                    fn (Builder $own) => $own
                        ->whereNull('items.form_id')
                        ->where(
                            fn (Builder $any) => $any
                                ->whereIn('items.shelf_id', $drafts->pluck('id'))
                                ->orWhere(
                                    fn (Builder $open) => $open
                                        ->whereIn('items.shelf_id', $rest->pluck('id'))
                                        ->whereNotIn('items.kind', $published),
                                ),
                        ),
                )
                ->orWhere(
                    fn (Builder $entry) => $entry
                        ->whereNotNull('items.form_id')
                        ->whereIn('items.shelf_id', $works->pluck('id'))
                        ->whereIn('items.form_id', DB::table('items AS forms')->whereNull('forms.deleted_at')->select('forms.id')),
                ),
        );
    }

    private function days(Builder $query, string $at): void
    {
        $query
            ->when($this->since !== null, fn (Builder $days) => $days->where($at, '>=', $this->since?->startOfDay()->format('Y-m-d H:i:s')))
            ->when(
                $this->until !== null,
                fn (Builder $days) => $days->where($at, '<', $this->until?->addDay()->startOfDay()->format('Y-m-d H:i:s')),
            );
    }
}
