<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Formulas\Reference;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;
use PhpOffice\PhpSpreadsheet\Shared\Date;

/** The cells of a spreadsheet as formulas see them: numbers (a day is its number), texts, TRUE and FALSE, errors as texts. */
final class Sheets
{
    /** Blocks that are kept for the next formula that reads them. */
    private const BLOCKS = 8;

    public readonly CellPlaces $places;

    /** @var array<string, array<string, mixed>> row => column => value as it is kept */
    private array $rows = [];

    /** @var array<string, Node> row/column => formula */
    public array $formulas = [];

    /** Steps that a calculation may still take. */
    private int $left;

    /**
     * @var array<string, array{string, array{array<int, array<string, mixed>>, bool}}> rectangle => its state, and its cells; the latest
     *     few
     */
    private array $blocks = [];

    /** @var array<string, int> column => how often a result was put into it */
    private array $settled = [];

    public function __construct(PartTree $tree, int $most)
    {
        $this->places = new CellPlaces($tree);
        $this->left = $most;
        $templates = [];
        foreach ($tree->parts as $part) {
            if ($part->role !== SpreadsheetRole::Row->value) {
                continue;
            }
            $this->rows[$part->id] = $part->fields;
            foreach ($part->fields as $column => $value) {
                if (is_array($value) && ($formula = Cell::formula($value)) !== null) {
                    // A formula down a column is the same text in every row.
                    [$template, $references] = $templates[$formula] ??= Formula::template($formula);
                    $this->formulas["{$part->id}/{$column}"] = new Node($part->id, (string) $column, $template, $references, $value);
                }
            }
        }
    }

    /** @param string|int|float|bool|list<string|int|float|bool>|null $result */
    public function settle(string $row, string $column, string|int|float|bool|array|null $result): void
    {
        $value = $this->rows[$row][$column];
        if (is_string($value) || is_int($value) || is_float($value) || is_bool($value) || is_array($value)) {
            /** @var string|int|float|bool|list<string|int|float|bool> $value */
            $this->rows[$row][$column] = Cell::withResult($value, $result);
            $this->settled[$column] = ($this->settled[$column] ?? 0) + 1;
        }
    }

    public function kept(string $row, string $column): mixed
    {
        return $this->rows[$row][$column] ?? null;
    }

    public function value(string $row, string $column): mixed
    {
        $result = Cell::result($this->rows[$row][$column] ?? null);
        if (! is_array($result)) {
            return $result;
        }

        return $result[0] === 'd' ? self::number(Cell::second($result)) : Cell::second($result);
    }

    public function isDay(string $row, string $column): bool
    {
        $result = Cell::result($this->rows[$row][$column] ?? null);

        return is_array($result) && $result[0] === 'd';
    }

    /**
     * The rectangle that a reference stands for.
     *
     * @return array{string, int, int, int, int}|null tab, rows from and to, columns from and to (all inclusive); null when some of it is
     *     gone
     */
    public function rectangle(Reference $reference): ?array
    {
        $tab = null;
        $ends = [];
        foreach ([$reference->row, $reference->lastRow, $reference->column, $reference->lastColumn] as $id) {
            if ($id === null) {
                $ends[] = null;

                continue;
            }
            $place = $this->places->of($id);
            if ($place === null || ($tab !== null && $tab !== $place[0])) {
                return null;
            }
            [$tab, $ends[]] = $place;
        }
        if ($tab === null) {
            return null;
        }
        [$top, $bottom, $from, $to] = $ends;
        if ($top === null || $bottom === null) {
            [$top, $bottom] = [0, count($this->places->rows[$tab]) - 1];
        }
        if ($from === null || $to === null) {
            [$from, $to] = [0, count($this->places->columns[$tab]) - 1];
        }

        return [$tab, min($top, $bottom), max($top, $bottom), min($from, $to), max($from, $to)];
    }

    /**
     * @param  array{string, int, int, int, int}  $rectangle
     * @return array{array<int, array<string, mixed>>, bool} by row number (from 1) and letters of the column; and whether all its numbers
     *     are days
     *
     * @throws TooMuch
     */
    public function block(array $rectangle): array
    {
        [$tab, $top, $bottom, $from, $to] = $rectangle;
        [$key, $state] = [implode(' ', $rectangle), $this->state($rectangle)];
        if (($this->blocks[$key][0] ?? null) === $state) {
            return $this->blocks[$key][1];
        }
        $this->spend(($bottom - $top + 1) * ($to - $from + 1));
        $letters = [];
        for ($column = $from; $column <= $to; $column++) {
            $letters[CellPlaces::letters($column)] = $this->places->columns[$tab][$column];
        }
        $block = [];
        $days = $numbers = 0;
        for ($row = $top; $row <= $bottom; $row++) {
            $id = $this->places->rows[$tab][$row];
            $cells = $this->rows[$id] ?? [];
            $line = [];
            foreach ($letters as $letter => $column) {
                $value = $cells[$column] ?? null;
                if (is_array($value)) {
                    $value = Cell::result($value);
                    if (is_array($value)) {
                        $days += $value[0] === 'd' ? 1 : 0;
                        $value = $value[0] === 'd' ? self::number(Cell::second($value)) : Cell::second($value);
                    }
                }
                $numbers += is_int($value) || is_float($value) ? 1 : 0;
                $line[$letter] = $value;
            }
            $block[$row + 1] = $line;
        }

        if (count($this->blocks) >= self::BLOCKS) {
            unset($this->blocks[array_key_first($this->blocks)]);
        }

        return ($this->blocks[$key] = [$state, [$block, $days > 0 && $days === $numbers]])[1];
    }

    /**
     * How a rectangle is: another text as soon as a result in its columns is another.
     *
     * @param  array{string, int, int, int, int}  $rectangle
     */
    public function state(array $rectangle): string
    {
        [$tab, , , $from, $to] = $rectangle;
        $settled = 0;
        for ($column = $from; $column <= $to; $column++) {
            $settled += $this->settled[$this->places->columns[$tab][$column]] ?? 0;
        }

        return implode(' ', $rectangle)." {$settled}";
    }

    /** @throws TooMuch */
    public function spend(int $steps): void
    {
        $this->left -= $steps;
        if ($this->left < 0) {
            throw new TooMuch;
        }
    }

    /** The number of a day (1 is 1 January 1900), with the time as its fraction. */
    public static function number(string $day): int|float
    {
        $number = Date::stringToExcel(str_replace('T', ' ', $day));

        return $number === false ? 0 : Cell::number($number);
    }
}
