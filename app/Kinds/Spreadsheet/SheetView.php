<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\User;
use App\Store\Excerpt;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\HistoryAddress;
use MistyAttic\Core\Compare\Changes\CellEdits;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\CellType;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** One tab of a spreadsheet between two versions, laid out line by line; only the lines that are asked for become text. */
final class SheetView
{
    /** Rows that are shown around a changed one. */
    private const AROUND = 1;

    /** @var list<array{id: string, name: string, state: string, was: string|null, count: int}> */
    public array $tabs = [];

    public readonly string $tab;

    private readonly int $frozen;

    /** @var list<array{id: string, letters: string, width: int, state: string, note: string|null, editor: User|null}> */
    public array $columns = [];

    /** @var list<MarkedPart|int> rows, and how many the same are left out */
    private array $lines = [];

    private readonly SpreadsheetKind $kind;

    private readonly bool $compared;

    /** Whether only the rows that are asked for are read. */
    private readonly bool $windowed;

    /** All of a state that is shown by what is in sight, for its formulas. */
    private ?PartTree $whole = null;

    private readonly string $root;

    private readonly CellEdits $edits;

    private readonly PartTree $old;

    private readonly PartTree $new;

    private readonly CellPlaces $oldPlaces;

    private readonly CellPlaces $newPlaces;

    /** @var array<string, string> tabs whose rows were sorted: in words, instead of a mark on each row */
    private array $sorted = [];

    /** @var array<string, Part> columns of either side */
    private array $columnParts = [];

    /** Whether all rows are shown, or those that changed. */
    private readonly bool $all;

    private readonly bool $formulas;

    /** @param SheetAuthors|null $authors where each cell says who wrote it */
    public function __construct(
        private readonly Comparison $comparison,
        private readonly States $states,
        HistoryAddress $address,
        private readonly ?SheetAuthors $authors = null,
    ) {
        $this->kind = new SpreadsheetKind;
        [$view, $this->all, $this->formulas] = [$address->view, $address->rows === 'all', $address->show === 'formulas'];
        $this->compared = $view === 'changed';
        $this->root = ($view === 'who' ? $comparison->to : $comparison->from)->root;
        $frame = $this->compared || $comparison->whole ? null : Excerpt::frame($states, $this->kind->grid(), $this->root);
        $this->windowed = $frame !== null;
        $this->old = $frame ?? ($view === 'who' ? $comparison->new : $comparison->old);
        $this->new = $frame ?? ($view === 'was' ? $comparison->old : $comparison->new);
        $this->oldPlaces = $this->kind->places($this->old);
        $this->newPlaces = $this->kind->places($this->new);
        $changes = $this->compared ? $comparison->changes : new ChangeSet([]);
        $layout = Layout::of($this->old, $this->new, $changes);
        $this->edits = new CellEdits($changes);
        // The first one in which something changed, where it is not said or not there.
        $tab = $address->tab ?? $this->tabOf($address->part);
        $counts = $this->counts();
        foreach ($layout as $marked) {
            $was = $marked->before?->string('name') ?? '';
            $this->tabs[] = [
                'id' => $marked->part->id,
                'name' => $marked->part->string('name') === '' ? __('history.sheet.nameless') : $marked->part->string('name'),
                'state' => $marked->state->value ?? ($marked->movedFrom !== null ? 'moved' : 'same'),
                'was' => $was !== '' && $was !== $marked->part->string('name') ? $was : null,
                'count' => $counts[$marked->part->id] ?? 0,
            ];
        }
        $chosen = array_values(array_filter($layout, fn (MarkedPart $marked) => $marked->part->id === $tab))[0]
        ?? (array_values(array_filter($layout, fn (MarkedPart $marked) => ($counts[$marked->part->id] ?? 0) > 0))[0]
            ?? ($layout[0] ?? null));
        $this->tab = $chosen->part->id ?? '';
        $this->frozen = $chosen?->part->int('frozen') ?? 0;
        $this->lay($chosen->children ?? []);
    }

    /** The tab of a part, or of a cell: of a large table its column is known, and not every row. */
    private function tabOf(string $part): ?string
    {
        foreach (array_reverse(explode('/', $part)) as $id) {
            foreach ([$this->newPlaces, $this->oldPlaces] as $places) {
                $tab = isset($places->tabs[$id]) ? $id : $places->tab($id);
                if ($tab !== '') {
                    return $tab;
                }
            }
        }

        return null;
    }

    /** @return array<string, int> tab => how many lines of it the list beside it has */
    private function counts(): array
    {
        $counts = [];
        foreach ($this->compared ? $this->comparison->entries : [] as $entry) {
            $table = $entry->table();
            if ($table !== null) {
                $counts[$table] = ($counts[$table] ?? 0) + 1;
                $this->sorted += $entry->statement->code === 'sorted' ? [$table => $entry->sentence] : [];
            }
        }

        return $counts;
    }

    /** What is not marked row by row: that the rows of the tab were sorted. */
    public function sorted(): ?string
    {
        return $this->sorted[$this->tab] ?? null;
    }

    private function hasMoved(MarkedPart $row): bool
    {
        return $row->movedFrom !== null && ! isset($this->sorted[$this->tab]);
    }

