<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Cause;
use App\Models\Item;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\States;
use App\Store\Writers;
use App\View\PartStory;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/** Every value that a cell has had, wherever its row and column stood; reads that row of the versions that wrote it. */
final class CellStory
{
    private const MOST = 200;

    private const WIDTH = 640;

    private const HEIGHT = 90;

    /** @var list<CellStep> the newest first */
    public readonly array $steps;

    public readonly int $older;

    /** Where it is now: “C3”, or nothing when it is gone. */
    public readonly string $place;

    public readonly string $tab;

    public readonly string $rowName;

    public readonly string $columnName;

    private readonly SpreadsheetKind $kind;

    private readonly string $format;

    private ?CellPlaces $places = null;

    /** @var list<Life>|null formulas that were in it */
    private ?array $lives = null;

    public function __construct(
        private readonly Item $item,
        private readonly string $row,
        private readonly string $column,
        private readonly States $states,
    ) {
        $this->kind = new SpreadsheetKind;
        $tree = $this->newest();
        $places = $this->kind->places($tree);
        [$rowPart, $columnPart] = [$tree->find($row), $tree->find($column)];
        $this->place = $rowPart === null || $columnPart === null
            ? ''
            : CellPlaces::letters($places->position($column)).($places->position($row) + 1);
        $this->tab = $columnPart === null ? '' : $places->tab($column);
        $this->format = $columnPart?->string('format') ?? '';
        $this->columnName = $columnPart === null ? '' : $this->kind->label($tree, $columnPart);

        $touches = $this->touches();
        $this->older = max(0, $touches->count() - self::MOST);
        [$steps, $last] = $this->ownSteps($touches);
        $steps = $this->withMoved(
            $steps,
            $rowPart === null ? null : $tree->wholePosition($row),
            array_fill_keys(array_map(intval(...), $touches->keys()->all()), true),
        );
        $now = $rowPart?->fields[$column] ?? null;
        $this->rowName = $rowPart !== null ? $this->kind->label($tree, $rowPart) : ($last === null ? '' : $this->firstText($last));
        $shown = array_reverse($this->older > 0 ? array_slice($steps, 1) : $steps);
        $this->steps = array_map(
            fn (array $step) => $this->step($step[0], $step[1], $step[2], $now, $rowPart, $step[3] ?? null),
            $shown,
        );
    }

    /** @return Collection<int|string, Collection<int, \stdClass>> what versions did to it and to its row, by number, the newest first */
    private function touches(): Collection
    {
        return DB::table('touches')
            ->where('item_id', $this->item->id)
            ->where(fn ($query) => $query->where('part', "{$this->row}/{$this->column}")->orWhere('part', $this->row))
            ->orderByDesc('number')
            ->orderBy('part')
            ->get(['part', 'number', 'user_id', 'what', 'position'])
            ->groupBy('number');
    }

    /**
     * @param  Collection<int|string, Collection<int, \stdClass>>  $touches
     * @return array{list<array{Version, string, Part|null}>, Part|null} what versions did to it, ascending, and its row as it was last
     */
    private function ownSteps(Collection $touches): array
    {
        $steps = [];
        $before = $last = null;
        $versions = $this->versions($touches);
        foreach ($touches->take(self::MOST + 1)->reverse() as $number => $of) {
            $version = $versions->get((int) $number);
            $position = $of->first()->position ?? null;
            $after = $version === null || $position === null ? null : $this->states->part($version->root, (int) $position);
            $what = (int) array_reduce($of->all(), fn (int $bits, object $touch): int => $bits | (int) $touch->what, 0);
            $own = $of->contains('part', "{$this->row}/{$this->column}");
            $sentence = $version === null ? null : $this->sentence($version, $what, $own, $before, $after);
            if ($version !== null && $sentence !== null) {
                $steps[] = [$version, $sentence, $after];
            }
            $last = $after ?? $last;
            $before = $after;
        }

        return [$steps, $last];
    }

