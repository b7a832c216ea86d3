<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\Sight;
use App\Models\Version;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\Lives\Lives;
use App\Store\States;
use App\Words\Clock;
use App\Words\Days;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/**
 * What is found in every version of what somebody may see: texts that are there, and texts that are gone. What is in Lost & found is not
 * looked through.
 */
final class Finds
{
    public const SHOWN = 20;

    /** Lives that are looked at. */
    private const MOST = 2_000;

    /** Lives of which is asked who and when. */
    private const CANDIDATES = 20_000;

    /** Milestones that are shown. */
    private const NAMED = 5;

    /** Parts up to which a state is read to say where a text is. */
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

    private Published $published;

    /** @var list<Life> */
    private array $lives = [];

    /** @var array<string, PartTree> by root: what places are read from */
    private array $trees = [];

    public function __construct(
        public readonly Asked $asked,
        public readonly Within $within,
        private readonly States $states,
        public readonly int $page = 1,
    ) {
        $this->first = CarbonImmutable::now()->subMonth();
        $this->published = new Published([]);
        if ($asked->pieces === []) {
            return;
        }
        $this->lives = $this->rows();
        $groups = [];
        $last = [];
        foreach ($this->lives as $at => $life) {
            $group = "{$life->item}/{$life->part}/{$life->field}/{$life->text}";
            $groups[$group][] = $life;
            $last[$group] = $at;
        }
        $groups = array_filter($groups, fn (array $of) => $within->state === 'any' || ($within->state === 'there') === self::isThere($of));
        uksort(
            $groups,
            fn (string $one, string $two) => [self::isThere($groups[$one]), $last[$two]] <=> [self::isThere($groups[$two]), $last[$one]],
        );
        $groups = array_values($groups);
        $this->count = count($groups);
        $this->gone = count(array_filter($groups, fn (array $of) => ! self::isThere($of)));
        $this->items = count(array_unique(array_map(fn (array $of) => $of[0]->item, $groups)));
        $this->milestones = $page === 1 && $within->state !== 'gone' ? $this->named() : [];
        $this->tell(array_slice($groups, ($this->page - 1) * self::SHOWN, self::SHOWN));
    }

    /** @param non-empty-list<Life> $of */
    private static function isThere(array $of): bool
    {
        return array_filter($of, fn (Life $life) => $life->gone === null) !== [];
    }

    /** @return list<Life> lives, the earliest first */
    private function rows(): array
    {
        $readOnly = $this->within->published();
        $this->published = new Published($readOnly);
        $this->unread = DB::table('items')->where('is_read', 0)->where(fn (Builder $items) => $this->within->items($items))->count();
        // What is not read in yet is not told of as if it stood.
        $items = DB::table('items')
            ->where('is_read', 1)
            ->where(
                fn (Builder $items) => $items
                    ->where(fn (Builder $own) => $this->within->items($own))
                    ->when($readOnly !== [], fn (Builder $open) => $open->orWhereIn('items.id', $readOnly)),
            );
        // Of what readers see only published, what stood in a published version.
        $only = array_flip($readOnly);
        $asks = $this->within->asksWhoOrWhen();
        /** @param list<Life> $lives */
        $told = function (array $lives) use ($asks, $only): array {
            $told = $asks ? $this->within->whoAndWhen(array_values($lives)) : $lives;

            return array_values(
                array_filter(array_map(fn (Life $life): ?Life => isset($only[$life->item]) ? $this->published->life($life) : $life, $told)),
            );
        };
        [$lives, $this->isCut] = (new Lives)->holding(
            $items,
            $this->asked->pieces,
            $this->asked->match(),
            self::MOST,
            self::CANDIDATES,
            $told,
        );
        $came = self::versions($lives);
        usort(
            $lives,
            fn (Life $one, Life $two) => $came["{$one->item}/{$one->from}"] <=> $came["{$two->item}/{$two->from}"]
            ?: LifeBlocks::order($one, $two),
        );

        return $lives;
    }

    /**
     * @param  list<Life>  $lives
     * @return array<string, int> item/number => id of the version that a life came with: what was written later has a greater one
     */
    private static function versions(array $lives): array
    {
        $ids = array_fill_keys(array_map(fn (Life $life): string => "{$life->item}/{$life->from}", $lives), 0);
        $asked = array_map(fn (string $at): array => array_map(intval(...), explode('/', $at)), array_keys($ids));
        foreach (
            $asked === []
                ? []
                : DB::select(
                    'SELECT v.item_id, v.number, v.id FROM json_each(?) a JOIN versions v ON v.item_id = a.value ->> 0 AND v.number = a.value ->> 1',
                    [json_encode($asked)],
                ) as $version
        ) {
            $ids["{$version->item_id}/{$version->number}"] = (int) $version->id;
        }

        return $ids;
    }

