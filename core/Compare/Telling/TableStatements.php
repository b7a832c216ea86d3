<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\CellEdits;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;

/** Gathers the changes of rows, columns and cells, table by table. Cells that come or go with their column are not counted. */
final class TableStatements
{
    /** So many moved rows (fewer are enough where a column shows the order), and … */
    private const SORTED_ROWS = 5;

    private const ORDERED_ROWS = 3;

    /** … so large a share of all, are a table that was sorted. */
    private const SORTED_SHARE = 0.2;

    /** So many cells, or rows that came or went, are listed one by one; … */
    private const SINGLE = 60;

    /** … told apart, the cells of so many rows row by row, and so many rows that came or went one by one. */
    private const SINGLE_ROWS = 200;

    /** @var array<string, list<Change>> table => changes of its columns and rows */
    private array $tables = [];

    private readonly CellEdits $edits;

    /** @var array<string, true> columns and tables that came or went */
    private array $cameOrWent = [];

    /** @var list<Statement> */
    private array $statements = [];

    private function __construct(
        private readonly Kind $kind,
        private readonly Grid $grid,
        private readonly PartTree $old,
        private readonly PartTree $new,
        ChangeSet $changes,
        private readonly Detail $detail,
    ) {
        $this->edits = new CellEdits($changes);
        foreach ($changes->changes as $change) {
            if ($change->type === ChangeType::Added || $change->type === ChangeType::Removed) {
                $this->cameOrWent[$change->id] = true;
            }
        }
        foreach ($changes->changes as $change) {
            $role = $change->part()->role;
            $table = $change->type === ChangeType::Removed ? $old->parent($change->id) : $new->parent($change->id);
            if (
                ($role === $grid->row || $role === $grid->column)
                && (! isset($this->cameOrWent[$table]) || $change->type === ChangeType::Moved || $change->type === ChangeType::Edited)
            ) {
                $this->tables[$table][] = $change;
            }
        }
    }

    /** @return list<Statement> */
    public static function of(
        Kind $kind,
        Grid $grid,
        PartTree $old,
        PartTree $new,
        ChangeSet $changes,
        Detail $detail = Detail::Gathered,
    ): array {
        $self = new self($kind, $grid, $old, $new, $changes, $detail);
        foreach ($self->tables as $table => $of) {
            $table = (string) $table;
            foreach ([ChangeType::Removed, ChangeType::Added, ChangeType::Moved] as $type) {
                $self->parts(
                    $table,
                    $type,
                    $grid->column,
                    array_filter($of, fn (Change $change) => $change->type === $type && $change->part()->role === $grid->column),
                );
                $self->parts(
                    $table,
                    $type,
                    $grid->row,
                    array_filter($of, fn (Change $change) => $change->type === $type && $change->part()->role === $grid->row),
                );
            }
            $self->columnEdits(
                array_filter($of, fn (Change $change) => $change->type === ChangeType::Edited && $change->part()->role === $grid->column),
            );
            $self->cells(
                $table,
                array_filter($of, fn (Change $change) => $change->type === ChangeType::Edited && $change->part()->role === $grid->row),
            );
        }

        return $self->statements;
    }

    private function called(string $role): string
    {
        [$rows, $columns] = $this->grid->isOneTable ? ['records', 'fields'] : ['rows', 'columns'];

        return $role === $this->grid->row ? $rows : $columns;
    }

    /** @param array<Change> $changes of one type and role */
    private function parts(string $table, ChangeType $type, string $role, array $changes): void
    {
        if ($changes === []) {
            return;
        }
        $ids = array_values(array_map(fn (Change $change) => $change->id, $changes));
        $side = $type === ChangeType::Removed ? $this->old : $this->new;
        $rows = $this->new->sizes[$table] ?? count($this->new->children()[$table] ?? []);
        $many = $type === ChangeType::Moved
        && $role === $this->grid->row
        && count($ids) >= self::ORDERED_ROWS
        && count($ids) >= self::SORTED_SHARE * $rows;
        $by = $many ? $this->sortedBy($table) : [];
        $sorted = $many && ($by !== [] || count($ids) >= self::SORTED_ROWS);
        $singles = match ($this->detail) {
            Detail::Gathered => 0,
            Detail::Listed => self::SINGLE,
            Detail::Apart => self::SINGLE_ROWS,
        };
        foreach (! $sorted && count($ids) <= $singles ? array_map(fn (string $id) => [$id], $ids) : [$ids] as $of) {
            $this->statements[] = new Statement(
                $sorted ? 'sorted' : "{$type->value}_{$this->called($role)}",
                $type,
                [
                    'name' => $this->name($table, $side),
                    'count' => count($of),
                    'part' => $this->kind->label($side, $side->get($of[0])),
                    ...$by,
                    ...$this->table($table),
                ],
                $of,
                0,
                0,
            );
        }
    }

