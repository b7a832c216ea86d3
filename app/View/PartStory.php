<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use App\Store\Writers;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Movement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\NumberLook;

/** Every version that changed one part or what stood below it, with what it held; of a part that holds nothing, reads that and no more. */
final class PartStory
{
    /** The newest steps that are shown. */
    private const MOST = 200;

    /** And of a part that holds others, which are read with it. */
    private const MOST_WHOLE = 100;

    /** Of a row, so many cells are told in one line. */
    private const MOST_CELLS = 4;

    public readonly Story $story;

    /** Whether other parts are or stood below it, which are told with it. */
    private readonly bool $holds;

    private readonly Kind $kind;

    private ?PartTree $newest = null;

    public function __construct(
        private readonly Item $item,
        private readonly string $part,
        private readonly States $states,
        private readonly Phrases $phrases,
    ) {
        $this->kind = Kinds::named($item->kind);
        $touches = DB::table('touches')
            ->where(['item_id' => $item->id, 'part' => $part])
            ->orderByDesc('number')
            ->get(['part', 'number', 'user_id', 'what', 'position'])
            ->keyBy('number');
        $below = $touches->isEmpty() || $this->kind->grid() !== null
            ? []
            : (new PartsBelow($states))->of(
                $item,
                $part,
                $touches->reverse()->map(fn (object $touch): ?int => $touch->position === null ? null : (int) $touch->position)->all(),
            );
        $this->holds = $below !== [];
        $wrote = $this->wrote($touches, $below);
        $numbers = collect(array_keys($wrote))->sortDesc()->values();
        $most = $this->holds ? self::MOST_WHOLE : self::MOST;
        $older = max(0, $numbers->count() - $most);
        // One more than is shown, for what the oldest shown one changed.
        $numbers = $numbers->take($most + 1)->reverse();
        $versions = Version::query()
            ->with('user', 'milestone')
            ->where('item_id', $item->id)
            ->whereIn('number', $numbers)
            ->get()
            ->keyBy('number');
        [$steps, $now, $name, $whole] = $this->steps($numbers, self::by($versions, $wrote), $touches);
        $shown = $this->shown($older > 0 ? array_slice($steps, 1) : $steps, $now, $whole);
        $this->story = new Story($name === null ? '' : $this->label($name), $shown, $older);
    }

    /**
     * @param  Collection<(int|string), \stdClass>  $touches  of the part itself, by version
     * @param  list<string>  $below  ids of what stood below it
     * @return array<int, list<int>> version => who wrote in it
     */
    private function wrote(Collection $touches, array $below): array
    {
        $writers = new Writers($this->item);
        $wrote = [];
        foreach ($touches as $number => $touch) {
            $wrote[(int) $number][] = $writers->of($this->part, (int) $number, (int) $touch->user_id);
        }
        foreach (array_chunk($below, 500) as $ids) {
            foreach (
                DB::table('touches')
                    ->where('item_id', $this->item->id)
                    ->whereIn('part', $ids)
                    ->get(['part', 'number', 'user_id']) as $row
            ) {
                $wrote[(int) $row->number][] = $writers->of((string) $row->part, (int) $row->number, (int) $row->user_id);
            }
        }

        return $wrote;
    }

    /**
     * @param  Collection<int, int>  $numbers  ascending
     * @param  Collection<int, Version>  $versions
     * @param  Collection<(int|string), \stdClass>  $touches
     * @return array{list<array{int, PartStep, list<Part>}>, ?Part, ?Part, list<Part>} what it did in each with how it was changed and what
     *     stood there then; the part as it is, as it was when it was last there, and with what is below it
     */
    private function steps(Collection $numbers, Collection $versions, Collection $touches): array
    {
        $steps = $whole = [];
        $before = $name = null;
        foreach ($numbers as $number) {
            [$version, $touch] = [$versions->get($number), $touches->get($number)];
            $wholeBefore = $whole;
            $whole = $version === null || ! $this->holds ? [] : $this->whole($version);
            $after = match (true) {
                $version === null => null,
                $this->holds => $whole[0] ?? null,
                default => $touch?->position === null ? null : $this->states->part($version->root, (int) $touch->position),
            };
            if ($version !== null && ($touch !== null || self::records($wholeBefore) !== self::records($whole))) {
                $steps[] = [
                    (int) ($touch->what ?? 0),
                    $this->step($version, (int) ($touch->what ?? 0), $before, $after, $wholeBefore, $whole),
                    $whole,
                ];
            }
            [$before, $name] = [$after, $after ?? $name];
        }

        return [$steps, $before, $name, $whole];
    }