    public function count(): int
    {
        return $this->windowed ? $this->new->sizes[$this->tab] ?? 0 : count($this->lines);
    }

    /** @return list<SheetLine> */
    public function lines(int $from, int $count): array
    {
        if ($this->windowed) {
            // Of a large table only these rows are read.
            $first = (int) $this->new->wholePosition($this->tab) + 1 + count($this->newPlaces->columns[$this->tab]);
            $window = $this->states->window($this->root, $first + $from, max(0, min($count, $this->count() - $from)));

            return array_map(
                fn (Part $part, int $at) => $this->line(new MarkedPart(null, $part, $part, false, null, []), $from + $at),
                $window,
                array_keys($window),
            );
        }

        return array_map(
            fn (MarkedPart|int $line) => is_int($line) ? new SheetLine($line) : $this->line($line),
            array_slice($this->lines, $from, $count),
        );
    }

    /** Whether what an entry tells of is in another tab. */
    public function lacks(ChangeLine $entry): bool
    {
        return $entry->table() !== null && $entry->table() !== $this->tab;
    }

    /** @param list<MarkedPart> $children */
    private function lay(array $children): void
    {
        $rows = [];
        foreach ($children as $marked) {
            if ($marked->part->role === SpreadsheetRole::Column->value) {
                $this->column($marked);
            } else {
                $rows[] = $marked;
            }
        }
        if ($this->windowed) {
            return;
        }
        $this->trim($rows);
        if ($this->all || ! $this->compared) {
            $this->lines = $rows;

            return;
        }
        if ($this->new->ordinals !== null) {
            $this->lines = $this->apart($rows);

            return;
        }
        $this->around($rows);
    }

    private function column(MarkedPart $marked): void
    {
        $id = $marked->part->id;
        $this->columnParts[$id] = $marked->part;
        $this->columns[] = [
            'id' => $id,
            'letters' => CellPlaces::letters(($marked->state === ChangeType::Removed ? $this->oldPlaces : $this->newPlaces)->position($id)),
            'width' => $marked->part->int('width'),
            'state' => $marked->state->value ?? 'same',
            'note' => $marked->movedFrom === null
                ? null
                : (string) __('history.sheet.from_column', ['column' => CellPlaces::letters($this->oldPlaces->position($id))]),
            'editor' => $marked->state !== null
                ? $this->comparison->editorOf($id, $marked->state)
                : ($marked->movedFrom !== null
                    ? $this->comparison->editorOf($id, ChangeType::Moved)
                    : null),
        ];
    }

    /**
     * The rows that changed, with a little around them; the headings stay in sight.
     *
     * @param  list<MarkedPart>  $rows
     */
    private function around(array $rows): void
    {
        $shown = $rows === [] || ! $this->changed($rows) ? [] : [0 => true];
        foreach ($rows as $at => $row) {
            if ($row->state !== null || $this->hasMoved($row) || $row->edited) {
                for ($near = max(0, $at - self::AROUND); $near <= min(count($rows) - 1, $at + self::AROUND); $near++) {
                    $shown[$near] = true;
                }
            }
        }
        $same = 0;
        foreach ($rows as $at => $row) {
            if (isset($shown[$at])) {
                if ($same > 0) {
                    $this->lines[] = $same;
                    $same = 0;
                }
                $this->lines[] = $row;
            } else {
                $same++;
            }
        }
        if ($same > 0) {
            $this->lines[] = $same;
        }
    }

    /**
     * The rows of an excerpt, with how many lie between.
     *
     * @param  list<MarkedPart>  $rows
     * @return list<MarkedPart|int>
     */
    private function apart(array $rows): array
    {
        $lines = [];
        // What lies between is the same, so it is counted on the side where the row is.
        $next = $nextOld = 0;
        foreach ($rows as $row) {
            $gone = $row->state === ChangeType::Removed;
            $same = $gone ? $this->oldPlaces->position($row->part->id) - $nextOld : $this->newPlaces->position($row->part->id) - $next;
            if ($same > 0) {
                $lines[] = $same;
                $next += $same;
                $nextOld += $same;
            }
            $next += $gone ? 0 : 1;
            $nextOld += $row->state === ChangeType::Added ? 0 : 1;
            $lines[] = $row;
        }
        $left = ($this->new->sizes[$this->tab] ?? $next) - $next;

        return $left > 0 && $rows !== [] ? [...$lines, $left] : $lines;
    }

    /**
     * Leaves out the columns on the right and the rows below that are empty on both sides.
     *
     * @param  list<MarkedPart>  $rows
     */
    private function trim(array &$rows): void
    {
        $used = [];
        $last = 0;
        foreach ($rows as $at => $row) {
            foreach ($row->part->fields + ($row->before->fields ?? []) as $column => $value) {
                if (Cell::bare($value) !== null || Cell::bare($row->before->fields[$column] ?? null) !== null) {
                    $used[$column] = true;
                    $last = $at;
                }
            }
            $last = $row->state !== null || $this->hasMoved($row) ? $at : $last;
        }
        $rows = array_slice($rows, 0, $last + 1);
        for (
            $end = count($this->columns);
            $end > 1
            && ! isset($used[$this->columns[$end - 1]['id']])
            && $this->columns[$end - 1]['state'] === 'same'
            && $this->columns[$end - 1]['note'] === null;
            $end--
        );
        $this->columns = array_slice($this->columns, 0, $end);
    }