    /** @return array{by?: string} the column whose values now ascend or descend, if there is one */
    private function sortedBy(string $table): array
    {
        $children = $this->new->children()[$table] ?? [];
        foreach ($children as $column) {
            if ($this->new->get($column)->role !== $this->grid->column) {
                continue;
            }
            $values = [];
            foreach ($children as $row) {
                // A row that sums up others stays where it is when they are sorted.
                $fields = $this->new->get($row)->fields;
                if (array_filter($fields, fn (mixed $value) => str_contains((string) Cell::formula($value), ']:[')) === []) {
                    $values[] = Cell::result($fields[$column] ?? null);
                }
            }
            $values = array_values(array_filter($values, fn (mixed $value) => $value !== null));
            $name = $this->kind->label($this->new, $this->new->get($column));
            // A heading is above what is sorted.
            foreach ([$values, array_slice($values, 1)] as $run) {
                if (count($run) >= self::SORTED_ROWS && self::isSorted($run)) {
                    return ['by' => $name];
                }
            }
        }

        return [];
    }

    /** @param list<mixed> $values */
    private static function isSorted(array $values): bool
    {
        $up = $down = true;
        $different = false;
        for ($at = 1; $at < count($values); $at++) {
            [$one, $two] = [$values[$at - 1], $values[$at]];
            $order = is_string($one) && is_string($two) ? strnatcasecmp($one, $two) : $one <=> $two;
            $up = $up && $order <= 0;
            $down = $down && $order >= 0;
            $different = $different || $order !== 0;
        }

        return $different && ($up || $down);
    }

    /** @param array<Change> $changes */
    private function columnEdits(array $changes): void
    {
        foreach ($changes as $change) {
            if ($change->before === null || $change->after === null) {
                continue;
            }
            $values = [];
            $code = FieldFacts::of($change->before, $change->after, $values);
            $this->statements[] = new Statement(
                $code === 'width_set' ? 'widened' : $code,
                ChangeType::Edited,
                [
                    'noun' => $this->kind->noun($change->after),
                    'name' => $this->kind->label($this->new, $change->after),
                    'was' => $this->kind->label($this->old, $change->before),
                    ...$values,
                    ...($values['field'] ?? '') === 'expression'
                        ? [
                            'was' => $this->kind->written($this->old, $change->before, $values['was']),
                            'is' => $this->kind->written($this->new, $change->after, $values['is']),
                        ]
                        : [],
                    ...$this->table($this->new->parent($change->id)),
                ],
                [$change->id],
                0,
                0,
            );
        }
    }

    /** @param array<Change> $changes */
    private function cells(string $table, array $changes): void
    {
        $first = $this->heading($table);
        $cells = [
            'renamed_column' => [],
            'typed_over' => [],
            'filled' => [],
            'emptied_cells' => [],
            'formatted_cells' => [],
            'recalculated' => [],
            'read_again' => [],
        ];
        foreach ($changes as $change) {
            foreach ($change->fields() as $column) {
                if (isset($this->cameOrWent[$column])) {
                    continue;
                }
                $was = $change->before->fields[$column] ?? null;
                $is = $change->after->fields[$column] ?? null;
                $code = $this->code($column, $was, $is, $change->id === $first && count($this->new->children()[$table]) > 2);
                if ($code !== null) {
                    $cells[$code][] = [$change->id, $column, $was, $is];
                }
            }
        }
        foreach ($cells as $code => $of) {
            foreach (
                $this->detail !== Detail::Gathered && ! in_array($code, ['recalculated', 'read_again'], true)
                    ? $this->grouped($of)
                    : [['', $of]] as [$name, $group]
            ) {
                if ($group !== []) {
                    $this->say($table, $code, $group, $name);
                }
            }
        }
    }

