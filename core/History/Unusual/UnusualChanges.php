<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Unusual;

use MistyAttic\Core\Compare\Changes\CellEdits;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\CellType;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;

/** Finds what is worth a look in the changes of one version. O(n) over the tables that were touched. */
final class UnusualChanges
{
    /** A table with at least so many cells is blanked when … */
    private const TABLE_CELLS = 20;

    /** … so much of them is gone. */
    private const BLANKED_SHARE = 0.95;

    /** Of a text with at least so many words, much is gone when … */
    private const TEXT_WORDS = 150;

    /** … so much of them is, more than came. */
    private const GONE_SHARE = 0.4;

    /** A shorter text with at least so many words is blanked when … */
    private const SHORT_WORDS = 25;

    /** … so much of it is gone. */
    private const SHORT_SHARE = 0.9;

    /** Numbers that a column must hold besides, for one to stand out of it. */
    private const COLUMN_NUMBERS = 8;

    /** A number stands out when it is further from the others than this many times the width of their range. */
    private const BEYOND = 2.0;

    /** Values that a column must hold for its type to be known, … */
    private const TYPED_CELLS = 10;

    /** … so many of which are of that type, … */
    private const TYPED_SHARE = 0.9;

    /** … and of which so many must become of another one. */
    private const RETYPED_SHARE = 0.5;

    /** So many rows that are there already, with at least two cells each. */
    private const DOUBLED_ROWS = 5;

    private readonly ?Grid $grid;

    private readonly CellEdits $edits;

    /** @var array<string, list<Change>> parent of the rows => changes of rows */
    private array $rows = [];

    /** @var array<string, list<int|float>> column => the numbers that it held before */
    private array $numbers = [];

    /** @var list<UnusualChange> */
    private array $found = [];

    private function __construct(
        private readonly PartTree $old,
        private readonly PartTree $new,
        private readonly ChangeSet $changes,
        private readonly Kind $kind,
    ) {
        $this->grid = $grid = $kind->grid();
        $this->edits = new CellEdits($changes);
        foreach ($changes->changes as $change) {
            if ($grid !== null && $change->part()->role === $grid->row && $change->type !== ChangeType::Moved) {
                $this->rows[$change->from->parent ?? $change->to->parent ?? $old->parent($change->id)][] = $change;
            }
        }
    }

    /**
     * @param  array<string, int>  $answers  question => how many answers it has
     * @return list<UnusualChange>
     */
    public static function in(Kind $kind, PartTree $old, PartTree $new, ChangeSet $changes, array $answers = []): array
    {
        $self = new self($old, $new, $changes, $kind);
        foreach ($self->rows as $table => $rows) {
            if (! $self->blanked((string) $table, $rows)) {
                $self->cells((string) $table, $rows);
            }
            $self->doubled((string) $table, $rows);
        }
        if ($self->grid === null) {
            $self->muchGone();
        }
        foreach ($changes->of(ChangeType::Removed) as $change) {
            if (($answers[$change->id] ?? 0) > 0) {
                $self->found[] = new UnusualChange(UnusualType::AnsweredRemoved, [$change->id], null, ['answers' => $answers[$change->id]]);
            }
        }

        return $self->found;
    }

    /** @param list<Change> $rows */
    private function blanked(string $table, array $rows): bool
    {
        $gone = $came = 0;
        foreach ($rows as $change) {
            foreach ($change->before->fields ?? [] as $column => $value) {
                $gone += Cell::bare($value) === null || Cell::bare($change->after->fields[$column] ?? null) !== null ? 0 : 1;
            }
            $came += count(array_diff_key($change->after->fields ?? [], $change->before->fields ?? []));
        }
        $cells = $gone === 0
            ? 0
            : array_sum(
                array_map(
                    fn (string $id) => $this->old->get($id)->role === $this->grid?->row
                        ? count(array_filter($this->old->get($id)->fields, fn (mixed $value) => Cell::bare($value) !== null))
                        : 0,
                    $this->old->children()[$table] ?? [],
                ),
            );
        if ($cells < self::TABLE_CELLS || $gone - $came < self::BLANKED_SHARE * $cells) {
            return false;
        }
        $this->found[] = new UnusualChange(UnusualType::Blanked, [$table === PartTree::ROOT ? $rows[0]->id : $table], null, [
            'gone' => $gone,
            'cells' => $cells,
        ]);

        return true;
    }

