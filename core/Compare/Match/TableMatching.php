<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Sequences\Sequences;

use function is_int;

/**
 * Matches two tables: columns by header, then by the values they hold; rows by a column that acts as a key, then by all of their
 * other cells; or else by equal cells in order, then anywhere, then by half of their cells of which one is rare. O(cells) and the
 * work limit.
 */
final class TableMatching
{
    /** Of the values of two columns, so many must be shared for them to be one column. */
    private const COLUMN_LIKENESS = 0.5;

    /** So many different values of a column are looked at: those with the lowest hashes, so that both sides look at the same ones. */
    private const SAMPLE = 500;

    /** A value that more rows share does not tell them apart. */
    private const RARE = 24;

    /** So many of the columns that hold the most different values tell the rows apart. */
    private const CLUES = 4;

    public bool $exact = true;

    /** @var array<string, string> new column => old column */
    private array $columns = [];

    /** @var array<string, true> new columns whose values are all different and yet go with other rows on either side */
    private array $counters = [];

    /** @var array<int, int> position of a new row => of the old row */
    private array $rows = [];

    public function __construct(private readonly Table $old, private readonly Table $new, private int $budget) {}

    /** @return array<string, string> new id => old id, of columns and rows */
    public function pairs(): array
    {
        $this->columns = $this->columns();
        $strangers = $this->columns === [] && $this->old->columns !== [] && $this->new->columns !== [];
        if (! $strangers && $this->byKey()) {
            // A column may act as a key by chance, and a key may be written over.
            $this->byLikeness($this->columns, fn (int $shared, int $filled): bool => $shared >= max(2, $filled - 1));
        } elseif (! $strangers) {
            // A running number says where a row is, not which it is.
            $telling = array_diff_key($this->columns, $this->counters) ?: $this->columns;
            $this->bySigns(...RowSigns::of($this->old->rows, $this->new->rows, $telling));
            $this->byLikeness($telling, fn (int $shared, int $filled): bool => 2 * $shared >= $filled);
        }
        $pairs = $this->columns;
        [$oldRows, $newRows] = [$this->old->rows, $this->new->rows];
        foreach ($this->rows as $new => $old) {
            $pairs[$newRows[$new]->id] = $oldRows[$old]->id;
        }

        return $pairs;
    }

    /** @return array<string, string> columns that go together: new => old */
    private function columns(): array
    {
        $columns = [];
        $oldNames = array_count_values($this->old->columns);
        $newNames = array_count_values($this->new->columns);
        $byName = array_flip($this->old->columns);
        foreach ($this->new->columns as $id => $name) {
            if ($name !== '' && $newNames[$name] === 1 && ($oldNames[$name] ?? 0) === 1) {
                $columns[$id] = (string) $byName[$name];
            }
        }
        $oldLeft = array_values(array_diff(array_keys($this->old->columns), $columns));
        $newLeft = array_values(array_diff(array_keys($this->new->columns), array_keys($columns)));
        $this->budget -= count($oldLeft) * count($newLeft) * 20;
        if ($oldLeft === [] || $newLeft === [] || $this->budget < 0) {
            $this->exact = $this->exact && ($oldLeft === [] || $newLeft === []);

            return $columns;
        }
        foreach ($this->likeColumns($oldLeft, $newLeft) as [$new, $old]) {
            if (! isset($columns[$new]) && ! in_array($old, $columns, true)) {
                $columns[$new] = $old;
            }
        }
        // What has no heading on either side goes by its place.
        $newAt = array_flip(array_keys($this->new->columns));
        foreach ($newLeft as $new) {
            $old = array_keys($this->old->columns)[$newAt[$new]] ?? null;
            if (
                $old !== null
                && ! isset($columns[$new])
                && ! in_array($old, $columns, true)
                && $this->new->columns[$new] === ''
                && $this->old->columns[$old] === ''
            ) {
                $columns[$new] = (string) $old;
            }
        }

        return $columns;
    }