    /**
     * The newest first, each with whether it is as it is now.
     *
     * @param  list<array{int, PartStep, list<Part>}>  $steps
     * @param  list<Part>  $whole
     * @return list<PartStep>
     */
    private function shown(array $steps, ?Part $now, array $whole): array
    {
        $shown = [];
        $movedSince = false;
        foreach (array_reverse($steps) as [$what, $step, $then]) {
            $same = $step->part === null
                ? $now === null
                : $now !== null
                    && $step->part->sameFields($now)
                    && self::records($then) === self::records($whole)
                    && ! ($movedSince && $this->stoodElsewhere($step->version));
            $shown[] = $step->asNow($same);
            $movedSince = $movedSince || ($what & ChangeType::Moved->bit()) !== 0;
        }

        return $shown;
    }

    /**
     * Versions under the names of those who changed something in them: what came before may be no longer kept, and somebody else's.
     *
     * @param  Collection<int, Version>  $versions
     * @param  array<int, list<int>>  $wrote  version => people
     * @return Collection<int, Version>
     */
    public static function by(Collection $versions, array $wrote): Collection
    {
        $numbers = array_map(Writers::number(...), array_filter(array_intersect_key($wrote, $versions->all())));
        $people = Writers::people(
            array_filter($numbers, fn (int $writer, int $number) => $versions[$number]?->user_id !== $writer, ARRAY_FILTER_USE_BOTH),
        );

        return $versions->map(
            fn (Version $version) => $people->has($numbers[$version->number] ?? 0)
                ? (clone $version)->setRelation('user', $people->get($numbers[$version->number]))
                : $version,
        );
    }

    /**
     * The part with all below it, as a version left it; empty when it was not there.
     *
     * @return list<Part>
     */
    private function whole(Version $version): array
    {
        $tree = $this->states->tree($version->root);

        return $tree->has($this->part) ? $tree->subtree($this->part) : [];
    }

    /**
     * @param  list<Part>  $parts
     * @return list<string>
     */
    private static function records(array $parts): array
    {
        return array_map(fn (Part $part) => $part->atDepth($part->depth - ($parts[0] ?? $part)->depth)->record(), $parts);
    }

    /** Whether it stood in another place in a version than it does now. */
    private function stoodElsewhere(Version $version): bool
    {
        [$then, $now] = [$this->states->tree($version->root), $this->newest ??= $this->states->tree($this->item->root)];

        return ! $now->has($this->part)
            || ! $then->has($this->part)
            || $then->parent($this->part) !== $now->parent($this->part)
            || isset(TreeCompare::moved($then, $now)[$this->part]);
    }

    /**
     * @param  list<Part>  $wholeBefore  with what is below it
     * @param  list<Part>  $whole
     */
    private function step(Version $version, int $what, ?Part $before, ?Part $after, array $wholeBefore, array $whole): PartStep
    {
        $spans = [];
        if ($after !== null) {
            $old = $before?->richText() ?? new RichText;
            $spans = array_map(
                fn (Span $span) => [
                    $before === null && $span->kind === SpanKind::Added ? new Span(SpanKind::Same, $span->text) : $span,
                    $version->user,
                ],
                TextCompare::of($old, $after->richText(), new Words)->spans(),
            );
        }

        return new PartStep(
            $version,
            implode(', ', array_filter([$this->sentence($version, $what, $before, $after), $this->inside($what, $wholeBefore, $whole)])),
            $after,
            new SpanHtml($spans),
            false,
        );
    }