    /**
     * @param  Collection<int|string, Collection<int, \stdClass>>  $touches
     * @return Collection<int, Version> by number, each by whoever wrote in the cell
     */
    private function versions(Collection $touches): Collection
    {
        $versions = Version::query()
            ->with('user', 'milestone')
            ->where('item_id', $this->item->id)
            ->whereIn('number', $touches->keys()->take(self::MOST + 1))
            ->get()
            ->keyBy('number');
        $writers = new Writers($this->item);
        $writer = fn (\stdClass $touch): int => $writers->of((string) $touch->part, (int) $touch->number, (int) $touch->user_id);

        $wrote = [];
        foreach ($touches as $number => $of) {
            $wrote[(int) $number] = array_values(array_map($writer, $of->all()));
        }

        return PartStory::by($versions, $wrote);
    }

    /**
     * Of a formula, the results that came by themselves, in between.
     *
     * @param  list<array{Version, string, Part|null}>  $steps  ascending
     * @param  array<int, true>  $own
     * @return list<array{0: Version, 1: string, 2: Part|null, 3?: int}> ascending
     */
    private function withMoved(array $steps, ?int $position, array $own): array
    {
        $written = array_filter($steps, fn (array $step): bool => Cell::isFormula($step[2]?->fields[$this->column] ?? null));
        if ($position === null || $written === []) {
            return $steps;
        }
        $moved = (new MovedResults($this->states))->of(
            $this->item,
            $this->row,
            $this->column,
            $position,
            $written[array_key_first($written)][0]->number,
            $own,
        );
        $steps = [...$steps, ...array_map(fn (array $of): array => [$of[0], (string) __('history.cell.moved'), $of[1], $of[2]], $moved)];
        usort($steps, fn (array $one, array $two): int => $one[0]->number <=> $two[0]->number);

        return $steps;
    }

    /** The newest state; of a large table the row alone with its columns. */
    private function newest(): PartTree
    {
        $frame = Excerpt::frame($this->states, $this->kind->grid(), $this->item->root);
        if ($frame === null) {
            return $this->states->tree($this->item->root);
        }
        $last = DB::table('touches')
            ->where(['item_id' => $this->item->id, 'part' => $this->row])
            ->whereNotNull('position')
            ->orderByDesc('number')
            ->first(['number', 'position']);
        $root = $last === null
            ? null
            : Version::query()
                ->where(['item_id' => $this->item->id, 'number' => $last->number])
                ->value('root');
        $position = $last !== null && is_string($root)
            ? Excerpt::positionIn($this->states, $root, (int) $last->position, $this->item->root, $this->row)
            : null;

        return $position === null ? $frame : Excerpt::with($this->states, $this->kind->grid(), $this->item->root, $position);
    }

    /** How many of the steps somebody wrote. */
    public function written(): int
    {
        return count(array_filter($this->steps, fn (CellStep $step): bool => $step->since === null));
    }

    public function isThere(): bool
    {
        return $this->steps !== [];
    }

    /**
     * A line through the numbers, the oldest first, and its points; nothing when they are not all numbers.
     *
     * @return array{line: string, points: list<array{x: int, y: int, label: string, colour: int|null}>, least: string, most: string}|null
     */
    public function chart(): ?array
    {
        $steps = array_values(
            array_filter(array_reverse($this->steps), fn (CellStep $step) => $step->value !== null && $step->value !== ''),
        );
        $numbers = array_map(fn (CellStep $step) => $step->number, $steps);
        if (count($numbers) < 2 || in_array(null, $numbers, true)) {
            return null;
        }
        [$least, $most] = [min($numbers), max($numbers)];
        $points = [];
        foreach ($steps as $at => $step) {
            $points[] = [
                'x' => 10 + (int) round(($at * (self::WIDTH - 20)) / max(1, count($steps) - 1)),
                'y' => $most == $least
                    ? intdiv(self::HEIGHT, 2)
                    : (int) round(10 + (($most - $step->number) / ($most - $least)) * (self::HEIGHT - 20)),
                'label'
                    => "{$step->value} in {$step->version->number}".($step->since === null ? ", {$step->version->user->firstName()}" : ''),
                // What came by itself is nobody's.
                'colour' => $step->since === null ? $step->version->user->colour : null,
            ];
        }

        return [
            'line' => implode(' ', array_map(fn (array $point) => "{$point['x']},{$point['y']}", $points)),
            'points' => $points,
            'least' => Cell::show($least),
            'most' => Cell::show($most),
        ];
    }