    /**
     * Columns that hold much of the same.
     *
     * @param  list<string>  $oldLeft
     * @param  list<string>  $newLeft
     * @return list<array{string, string}> new and old, the most alike first
     */
    private function likeColumns(array $oldLeft, array $newLeft): array
    {
        $oldAt = array_flip(array_keys($this->old->columns));
        $newAt = array_flip(array_keys($this->new->columns));
        $oldValues = array_map(fn (string $id) => self::values($this->old->rows, $id), array_combine($oldLeft, $oldLeft));
        $scores = [];
        foreach ($newLeft as $new) {
            $values = self::values($this->new->rows, $new);
            foreach ($oldLeft as $old) {
                $most = count($values) + count($oldValues[$old]);
                $likeness = $most === 0 ? 1.0 : 2 * count(array_intersect_key($values, $oldValues[$old])) / $most;
                if ($likeness >= self::COLUMN_LIKENESS) {
                    // Of equal ones, those at the same place go together.
                    $scores[] = [$likeness, 1 / (1 + abs($newAt[$new] - $oldAt[$old])), $new, $old];
                }
            }
        }
        rsort($scores);

        return array_map(fn (array $score): array => [$score[2], $score[3]], $scores);
    }

    /**
     * @param  list<Part>  $rows
     * @return array<int, true> as keys, hashes of the values of a column
     */
    private static function values(array $rows, string $column): array
    {
        $values = [];
        foreach ($rows as $row) {
            if (isset($row->fields[$column])) {
                $values[crc32(RowSigns::ofCell($row->fields[$column]))] = true;
            }
        }
        ksort($values);

        return array_slice($values, 0, self::SAMPLE, true);
    }

    /** Matches rows by the first column whose values are all there and all different, and that does not merely count the rows. */
    private function byKey(): bool
    {
        foreach ($this->columns as $new => $old) {
            $oldKeys = self::keys($this->old->rows, $old);
            $newKeys = $oldKeys === null ? null : self::keys($this->new->rows, $new);
            if ($oldKeys === null || $newKeys === null) {
                continue;
            }
            $shared = array_intersect_key($newKeys, $oldKeys);
            if (2 * count($shared) < min(count($oldKeys), count($newKeys)) || $shared === []) {
                continue;
            }
            if (self::counts($this->new->rows, $new) && ! $this->tells($shared, $oldKeys, $new)) {
                $this->counters[$new] = true;

                continue;
            }
            foreach ($shared as $key => $position) {
                $this->rows[$position] = $oldKeys[$key];
            }

            return true;
        }

        return false;
    }

    /**
     * @param  list<Part>  $rows
     * @return array<int|string, int>|null key => position; null when the column is no key
     */
    private static function keys(array $rows, string $column): ?array
    {
        $keys = [];
        foreach ($rows as $position => $row) {
            $value = $row->fields[$column] ?? null;
            $key = is_int($value) ? $value : RowSigns::ofCell($value);
            if ($value === null || isset($keys[$key])) {
                return null;
            }
            $keys[$key] = $position;
        }

        return $keys;
    }

    /**
     * Whether a column runs 1, 2, 3 … down the rows, a heading aside.
     *
     * @param  list<Part>  $rows
     */
    private static function counts(array $rows, string $column): bool
    {
        $before = null;
        foreach ($rows as $at => $row) {
            $value = $row->fields[$column] ?? null;
            if (! is_int($value) || ($before !== null && $value !== $before + 1)) {
                if ($at > 0 || is_int($value)) {
                    return false;
                }

                continue;
            }
            $before = $value;
        }

        return true;
    }

    /**
     * A running number is no key: rows of the same key must be alike in half of their other cells.
     *
     * @param  array<int|string, int>  $shared
     * @param  array<int|string, int>  $oldKeys
     */
    private function tells(array $shared, array $oldKeys, string $key): bool
    {
        $others = array_diff_key($this->columns, [$key => true]);
        $same = $all = 0;
        $step = max(1, intdiv(count($shared), 50));
        $at = 0;
        foreach ($shared as $value => $position) {
            if ($at++ % $step !== 0) {
                continue;
            }
            foreach ($others as $new => $old) {
                $one = $this->old->rows[$oldKeys[$value]]->fields[$old] ?? null;
                $two = $this->new->rows[$position]->fields[$new] ?? null;
                $all += $one === null && $two === null ? 0 : 1;
                $same += $one !== null && $one === $two ? 1 : 0;
            }
        }

        return $all === 0 || 2 * $same >= $all;
    }

