<?php

declare(strict_types=1);

namespace App\View\Desks;

use App\Making\MakeItem;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Some rows of a table as fields, with room for more behind the last one. */
abstract class VisitorTable implements VisitorForm
{
    /** Rows that can be written in behind the last one with something in it. */
    protected const ROOM = 3;

    private const MOST_ROWS = 60;

    /** Pages before and behind this one that are named, besides the first and the last. */
    private const NEAR = 4;

    protected readonly int $from;

    protected readonly int $length;

    /** How many rows there are, up to the last one of this page; those without anything in them count. */
    protected int $end = 0;

    /** @var array<int, Part|string>|null */
    private ?array $rows = null;

    /** @var list<Part> as many as a form has room for with the rows behind the last one */
    public readonly array $columns;

    /** Columns that are not here. */
    public readonly int $more;

    /**
     * @param  list<Part>  $of  all columns
     * @param  int  $count  rows in which something is
     */
    protected function __construct(array $of, protected readonly int $count, int $from, private readonly string $row)
    {
        $this->columns = $columns = array_slice($of, 0, intdiv(self::MOST, 1 + self::ROOM));
        $this->more = count($of) - count($columns);
        $this->length = max(1, min(self::MOST_ROWS, intdiv(self::MOST, max(1, count($columns))) - self::ROOM));
        $this->from = $from > 0 && $from < $count ? intdiv($from, $this->length) * $this->length : 0;
    }

    /** What is above a column. */
    abstract public function head(Part $column): string;

    /** Where a cell is, in words. */
    abstract public function name(int $row, Part $column): string;

    /** What a cell shows that has no field. */
    abstract public function shown(Part $row, Part $column): string;

    /** What is put in the field of a cell; null when it has none. */
    abstract protected function written(?Part $row, Part $column): ?string;

    /**
     * What somebody wrote in a field, as its value.
     *
     * @param  list<Part>  $new  the rows that come with it
     */
    abstract protected function value(string $text, Part $row, Part $column, array $new): mixed;

    /** @return list<Part> so many rows from a place on, from 0 */
    abstract protected function window(int $from, int $length): array;

    /** Where a row is among all parts, by its place from 0. */
    abstract protected function position(int $row): int;

    /** @return array{string, string|null} below which part a new row comes, and behind which one if there is no row */
    abstract protected function place(): array;

    public function view(): string
    {
        return 'visitor-table';
    }

    public function takesMore(): bool
    {
        return false;
    }

    public function problem(array $parts): ?string
    {
        return null;
    }

    public function pages(): array
    {
        return $this->count <= $this->length ? [] : $this->stretches('', []);
    }

    /**
     * @param  array<string, string>  $asks
     * @return list<array{name: string, asks: array<string, string>, isHere: bool}>
     */
    protected function stretches(string $name, array $asks): array
    {
        $pages = [];
        for ($from = 0; $from === 0 || $from < $this->count; $from += $this->length) {
            if ($from === 0 || $from + $this->length >= $this->count || abs($from - $this->from) <= self::NEAR * $this->length) {
                $rows = (string) __('proposing.link.rows', [
                    'from' => (string) ($from + 1),
                    'to' => (string) min($from + $this->length, $this->count),
                ]);
                $pages[] = [
                    'name' => trim($name.($this->count > $this->length ? ($name === '' ? '' : ', ').$rows : '')),
                    'asks' => [...$asks, 'from' => (string) $from],
                    'isHere' => $from === $this->from,
                ];
            }
        }

        return $pages;
    }

    /** @return array<int, Part|string> the rows of this page by their number, from 1; the name of one that is not there yet */
    public function rows(): array
    {
        if ($this->rows !== null) {
            return $this->rows;
        }
        $room = $this->from + $this->length >= $this->count ? self::ROOM : 0;
        $length = min($this->length, max(0, $this->count - $this->from)) + $room;
        $rows = [];
        foreach ($this->window($this->from, $length) as $at => $row) {
            $rows[$this->from + $at + 1] = $row;
        }
        $this->end = $this->from + count($rows);
        for ($more = 1; count($rows) < $length; $more++) {
            $rows[$this->from + count($rows) + 1] = "new{$more}";
        }

        return $this->rows = $rows;
    }

    public function field(Part|string $row, Part $column): ?string
    {
        return $this->written(is_string($row) ? null : $row, $column);
    }

    /** Whether some of what is shown has no field. */
    public function hasResults(): bool
    {
        foreach ($this->rows() as $row) {
            foreach ($this->columns as $column) {
                if ($this->field($row, $column) === null) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, mixed>|null */
    public function read(array $parts, string $added): ?array
    {
        $edits = ['cells' => [], 'placed' => [], 'at' => []];
        [$parent, $last] = $this->place();
        $new = $changed = [];
        foreach ($this->rows() as $number => $row) {
            $changed[$number] = $this->changed($parts, $row);
            if (is_string($row) && $changed[$number] !== []) {
                $new[$number] = new Part(MakeItem::partId(), $this->row, $parent === PartTree::ROOT ? 0 : 1, []);
            }
        }
        foreach ($this->rows() as $number => $row) {
            $of = is_string($row) ? $new[$number] ?? null : $row;
            $cells = [];
            foreach ($changed[$number] as [$column, $text]) {
                $cells[$column->id] = $of === null ? null : $this->value($text, $of, $column, array_values($new));
            }
            if ($of !== null && is_string($row)) {
                $edits['placed'][] = [$of->id, $this->row, $parent, $last, $cells];
                $edits['at'][$of->id] = $this->position($this->end);
            } elseif ($of !== null && $cells !== []) {
                $edits['cells'][$of->id] = $cells;
                $edits['at'][$of->id] = $this->position($number - 1);
            }
            $last = $of->id ?? $last;
        }

        return $edits['cells'] === [] && $edits['placed'] === [] ? null : array_filter($edits, fn (array $of) => $of !== []);
    }

    /**
     * The cells of a row that were written in.
     *
     * @param  array<mixed>  $parts
     * @return list<array{Part, string}>
     */
    protected function changed(array $parts, Part|string $row): array
    {
        $sent = $parts[is_string($row) ? $row : $row->id] ?? [];
        $changed = [];
        foreach (is_array($sent) && $sent !== [] ? $this->columns : [] as $column) {
            $text = $sent[$column->id] ?? null;
            $was = $this->field($row, $column);
            if (is_string($text) && $was !== null && str_replace("\r\n", "\n", $text) !== $was) {
                $changed[] = [$column, str_replace("\r\n", "\n", $text)];
            }
        }

        return $changed;
    }
}
