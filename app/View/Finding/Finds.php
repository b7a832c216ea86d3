<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\Store\Writers;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** What is found in every version of what somebody may see: texts that are there, and texts that are gone. What is in Lost & found is not looked through. */
final class Finds
{
    public const SHOWN = 20;

    /** Lives that are looked at. */
    private const MOST = 2_000;

    /** Parts up to which a state is read to say where a text stands. */
    private const SMALL = 2_000;

    private const WIDTH = 500;

    /** @var list<Find> */
    public array $finds = [];

    public int $count = 0;

    public int $gone = 0;

    public int $items = 0;

    /** Whether there is more than was looked at. */
    public bool $isCut = false;

    /** How many items are not read in yet. */
    public int $unread = 0;

    /** @var list<array{x: float, said: string}> months along the bars */
    public array $months = [];

    private CarbonImmutable $first;

    /** @param Item|Shelf|null $in only there */
    public function __construct(private readonly User $person, public readonly Asked $asked, public readonly Item|Shelf|null $in, public readonly string $state, public readonly string $kind, private readonly States $states, private readonly int $page = 1)
    {
        $this->first = CarbonImmutable::now()->subMonth();
        if ($asked->pieces === []) {
            return;
        }
        $rows = $this->rows();
        $groups = [];
        foreach ($rows as $row) {
            $groups["{$row->item_id}/{$row->part}/{$row->field}/{$row->text}"][] = $row;
        }
        $groups = array_filter($groups, fn (array $of) => $this->state === 'any' || ($this->state === 'there') === self::isThere($of));
        usort($groups, fn (array $one, array $two) => [self::isThere($one), $two[count($two) - 1]->id] <=> [self::isThere($two), $one[count($one) - 1]->id]);
        $this->count = count($groups);
        $this->gone = count(array_filter($groups, fn (array $of) => ! self::isThere($of)));
        $this->items = count(array_unique(array_map(fn (array $of) => $of[0]->item_id, $groups)));
        $this->tell(array_slice($groups, ($this->page - 1) * self::SHOWN, self::SHOWN));
    }

    /** @param non-empty-list<\stdClass> $of */
    private static function isThere(array $of): bool
    {
        return array_filter($of, fn (\stdClass $life) => $life->gone_number === null) !== [];
    }

    /** @return list<\stdClass> lives, the earliest first */
    private function rows(): array
    {
        $rows = DB::table('lives')->join('items', 'items.id', '=', 'lives.item_id')
            ->whereIn('lives.id', DB::table('found')->whereRaw('found MATCH ?', [$this->asked->match()])->select('rowid'))
            ->where(fn (Builder $query) => $this->visible($query))
            ->when($this->kind !== '', fn (Builder $query) => $query->where('items.kind', $this->kind))
            ->when($this->in instanceof Item, fn (Builder $query) => $query->where('items.id', $this->in?->id))
            ->when($this->in instanceof Shelf, fn (Builder $query) => $query->where('items.shelf_id', $this->in?->id))
            ->orderBy('lives.id')->limit(self::MOST + 1)->get(['lives.*'])->all();
        $this->isCut = count($rows) > self::MOST;
        $this->unread = DB::table('items')->where('is_read', 0)->where(fn (Builder $query) => $this->visible($query))->count();

        return array_values(array_filter($rows, fn (\stdClass $row) => $this->asked->isIn($row->folded ?? $row->text)));
    }

    /** Drafts of what is published for those who see drafts, entries for those who work with them, and nothing that was deleted. */
    private function visible(Builder $query): void
    {
        $published = array_map(fn (Kind $kind) => $kind->name(), array_values(array_filter(Kinds::all(), fn (Kind $kind) => $kind->isPublishable())));
        $shelves = Shelf::query()->with('memberships')->whereIn('id', $this->person->shelves()->pluck('shelves.id'))->get();
        $drafts = $shelves->filter(fn (Shelf $shelf) => $shelf->showsDraftsTo($this->person));
        $rest = $shelves->diff($drafts);
        $works = $shelves->filter(fn (Shelf $shelf) => $shelf->roleOf($this->person)?->atLeast(Role::Editor) ?? false);
        $query->whereNull('items.deleted_at')->where(fn (Builder $either) => $either
            ->where(fn (Builder $own) => $own->whereNull('items.form_id')->where(fn (Builder $any) => $any->whereIn('items.shelf_id', $drafts->pluck('id'))->orWhere(fn (Builder $open) => $open->whereIn('items.shelf_id', $rest->pluck('id'))->whereNotIn('items.kind', $published))))
            ->orWhere(fn (Builder $entry) => $entry->whereNotNull('items.form_id')->whereIn('items.shelf_id', $works->pluck('id'))->whereIn('items.form_id', DB::table('items AS forms')->whereNull('forms.deleted_at')->select('forms.id'))));
    }