    /** @param list<Change> $rows */
    private function cells(string $table, array $rows): void
    {
        $retyped = [];
        foreach ($rows as $change) {
            foreach ($change->type === ChangeType::Edited ? $change->fields() : [] as $column) {
                $was = $change->before->fields[$column] ?? null;
                $is = $change->after->fields[$column] ?? null;
                if ($this->edits->followed($was, $is)) {
                    // Nobody typed it: the unusual change is where it comes from.
                    continue;
                }
                if (Cell::isFormula($was) && Cell::bare($is) !== null && ! Cell::isFormula($is)) {
                    $this->found[] = new UnusualChange(UnusualType::FormulaReplaced, [$change->id], $column, [
                        'was' => $this->kind->written($this->old, $this->old->get($change->id), $was),
                        'is' => Cell::show($is),
                    ]);
                }
                if (Cell::bare($was) !== null && Cell::bare($is) !== null && Cell::type($was) !== Cell::type($is)) {
                    $retyped[$column][] = $change;
                }
                $this->number($table, $change, $column, Cell::result($was), Cell::result($is));
            }
        }
        foreach ($retyped as $column => $changes) {
            $this->retyped($table, (string) $column, $changes);
        }
    }

    private function number(string $table, Change $change, string $column, mixed $was, mixed $is): void
    {
        if ((! is_int($was) && ! is_float($was)) || (! is_int($is) && ! is_float($is))) {
            return;
        }
        $others = $this->others($table, $column);
        // All that the column held but for this one.
        unset($others[(int) array_search($was, $others, true)]);
        if (count($others) < self::COLUMN_NUMBERS) {
            return;
        }
        [$least, $most] = [min($others), max($others)];
        if ($is == -$was && $was != 0 && ($was > 0 ? $least >= 0 : $most <= 0)) {
            $this->found[] = new UnusualChange(UnusualType::SignFlipped, [$change->id], $column, ['was' => $was, 'is' => $is]);

            return;
        }
        $power = $was == 0 || $is == 0 || ($was > 0) !== ($is > 0) ? 0.0 : log10($is / $was);
        $range = ['was' => $was, 'is' => $is, 'least' => $least, 'most' => $most];
        if (($is < $least || $is > $most) && abs($power) > 0.5 && abs($power - round($power)) < 1e-9) {
            $this->found[] = new UnusualChange(UnusualType::Magnitude, [$change->id], $column, [
                ...$range,
                'factor' => 10 ** (int) round($power),
            ]);
        } elseif (max($is - $most, $least - $is) > self::BEYOND * max($most - $least, abs($most) / 10)) {
            $this->found[] = new UnusualChange(UnusualType::OutOfRange, [$change->id], $column, $range);
        }
    }

    /** @return list<int|float> the numbers that a column of a table held */
    private function others(string $table, string $column): array
    {
        if (! isset($this->numbers[$column])) {
            $this->numbers[$column] = [];
            foreach ($this->old->children()[$table] ?? [] as $id) {
                $value = Cell::result($this->old->get($id)->fields[$column] ?? null);
                if (is_int($value) || is_float($value)) {
                    $this->numbers[$column][] = $value;
                }
            }
        }

        return $this->numbers[$column];
    }