    /** @param list<MarkedPart> $rows */
    private function changed(array $rows): bool
    {
        foreach ($rows as $row) {
            if ($row->state !== null || $this->hasMoved($row) || $row->edited) {
                return true;
            }
        }

        return false;
    }

    private function line(MarkedPart $marked, ?int $position = null): SheetLine
    {
        $id = $marked->part->id;
        $gone = $marked->state === ChangeType::Removed;
        $number = 1 + ($position ?? ($gone ? $this->oldPlaces : $this->newPlaces)->position($id));
        $note = ! $this->hasMoved($marked)
            ? null
            : (string) __('history.sheet.from_row', ['row' => (string) (1 + $this->oldPlaces->position($id))]);
        $editor = $marked->state !== null
            ? $this->comparison->editorOf($id, $marked->state)
            : ($this->hasMoved($marked)
                ? $this->comparison->editorOf($id, ChangeType::Moved)
                : null);

        return new SheetLine(
            0,
            $id,
            $number,
            $number <= $this->frozen && ! $gone,
            $marked->state->value ?? 'same',
            $note,
            $editor,
            array_map(fn (array $column) => $this->cell($marked, $column['id'], $column['state']), $this->columns),
        );
    }

    private function cell(MarkedPart $marked, string $column, string $columnState): SheetCell
    {
        $is = $marked->part->fields[$column] ?? null;
        $was = $marked->before === null ? $is : $marked->before->fields[$column] ?? null;
        $wholeRow = $marked->state !== null;
        $state = match (true) {
            $wholeRow || $was === $is => 'same',
            // A cell that comes or goes with its column is the column's affair.
            $columnState !== 'same' => 'same',
            $this->edits->followed($was, $is) => 'moved-on',
            Cell::sameInput(Cell::bare($was), Cell::bare($is)) => 'formatted',
            Cell::bare($was) === null => 'filled',
            Cell::bare($is) === null => 'emptied',
            default => 'typed',
        };
        $gone = $marked->state === ChangeType::Removed;
        if ($columnState === 'removed' && ! $wholeRow) {
            $is = $was;
        }
        $now = $this->shown($gone || $columnState === 'removed' ? $this->old : $this->new, $marked->part, $column, $is);
        $old = in_array($state, ['typed', 'emptied', 'moved-on', 'filled'], true) && $marked->before !== null
            ? $this->shown($this->old, $marked->before, $column, $was)
            : null;
        $editor = in_array($state, ['typed', 'emptied', 'filled', 'formatted'], true)
            ? $this->comparison->editorOfCell($marked->part->id, $column)
            : null;

        return new SheetCell(
            $column,
            $old,
            $now,
            $state,
            $this->classes($is ?? $was, $column, $columnState, $state, $editor),
            $editor,
            $state === 'same' ? null : $this->difference($was, $is),
            $now === '' ? null : $this->authors?->of($marked->part->id, $column),
        );
    }

    private function shown(PartTree $tree, Part $row, string $column, mixed $value): string
    {
        if ($this->formulas && Cell::isFormula($value)) {
            return $this->kind->written($this->windowed ? ($this->whole ??= $this->states->tree($this->root)) : $tree, $row, $value);
        }

        return NumberLook::show($value, $this->columnParts[$column]->string('format'));
    }

    private function classes(mixed $value, string $column, string $columnState, string $state, ?User $editor): string
    {
        $look = Cell::look($value);
        $letters = explode('|', $look === '' || $look[0] === '|' ? $this->columnParts[$column]->string('format') : $look)[0];
        $type = Cell::type($value);

        return implode(
            ' ',
            array_filter([
                "is-{$state}",
                $columnState === 'same' ? '' : "column-{$columnState}",
                str_contains($letters, 'b') ? 'is-bold' : '',
                str_contains($letters, 'i') ? 'is-italic' : '',
                preg_match('/[lcr]/', $letters, $side) === 1
                    ? "at-{$side[0]}"
                    : ($type === CellType::Number || $type === CellType::Date
                        ? 'at-r'
                        : ($type === CellType::Boolean
                            ? 'at-c'
                            : '')),
                $type === CellType::Error ? 'is-error' : '',
                $editor === null ? '' : "by-{$editor->colour}",
            ]),
        );
    }

    private function difference(mixed $was, mixed $is): ?string
    {
        [$old, $new] = [Cell::result($was), Cell::result($is)];
        if ((! is_int($old) && ! is_float($old)) || (! is_int($new) && ! is_float($new)) || $old == $new) {
            return null;
        }
        $by = Cell::number(round($new - $old, 10));
        $share = $old == 0 ? '' : sprintf(' (%+.4g %%)', ($new - $old) / abs($old) * 100);

        return ($by > 0 ? '+' : '−').Cell::show(abs($by)).str_replace('-', '−', $share);
    }
}