    /** @param list<non-empty-list<\stdClass>> $groups */
    private function tell(array $groups): void
    {
        $items = Item::query()->with('shelf.memberships', 'form')->whereKey(array_map(fn (array $of) => $of[0]->item_id, $groups))->get()->keyBy('id');
        foreach ($groups as $of) {
            $item = $items->get((int) $of[0]->item_id);
            if ($item === null) {
                continue;
            }
            $find = new Find($item, $of[0]->part, $of[0]->field, $this->asked->marked($of[0]->text), self::isThere($of));
            $find->place = $this->place($item, $of[count($of) - 1]);
            $find->stretches = $this->stretches($item, $of);
            $this->finds[] = $find;
            $this->first = min($this->first, $find->stretches[0]['came'] ?? $this->first);
        }
        $from = $this->first->startOfMonth();
        for ($month = $from; $month->isPast(); $month = $month->addMonth()) {
            $this->months[] = ['x' => $this->x($month), 'said' => $month->format('M')];
        }
        while (count($this->months) > 12) {
            $this->months = array_values(array_filter($this->months, fn (int $at) => $at % 2 === 0, ARRAY_FILTER_USE_KEY));
        }
    }

    public function x(CarbonImmutable $at): float
    {
        $from = $this->first->startOfMonth()->getTimestamp();

        return round(max(0, $at->getTimestamp() - $from) / max(1, now()->getTimestamp() - $from) * self::WIDTH, 1);
    }

    private function place(Item $item, \stdClass $life): string
    {
        if ($life->part === '') {
            return (string) __('finding.title');
        }
        $root = $item->versions()->where('number', '>=', $life->from_number)->orderBy('number')->value('root');
        if (! is_string($root) || $this->states->count($root) > self::SMALL) {
            return '';
        }
        $tree = $this->states->tree($root);
        $part = $tree->find($life->part);

        return $part === null ? '' : $item->kind()->whereabouts($tree, $part);
    }

    /**
     * @param  non-empty-list<\stdClass>  $lives
     * @return list<array{from: int, gone: int|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string}>
     */
    private function stretches(Item $item, array $lives): array
    {
        $numbers = array_values(array_unique(array_merge(...array_map(fn (\stdClass $life) => array_filter([(int) $life->from_number, (int) $life->gone_number]), $lives))));
        $versions = $item->versions()->whereIn('number', $numbers)->get(['number', 'user_id', 'saved_at'])->keyBy('number');
        $writers = new Writers($item);
        $touches = DB::table('touches')->where('item_id', $item->id)->whereIn('part', [$lives[0]->part, "{$lives[0]->part}/{$lives[0]->field}"])->whereIn('number', $numbers)->get(['part', 'number', 'user_id']);
        $who = [];
        foreach ($touches as $touch) {
            $who[(int) $touch->number] = $writers->of((string) $touch->part, (int) $touch->number, (int) $touch->user_id);
        }
        $people = Writers::people([...$who, ...$versions->pluck('user_id')->all()]);
        $stretches = [];
        $at = fn (int $number): ?Version => $versions->get($number);
        foreach ($lives as $life) {
            [$from, $gone] = [(int) $life->from_number, $life->gone_number === null ? null : (int) $life->gone_number];
            [$began, $ended] = [$at($from), $gone === null ? null : $at($gone)];
            if ($began === null) {
                continue;
            }
            $came = $began->saved_at;
            $in = $people->get($who[$from] ?? $began->user_id);
            $out = $gone === null ? null : $people->get($who[$gone] ?? (int) $ended?->user_id);
            $stretches[] = [
                'from' => $from, 'gone' => $gone, 'came' => $came, 'went' => $ended?->saved_at,
                'by' => (string) $in?->firstName(), 'colour' => (int) $in?->colour, 'out' => (string) $out?->firstName(), 'outColour' => (int) $out?->colour,
                'said' => $gone === null
                    ? (string) __('finding.there', ['by' => (string) $in?->firstName(), 'from' => (string) $from, 'date' => $came->format('j M'), 'head' => (string) $item->head])
                    : (string) __('finding.gone', ['by' => (string) $in?->firstName(), 'from' => (string) $from, 'date' => $came->format('j M'), 'out' => (string) $out?->firstName(), 'gone' => (string) $gone, 'then' => (string) $ended?->saved_at->format('j M')]),
            ];
        }

        return $stretches;
    }
}