    /** @param non-empty-list<Change> $changes of cells that became of another type */
    private function retyped(string $table, string $column, array $changes): void
    {
        $types = [];
        foreach ($this->old->children()[$table] ?? [] as $id) {
            $type = Cell::type($this->old->get($id)->fields[$column] ?? null)->value;
            $types[$type] = ($types[$type] ?? 0) + 1;
        }
        unset($types[CellType::Nothing->value]);
        arsort($types);
        $all = array_sum($types);
        $was = (string) array_key_first($types);
        $became = [];
        foreach ($changes as $change) {
            if (Cell::type($change->before->fields[$column] ?? null)->value === $was) {
                $is = Cell::type($change->after->fields[$column] ?? null)->value;
                $became[$is] = ($became[$is] ?? 0) + 1;
            }
        }
        arsort($became);
        $count = $became === [] ? 0 : max($became);
        if ($types !== [] && $all >= self::TYPED_CELLS && max($types) >= self::TYPED_SHARE * $all && $count >= self::RETYPED_SHARE * $all) {
            $this->found[] = new UnusualChange(UnusualType::TypeChanged, [$changes[0]->id], $column, [
                'was' => $was,
                'is' => (string) array_key_first($became),
                'cells' => $count,
            ]);
        }
    }

    /** @param list<Change> $rows */
    private function doubled(string $table, array $rows): void
    {
        $added = array_filter($rows, fn (Change $change) => $change->type === ChangeType::Added && count($change->part()->fields) > 1);
        if (count($added) < self::DOUBLED_ROWS) {
            return;
        }
        $sign = fn (Part $part): string => CanonicalJson::encode($part->fields);
        $there = [];
        foreach ($this->old->children()[$table] ?? [] as $id) {
            if ($this->new->has($id)) {
                $there[$sign($this->old->get($id))] = true;
            }
        }
        $doubled = array_values(array_filter($added, fn (Change $change) => isset($there[$sign($change->part())])));
        if (count($doubled) >= self::DOUBLED_ROWS) {
            $this->found[] = new UnusualChange(UnusualType::RowsDoubled, array_map(fn (Change $change) => $change->id, $doubled), null, [
                'rows' => count($doubled),
            ]);
        }
    }

    private function muchGone(): void
    {
        $words = new Words;
        $gone = $came = 0;
        $most = [0, ''];
        foreach ($this->changes->changes as $change) {
            [$added, $removed] = $this->words($change, $words);
            $gone += $removed;
            $came += $added;
            if ($removed > $most[0]) {
                $most = [$removed, $change->id];
            }
        }
        if ($gone < self::SHORT_WORDS * self::SHORT_SHARE) {
            return;
        }
        $all = array_sum(
            array_map(
                fn (Part $part) => array_sum(
                    array_map(fn (mixed $value) => $value instanceof RichText ? $words->count($value) : 0, $part->fields),
                ),
                $this->old->parts,
            ),
        );
        $share = $all >= self::TEXT_WORDS ? self::GONE_SHARE : self::SHORT_SHARE;
        if ($all >= self::SHORT_WORDS && $gone - $came >= $share * $all) {
            $this->found[] = new UnusualChange(UnusualType::MuchGone, [$most[1]], null, ['gone' => $gone, 'words' => $all]);
        }
    }

    /** @return array{int, int} words added and removed */
    private function words(Change $change, Words $words): array
    {
        $added = $removed = 0;
        foreach (
            $change->type === ChangeType::Moved ? [] : ($change->before->fields ?? []) + ($change->after->fields ?? []) as $name => $unused
        ) {
            $before = $change->before->fields[$name] ?? null;
            $after = $change->after->fields[$name] ?? null;
            if ($before instanceof RichText || $after instanceof RichText) {
                $counts = TextCompare::of(
                    $before instanceof RichText ? $before : new RichText,
                    $after instanceof RichText ? $after : new RichText,
                    $words,
                )->counts();
                $added += $counts[0];
                $removed += $counts[1];
            }
        }

        return [$added, $removed];
    }
}
