<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\PublishingState;
use App\Models\Sight;
use App\Models\Version;
use App\Store\Lives;
use App\Store\States;
use App\Words\Clock;
use App\Words\Days;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** What is found in every version of what somebody may see: texts that are there, and texts that are gone. What is in Lost & found is not looked through. */
final class Finds
{
    public const SHOWN = 20;

    /** Lives that are looked at. */
    private const MOST = 2_000;

    /** Lives of which is asked who and when. */
    private const CANDIDATES = 20_000;

    /** Milestones that are shown. */
    private const NAMED = 5;

    /** Lives that are read through without the index. */
    private const FEW = 30_000;

    /** Parts up to which a state is read to say where a text stands. */
    private const SMALL = 2_000;

    private const WIDTH = 500;

    /** @var list<Find> */
    public array $finds = [];

    /** @var list<Milestone> */
    public array $milestones = [];

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

    /** @var list<int> items of which only what was published is found */
    private array $readOnly = [];

    private Published $published;

    /** @var list<\stdClass> */
    private array $lives = [];

    /** @var array<string, PartTree> by root: what places are read from */
    private array $trees = [];

    public function __construct(public readonly Asked $asked, public readonly Within $within, private readonly States $states, public readonly int $page = 1)
    {
        $this->first = CarbonImmutable::now()->subMonth();
        $this->published = new Published([]);
        if ($asked->pieces === []) {
            return;
        }
        $this->lives = $this->rows();
        $groups = [];
        foreach ($this->lives as $row) {
            $groups["{$row->item_id}/{$row->part}/{$row->field}/{$row->text}"][] = $row;
        }
        $groups = array_filter($groups, fn (array $of) => $within->state === 'any' || ($within->state === 'there') === self::isThere($of));
        usort($groups, fn (array $one, array $two) => [self::isThere($one), $two[count($two) - 1]->id] <=> [self::isThere($two), $one[count($one) - 1]->id]);
        $this->count = count($groups);
        $this->gone = count(array_filter($groups, fn (array $of) => ! self::isThere($of)));
        $this->items = count(array_unique(array_map(fn (array $of) => $of[0]->item_id, $groups)));
        $this->milestones = $page === 1 && $within->state !== 'gone' ? $this->named() : [];
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
        $this->readOnly = $this->within->published();
        $lives = DB::table('lives')->whereIn('item_id', $this->items())->where(fn (Builder $query) => $this->hold($query))->orderBy('lives.id');
        $this->readOnly === [] || $lives->where(fn (Builder $query) => $this->seen($query));
        if ($this->within->asksWhoOrWhen()) {
            $candidates = $lives->limit(self::CANDIDATES + 1);
            $this->isCut = DB::query()->fromSub($candidates->clone()->select('lives.id'), 'lives')->count() > self::CANDIDATES;
            $lives = DB::query()->fromSub($candidates, 'lives')->where(fn (Builder $query) => $this->within->whoAndWhen($query, 'lives'))->orderBy('lives.id');
        }
        $rows = $lives->limit(self::MOST + 1)->get(['lives.*'])->all();
        $this->isCut = $this->isCut || count($rows) > self::MOST;
        $this->unread = DB::table('items')->where('is_read', 0)->where(fn (Builder $items) => $this->within->items($items))->count();

        $rows = array_filter($rows, fn (\stdClass $row) => $this->asked->isIn($row->folded ?? $row->text));
        $this->published = new Published(array_values(array_intersect($this->readOnly, array_column($rows, 'item_id'))));

        return array_values(array_filter(array_map(fn (\stdClass $row) => $this->published->has((int) $row->item_id) ? $this->published->life($row) : $row, $rows)));
    }

    /** Of what readers see only published, what stood in a published version. */
    private function seen(Builder $query): void
    {
        $query->whereNotIn('lives.item_id', $this->readOnly)
            ->orWhereExists(fn (Builder $live) => $live->from('publishings')->selectRaw('1')->join('versions', 'versions.id', '=', 'publishings.version_id')
                ->whereColumn('publishings.item_id', 'lives.item_id')->where('publishings.state', PublishingState::Published->value)
                ->whereColumn('versions.number', '>=', 'lives.from_number')->where(fn (Builder $end) => $end->whereNull('lives.gone_number')->orWhereColumn('versions.number', '<', 'lives.gone_number')));
    }

    private function items(): Builder
    {
        // What is not read in yet is not told of as if it stood.
        return DB::table('items')->where('is_read', 1)->where(fn (Builder $items) => $items->where(fn (Builder $own) => $this->within->items($own))->when($this->readOnly !== [], fn (Builder $open) => $open->orWhereIn('items.id', $this->readOnly)))->select('items.id');
    }

    /** Few lives are read through; among many, the index knows. So somebody with little does not wait for what others have. */
    private function hold(Builder $query): void
    {
        if (DB::query()->fromSub(DB::table('lives')->whereIn('item_id', $this->items())->limit(self::FEW + 1)->select('lives.id'), 'mine')->count() > self::FEW) {
            $query->whereIn('lives.id', DB::table('found')->whereRaw('found MATCH ?', [$this->asked->match()])->select('rowid'));

            return;
        }
        foreach ($this->asked->pieces as $piece) {
            $query->whereRaw('instr(coalesce(lives.folded, lives.text), ?) > 0', [$piece]);
        }
    }

