<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** The formats that a spreadsheet can be downloaded in; the value is the ending of the file. */
enum SheetFormat: string
{
    case Xlsx = 'xlsx';
    case Ods = 'ods';
    case Csv = 'csv';
    case Tsv = 'tsv';

    public function label(): string
    {
        return match ($this) {
            self::Xlsx => 'XLSX',
            self::Ods => 'ODS',
            self::Csv => 'CSV, one tab',
            self::Tsv => 'TSV, one tab',
        };
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Xlsx => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
            self::Ods => 'application/vnd.oasis.opendocument.spreadsheet',
            self::Csv => 'text/csv; charset=utf-8',
            self::Tsv => 'text/tab-separated-values; charset=utf-8',
        };
    }

    /**
     * How many cells a file of the format is made of at most: measured, an ODS of so many takes about fifteen seconds, and an XLSX about
     * 250 MB.
     */
    public function mostCells(): int
    {
        return match ($this) {
            self::Xlsx => 400_000,
            self::Ods => 150_000,
            self::Csv, self::Tsv => PHP_INT_MAX,
        };
    }

    /** Whether a file of the format holds a single table. */
    public function holdsOneTab(): bool
    {
        return $this === self::Csv || $this === self::Tsv;
    }

    /** The first tab without the empty columns on its right and the empty rows below. */
    private static function trimmed(PartTree $tree): PartTree
    {
        $tab = $tree->children()[PartTree::ROOT][0] ?? null;
        $parts = $tab === null ? [] : $tree->subtree($tab);
        $used = [];
        $last = 0;
        foreach ($parts as $at => $part) {
            foreach ($part->role === SpreadsheetRole::Row->value ? $part->fields : [] as $column => $value) {
                if (Cell::bare($value) !== null) {
                    $used[$column] = true;
                    $last = $at;
                }
            }
        }
        $columns = array_values(array_filter($parts, fn (Part $part) => $part->role === SpreadsheetRole::Column->value));
        for ($end = count($columns); $end > 0 && ! isset($used[$columns[$end - 1]->id]); $end--);
        $dropped = array_flip(array_map(fn (Part $part) => $part->id, array_slice($columns, $end)));

        return PartTree::of(
            array_values(
                array_filter(array_slice($parts, 0, max($last, count($columns)) + 1), fn (Part $part) => ! isset($dropped[$part->id])),
            ),
        );
    }

    /**
     * @param  string|null  $tab  which one, for a format that holds one; the first when it is null or not there
     * @param  (Closure(float): void)|null  $share  is told now and then how far writing has come, from 0 to 1; by formats that know
     * @param  array<string, array<string, CellNote>>  $notes  row => column => note, for formats that hold notes
     */
    public function write(PartTree $tree, ?string $tab = null, ?Closure $share = null, array $notes = []): string
    {
        if (! $this->holdsOneTab()) {
            return $this === self::Xlsx
                ? (new XlsxWriter($share))->write($tree, isKept: true, notes: $notes)
                : (new OdsWriter)->write(Spelling::spelled(TabNames::fitting($tree)), $notes);
        }
        $one = $tab !== null && $tree->has($tab) && $tree->parent($tab) === PartTree::ROOT ? PartTree::of($tree->subtree($tab)) : $tree;

        return (new CsvWriter($this === self::Tsv ? "\t" : ','))->write(self::trimmed($one), (new SpreadsheetKind)->grid());
    }
}