    /**
     * What changed below it, in one line.
     *
     * @param  list<Part>  $before
     * @param  list<Part>  $after
     */
    private function inside(int $what, array $before, array $after): string
    {
        if ($before === [] || $after === []) {
            return '';
        }
        // Its own change is told already.
        $own = ($what & ChangeType::Edited->bit()) !== 0 ? $after[0] : $before[0];
        [$old, $new] = array_map(
            fn (array $parts) => PartTree::of(
                array_map(fn (Part $part) => ($part === $parts[0] ? $own : $part)->atDepth($part->depth - $parts[0]->depth), $parts),
            ),
            [$before, $after],
        );
        $statements = Statements::of($this->kind, $old, $new, TreeCompare::of($old, $new));
        $more = count($statements) - 1;

        return $statements === []
            ? ''
            : $this->phrases->statement($statements[0])
                    .($more > 0 ? ' '.trans_choice('changes.more', $more, ['count' => (string) $more]) : '');
    }

    private function sentence(Version $version, int $what, ?Part $before, ?Part $after): string
    {
        $did = fn (ChangeType $type): bool => ($what & $type->bit()) !== 0;
        $said = [];
        if ($did(ChangeType::Added) || $did(ChangeType::Removed)) {
            $said[] = __($after === null ? 'history.part.removed' : 'history.part.added');
        }
        if ($did(ChangeType::Edited) && $before !== null && $after !== null && $after->role === $this->kind->grid()?->row) {
            $said[] = $this->cells($before, $after);
        } elseif ($did(ChangeType::Edited) && $before !== null && $after !== null) {
            [$old, $new] = [PartTree::of([$before->atDepth(0)]), PartTree::of([$after->atDepth(0)])];
            $statements = Statements::of($this->kind, $old, $new, TreeCompare::of($old, $new));
            $said[] = $statements === [] ? __('history.part.edited') : $this->phrases->statement($statements[0]);
        }
        if ($did(ChangeType::Moved)) {
            $said[] = $this->movement($version);
        }

        return implode(', ', $said);
    }

    private function movement(Version $version): string
    {
        $root = $this->kind->beside() === null ? null : $this->item->rootBefore($version->number);
        if (! is_string($root)) {
            return __('history.part.moved');
        }
        [$old, $new] = [$this->states->tree($root), $this->states->tree($version->root)];

        return ! $old->has($this->part) || ! $new->has($this->part)
            ? __('history.part.moved')
            : $this->phrases->movement(
                'changes.moved',
                Movement::of($this->kind, $this->part, $old, $new, TreeCompare::moved($old, $new)),
                ['what' => __('history.part.it')],
            );
    }

    /** The cells of a row that somebody wrote in, by the columns as they are called now. */
    private function cells(Part $before, Part $after): string
    {
        $tree = $this->newest ??= $this->states->tree($this->item->root);
        $said = [];
        foreach ($before->differing($after) as $column) {
            [$was, $is] = [$before->fields[$column] ?? null, $after->fields[$column] ?? null];
            if (! Cell::sameInput($was, $is)) {
                $part = $tree->find($column);
                $format = $part?->string('format') ?? '';
                $show = fn (mixed $value): string => NumberLook::show($value, $format) === ''
                    ? (string) __('history.cell.empty')
                    : NumberLook::show($value, $format);
                $said[] = __('history.cell.change', [
                    'column' => $part === null ? '…' : $this->kind->label($tree, $part),
                    'was' => $show($was),
                    'is' => $show($is),
                ]);
            }
        }
        $more = count($said) - self::MOST_CELLS;

        return implode(', ', array_slice($said, 0, self::MOST_CELLS))
            .($more > 0 ? ' '.trans_choice('history.cell.more', $more, ['count' => (string) $more]) : '');
    }

    private function label(Part $part): string
    {
        // What has no words of its own is called by its place, which only the whole tells.
        $tree = $this->newest ??= $this->states->tree($this->item->root);

        return $tree->has($part->id)
            ? $this->kind->label($tree, $tree->get($part->id))
            : $this->kind->label(PartTree::of([$part->atDepth(0)]), $part->atDepth(0));
    }
}