    /**
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     */
    private function bySigns(array $old, array $new): void
    {
        $alignment = Sequences::align($old, $new);
        $this->exact = $this->exact && $alignment->exact;
        $this->rows = array_flip($alignment->pairs());
        $waiting = [];
        $gaps = $alignment->gaps();
        foreach ($gaps as [$from, $to]) {
            for ($position = $from; $position < $to; $position++) {
                $waiting[$old[$position]][] = $position;
            }
        }
        foreach ($gaps as [, , $from, $to]) {
            for ($position = $from; $position < $to; $position++) {
                $sign = $new[$position];
                if (($waiting[$sign] ?? []) !== [] && ! RowSigns::isEmpty($sign)) {
                    $this->rows[$position] = array_shift($waiting[$sign]);
                }
            }
        }
    }

    /**
     * @param  array<string, string>  $columns  new => old
     * @param  \Closure(int, int): bool  $isAlike  whether so many equal cells of so many that a new row has are enough
     */
    private function byLikeness(array $columns, \Closure $isAlike): void
    {
        $oldLeft = array_diff_key($this->old->rows, array_flip($this->rows));
        $newLeft = array_diff_key($this->new->rows, $this->rows);
        if ($oldLeft === [] || $newLeft === []) {
            return;
        }
        $index = self::index($columns, $oldLeft);
        $scores = [];
        foreach ($newLeft as $position => $row) {
            foreach ($this->candidates($row, $index) as $other) {
                $this->budget -= count($columns);
                $shared = $filled = 0;
                foreach ($columns as $new => $old) {
                    if (isset($row->fields[$new])) {
                        $filled++;
                        $shared
                            += isset($this->old->rows[$other]->fields[$old]) && $row->fields[$new] === $this->old->rows[$other]->fields[$old]
                                ? 1
                                : 0;
                    }
                }
                if ($isAlike($shared, $filled)) {
                    $scores[] = [$shared, -abs($other - $position), $position, $other];
                }
            }
            if ($this->budget < 0) {
                $this->exact = false;
                break;
            }
        }
        rsort($scores);
        $taken = [];
        foreach ($scores as [, , $new, $old]) {
            if (! isset($this->rows[$new]) && ! isset($taken[$old])) {
                $this->rows[$new] = $old;
                $taken[$old] = true;
            }
        }
    }

    /**
     * Where the values of the telling columns are.
     *
     * @param  array<string, string>  $columns  new => old
     * @param  array<int, Part>  $rows
     * @return array<string, array<int|string, int|list<int>>> new column => value => old rows
     */
    private static function index(array $columns, array $rows): array
    {
        $index = [];
        foreach (RowSigns::telling($columns, self::CLUES, $rows) as $new => $old) {
            foreach ($rows as $position => $row) {
                if (isset($row->fields[$old])) {
                    $sign = RowSigns::ofCell($row->fields[$old]);
                    // Most values of a telling column stand alone: a number is held for them, not a list.
                    $index[$new][$sign] = isset($index[$new][$sign]) ? [...(array) $index[$new][$sign], $position] : $position;
                }
            }
        }

        return $index;
    }

    /**
     * @param  array<string, array<int|string, int|list<int>>>  $index  new column => value => old rows
     * @return list<int> old rows that share a rare value
     */
    private function candidates(Part $row, array $index): array
    {
        $candidates = [];
        foreach ($index as $column => $values) {
            $found = isset($row->fields[$column]) ? (array) ($values[RowSigns::ofCell($row->fields[$column])] ?? []) : [];
            if (count($found) <= self::RARE) {
                $candidates += array_flip($found);
            }
        }

        return array_keys($candidates);
    }
}