    /**
     * What happened to a cell; null when its range followed and it came out the same.
     *
     * @param  mixed  $was  see {@see Cell}
     * @param  bool  $isHead  whether it is in the row of headings of a table that has others
     */
    private function code(string $column, mixed $was, mixed $is, bool $isHead): ?string
    {
        $followed = $this->edits->followed($was, $is);

        return match (true) {
            $followed && Cell::result($was) === Cell::result($is) => null,
            $followed => 'recalculated',
            $this->new->has($column) && $this->kind->isReadAs($this->old->find($column), $this->new->get($column), $was, $is)
                => 'read_again',
            Cell::sameInput(Cell::bare($was), Cell::bare($is)) => 'formatted_cells',
            Cell::bare($was) === null => 'filled',
            Cell::bare($is) === null => 'emptied_cells',
            $isHead && is_string(Cell::result($was)) && is_string(Cell::result($is)) => 'renamed_column',
            default => 'typed_over',
        };
    }

    /** The row whose cells are the names of the columns. */
    private function heading(string $table): ?string
    {
        foreach ($this->grid->isOneTable ? [] : $this->new->children()[$table] ?? [] as $id) {
            if ($this->new->get($id)->role === $this->grid->row) {
                return $id;
            }
        }

        return null;
    }

    /**
     * @param  list<array{string, string, mixed, mixed}>  $cells
     * @return list<array{string, list<array{string, string, mixed, mixed}>}> each with the name of its row or column, if it is one's
     */
    private function grouped(array $cells): array
    {
        if (count($cells) <= self::SINGLE) {
            return array_map(fn (array $cell) => ['', [$cell]], $cells);
        }
        if ($this->detail === Detail::Listed) {
            return [['', $cells]];
        }
        $rows = $columns = [];
        foreach ($cells as $cell) {
            $rows[$cell[0]][] = $cell;
            $columns[$cell[1]][] = $cell;
        }
        $groups = [];
        foreach (count($rows) <= self::SINGLE_ROWS ? $rows : $columns as $id => $of) {
            // A row that was emptied is called by what it was.
            $label = $this->kind->label($this->new, $this->new->get((string) $id));
            $groups[] = [
                is_numeric($label) && $this->old->has((string) $id)
                    ? $this->kind->label($this->old, $this->old->get((string) $id))
                    : $label,
                $of,
            ];
        }

        return $groups;
    }

    /** @return array{table?: string} so that one can go there */
    private function table(string $table): array
    {
        return $this->detail !== Detail::Gathered && $table !== PartTree::ROOT ? ['table' => $table] : [];
    }

    /** @param non-empty-list<array{string, string, mixed, mixed}> $cells row, column, old and new value */
    private function say(string $table, string $code, array $cells, string $group): void
    {
        [$row, $column, $was, $is] = $cells[0];
        $show = fn (PartTree $tree, mixed $value): string => self::cut(
            $code === 'recalculated' ? Cell::show($value) : $this->kind->written($tree, $tree->get($row), $value),
        );
        $one = count($cells) > 1
            ? []
            : [
                'was' => $show($this->old, $was),
                'is' => $show($this->new, $is),
                'column' => $this->new->has($column) ? $this->kind->label($this->new, $this->new->get($column)) : '',
                'row' => $this->kind->label($this->new, $this->new->get($row)),
            ];
        // What a row or a column is called by is not said to be in itself.
        $said = match (true) {
            $code === 'filled' && $one !== [] && $row === $this->heading($table) && $one['column'] === $one['is'] => 'wrote_heading',
            // A row without words is called by its number, which one of its cells may hold by chance.
            $one === [] || $one['row'] !== $one['is'] || ! ($this->grid->isOneTable || is_string(Cell::result($is))) => $code,
            $code === 'filled' => 'named_row',
            $code === 'typed_over' => 'renamed_row',
            default => $code,
        };
        $this->statements[] = new Statement(
            $said,
            ChangeType::Edited,
            [
                'name' => $group === '' ? $this->name($table, $this->new) : $group,
                'count' => count($cells),
                ...$one,
                ...$this->table($table),
            ],
            array_values(array_unique(array_column($cells, 0))),
            in_array($code, ['filled', 'typed_over'], true) ? count($cells) : 0,
            in_array($code, ['emptied_cells', 'typed_over'], true) ? count($cells) : 0,
            array_map(fn (array $cell) => "{$cell[0]}/{$cell[1]}", $cells),
        );
    }

    /** A value in a sentence is no longer than that. */
    private static function cut(string $value): string
    {
        return mb_strlen($value) > 60 ? mb_substr($value, 0, 59).'…' : $value;
    }

    private function name(string $table, PartTree $side): string
    {
        return $table === PartTree::ROOT ? '' : $this->kind->label($side, $side->get($table));
    }
}