    /** @return list<Milestone> those whose name or note holds it */
    private function named(): array
    {
        $found = $this->within->milestones()->limit(self::MOST)->toBase()->get(['id', 'name', 'note'])->filter(fn (\stdClass $row) => $this->asked->isIn(Lives::folded("{$row->name} {$row->note}")));

        return array_values(Milestone::query()->with('version.item', 'user')->whereKey($found->take(self::NAMED)->pluck('id'))->orderByDesc('id')->get()->all());
    }

    /** @param list<non-empty-list<\stdClass>> $groups */
    private function tell(array $groups): void
    {
        $items = Item::query()->with('shelf.memberships', 'form')->whereKey(array_map(fn (array $of) => $of[0]->item_id, $groups))->get()->keyBy('id');
        foreach ($items->filter(fn (Item $item) => $this->published->has($item->id)) as $id => $item) {
            $seen = Sight::of($this->within->person, $item)->item($item);
            $seen === null ? $items->forget($id) : $items->put($id, $seen);
        }
        $ends = new Ends($items, array_merge(...$groups));
        foreach ($groups as $of) {
            $item = $items->get((int) $of[0]->item_id);
            if ($item === null) {
                continue;
            }
            $find = new Find($item, $of[0]->part, $of[0]->field, $this->asked, $of[0]->text, self::isThere($of));
            $this->place($find, $of[count($of) - 1], $ends);
            $find->stretches = $this->stretches($item, $of, $ends);
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

    /** Says where a text stood, as far as that does not take reading much. */
    private function place(Find $find, \stdClass $life, Ends $ends): void
    {
        $root = $ends->version($life, (int) $life->from_number)?->root;
        if ($find->part === '' || $root === null) {
            $find->place = $find->part === '' ? (string) __('finding.title') : '';

            return;
        }
        $tree = $this->trees[$root] ??= $this->states->count($root) > self::SMALL ? PartTree::of([]) : $this->states->tree($root);
        $part = $tree->find($find->part);
        $kind = $find->item->kind();
        if ($part === null) {
            return;
        }
        $find->place = $kind->whereabouts($tree, $part);
        if ($kind->grid()?->isOneTable === false) {
            $find->spell($tree);
            for ($find->table = $part->id; ($above = $tree->parent($find->table)) !== PartTree::ROOT;) {
                $find->table = $above;
            }
        }
    }

    /**
     * In which versions texts that hold it came and went.
     *
     * @return list<array{int, string}> number, and what is said of it; ascending
     */
    public function spots(): array
    {
        $said = [];
        foreach ($this->lives as $life) {
            // A formula is kept by what it stands for, which nobody reads.
            $text = str_starts_with($life->text, '=') ? (string) __('finding.formula') : '“'.Str::limit($life->text, 60, '…').'”';
            $said[(int) $life->from_number][] = (string) __('finding.came', ['text' => $text]);
            $life->gone_number === null ?: $said[(int) $life->gone_number][] = (string) __('finding.went', ['text' => $text]);
        }
        ksort($said);

        return array_map(fn (int $number, array $of): array => [$number, $number.': '.implode(' · ', array_slice($of, 0, 3))], array_keys($said), $said);
    }

    /**
     * @param  non-empty-list<\stdClass>  $lives
     * @return list<array{from: int, gone: int|null, moment: Version|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string}>
     */
    private function stretches(Item $item, array $lives, Ends $ends): array
    {
        $stretches = [];
        foreach ($lives as $life) {
            [$from, $gone] = [(int) $life->from_number, $life->gone_number === null ? null : (int) $life->gone_number];
            if ($this->published->has($item->id)) {
                $stretches[] = $this->forReaders($item, $from, $gone, $ends->version($life, $gone ?? $from));

                continue;
            }
            [$came, $went] = [$ends->version($life, $from)?->saved_at, $ends->version($life, $gone)?->saved_at];
            if ($came === null) {
                continue;
            }
            [$in, $out] = [$ends->who($life, $from), $ends->who($life, $gone)];
            $said = ['by' => (string) $in?->firstName(), 'from' => (string) $from, 'date' => Days::inShort(Clock::at($came))];
            $stretches[] = [
                'from' => $from, 'gone' => $gone, 'moment' => $ends->version($life, $gone ?? $from), 'came' => $came, 'went' => $went,
                'by' => (string) $in?->firstName(), 'colour' => (int) $in?->colour, 'out' => (string) $out?->firstName(), 'outColour' => (int) $out?->colour,
                'said' => (string) ($gone === null ? __('finding.there', [...$said, 'head' => (string) $item->head]) : __('finding.gone', [...$said, 'out' => (string) $out?->firstName(), 'gone' => (string) $gone, 'then' => (string) ($went === null ? '' : Days::inShort(Clock::at($went)))])),
            ];
        }

        return $stretches;
    }

    /** @return array{from: int, gone: int|null, moment: Version|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string} by what was published, and not by whom */
    private function forReaders(Item $item, int $from, ?int $gone, ?Version $moment): array
    {
        [$came, $went] = [$this->published->at($item->id, $from) ?? now()->toImmutable(), $this->published->at($item->id, $gone)];
        $said = ['from' => (string) $from, 'date' => Days::inShort(Clock::at($came)), 'gone' => (string) $gone, 'then' => (string) ($went === null ? '' : Days::inShort(Clock::at($went)))];

        return ['from' => $from, 'gone' => $gone, 'moment' => $moment, 'came' => $came, 'went' => $went, 'by' => '', 'colour' => 0, 'out' => '', 'outColour' => 0, 'said' => (string) __($gone === null ? 'finding.is_live' : 'finding.was_live', $said)];
    }
}