    private function sentence(Version $version, int $what, bool $own, ?Part $before, ?Part $after): ?string
    {
        $did = fn (ChangeType $type): bool => ($what & $type->bit()) !== 0;
        [$was, $is] = [$before->fields[$this->column] ?? null, $after->fields[$this->column] ?? null];

        return match (true) {
            $after === null => (string) __('history.cell.row_removed'),
            // Who brings a cell back, or takes out what was written over it, has not written it.
            $version->source !== null && ($own || $did(ChangeType::Added)) => (string) __('history.cell.brought_back', [
                'source' => (string) $version->source,
            ]),
            $version->cause === Cause::TookOut && ($own || $did(ChangeType::Added)) => (string) __('history.cell.taken_out', [
                'who' => (string) ($version->facts['of'] ?? ''),
            ]),
            $did(ChangeType::Added) => (string) __(Cell::bare($is) === null ? 'history.cell.row_added' : 'history.cell.wrote'),
            $own && Cell::sameInput(Cell::bare($was), Cell::bare($is)) => (string) __('history.cell.formatted'),
            $own && Cell::bare($is) === null => (string) __('history.cell.emptied'),
            $own && Cell::bare($was) === null => (string) __('history.cell.wrote'),
            $own => (string) __('history.cell.typed', ['was' => $this->shown($was)]),
            $did(ChangeType::Moved) => (string) __('history.cell.row_moved'),
            default => null,
        };
    }

    private function step(
        Version $version,
        string $sentence,
        ?Part $row,
        mixed $now,
        ?Part $rowNow,
        ?int $since,
    ): CellStep {
        $value = $row->fields[$this->column] ?? null;
        $formula = Cell::formula($value);
        $result = Cell::result($value);

        return new CellStep(
            $version,
            $sentence,
            $row === null ? null : $this->shown($value),
            $formula === null ? null : $this->spelled($version, $formula, Cell::formula($now)),
            is_int($result) || is_float($result) ? $result : null,
            // A formula is as it is now when its result is.
            $row === null
                ? $rowNow === null
                : $rowNow !== null && Cell::sameInput($value, $now) && ($formula === null || Part::same($result, Cell::result($now))),
            $since,
        );
    }

    /** A formula as it read when it came, since what it read then may be gone; the one that is there, as it reads now. */
    private function spelled(Version $version, string $formula, ?string $now): string
    {
        $this->lives ??= array_values(
            array_filter(
                $this->item->is_read ? (new LifeBlocks($this->item))->of($this->row) : [],
                fn (Life $life): bool => $life->field === $this->column && $life->spelled !== null,
            ),
        );
        foreach ($formula === $now ? [] : $this->lives as $life) {
            if ($life->text === "={$formula}" && $life->from <= $version->number && $version->number < ($life->gone ?? PHP_INT_MAX)) {
                return (string) $life->spelled;
            }
        }
        $this->places ??= $this->kind->places($this->states->tree($this->item->root));

        return '='.Formula::spell($formula, $this->row, $this->places);
    }

    private function shown(mixed $value): string
    {
        return NumberLook::show($value, $this->format);
    }

    private function firstText(Part $row): string
    {
        return $this->kind->label(PartTree::of([$row->atDepth(0)]), $row->atDepth(0));
    }
}