    /** @return list<Milestone> those whose name or note holds it */
    private function named(): array
    {
        $found = $this->within
            ->milestones()
            ->limit(self::MOST)
            ->toBase()
            ->get(['id', 'name', 'note'])
            ->filter(fn (\stdClass $row) => $this->asked->isIn(Lives::folded("{$row->name} {$row->note}")));

        return array_values(
            Milestone::query()
                ->with('version.item', 'user')
                ->whereKey($found->take(self::NAMED)->pluck('id'))
                ->orderByDesc('id')
                ->get()
                ->all(),
        );
    }

    /** @param list<non-empty-list<Life>> $groups */
    private function tell(array $groups): void
    {
        $items = Item::query()
            ->with('shelf.memberships', 'form')
            ->whereKey(array_map(fn (array $of) => $of[0]->item, $groups))
            ->get()
            ->keyBy('id');
        foreach ($items->filter(fn (Item $item) => $this->published->has($item->id)) as $id => $item) {
            $seen = Sight::of($this->within->person, $item)->item($item);
            $seen === null ? $items->forget($id) : $items->put($id, $seen);
        }
        $ends = new Ends($items, array_merge(...$groups));
        foreach ($groups as $of) {
            $item = $items->get($of[0]->item);
            if ($item === null) {
                continue;
            }
            $find = new Find($item, $this->asked, $of[count($of) - 1], self::isThere($of));
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

    /** Where the bar of a life ends: it is as wide as its two ends at least; what is there goes on to the arrow. */
    public function end(CarbonImmutable $came, ?CarbonImmutable $went): float
    {
        return $went === null ? self::WIDTH + 8 : max($this->x($came) + 6, $this->x($went));
    }

    public function x(CarbonImmutable $at): float
    {
        $from = $this->first->startOfMonth()->getTimestamp();

        return round(max(0, $at->getTimestamp() - $from) / max(1, now()->getTimestamp() - $from) * self::WIDTH, 1);
    }

    /** Says where a text stood, as far as that does not take reading much. */
    private function place(Find $find, Life $life, Ends $ends): void
    {
        $root = $ends->version($life, $life->from)?->root;
        if ($find->part === '' || $root === null) {
            $find->place = $find->part === '' ? (string) __('finding.title') : '';

            return;
        }
        // Readers are told a formula by what was published, whatever a tab was called in the drafts.
        $isTold = $find->item->sight !== null && $life->spelled !== null;
        $tree = $this->trees[$root.($isTold ? ' whole' : '')]
            ??= ! $isTold && $this->states->count($root) > self::SMALL ? PartTree::of([]) : $this->states->tree($root);
        $part = $tree->find($find->part);
        $kind = $find->item->kind();
        if ($part === null) {
            return;
        }
        $find->place = $kind->whereabouts($tree, $part);
        if ($kind->grid()?->isOneTable === false) {
            $isTold && $find->spell($tree);
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
            $said[$life->from][] = (string) __('finding.came', ['text' => $text]);
            $life->gone === null ?: $said[$life->gone][] = (string) __('finding.went', ['text' => $text]);
        }
        ksort($said);

        return array_map(
            fn (int $number, array $of): array => [$number, $number.': '.implode(' · ', array_slice($of, 0, 3))],
            array_keys($said),
            $said,
        );
    }

    /**
     * @param  non-empty-list<Life>  $lives
     * @return list<array{from: int, gone: int|null, moment: Version|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string}>
     */
    private function stretches(Item $item, array $lives, Ends $ends): array
    {
        $stretches = [];
        foreach ($lives as $life) {
            [$from, $gone] = [$life->from, $life->gone];
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
                'from' => $from,
                'gone' => $gone,
                'moment' => $ends->version($life, $gone ?? $from),
                'came' => $came,
                'went' => $went,
                'by' => (string) $in?->firstName(),
                'colour' => (int) $in?->colour,
                'out' => (string) $out?->firstName(),
                'outColour' => (int) $out?->colour,
                'said' => (string) ($gone === null
                    ? __('finding.there', [...$said, 'head' => (string) $item->head])
                    : __('finding.gone', [
                        ...$said,
                        'out' => (string) $out?->firstName(),
                        'gone' => (string) $gone,
                        'then' => (string) ($went === null ? '' : Days::inShort(Clock::at($went))),
                    ])),
            ];
        }

        return $stretches;
    }

    /**
     * @return array{from: int, gone: int|null, moment: Version|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string}
     *     by what was published, and not by whom
     */
    private function forReaders(Item $item, int $from, ?int $gone, ?Version $moment): array
    {
        [$came, $went] = [$this->published->at($item->id, $from) ?? now()->toImmutable(), $this->published->at($item->id, $gone)];
        $said = [
            'from' => (string) $from,
            'date' => Days::inShort(Clock::at($came)),
            'gone' => (string) $gone,
            'then' => (string) ($went === null ? '' : Days::inShort(Clock::at($went))),
        ];

        return [
            'from' => $from,
            'gone' => $gone,
            'moment' => $moment,
            'came' => $came,
            'went' => $went,
            'by' => '',
            'colour' => 0,
            'out' => '',
            'outColour' => 0,
            'said' => (string) __($gone === null ? 'finding.is_live' : 'finding.was_live', $said),
        ];
    }
}
