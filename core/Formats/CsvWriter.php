<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;

/** Rows as comma-separated values (RFC 4180). */
final readonly class CsvWriter
{
    /** @param bool $harmless puts an apostrophe before a text that a spreadsheet program would take for a formula */
    public function __construct(private string $separator = ',', private string $end = "\r\n", private bool $harmless = true) {}

    /** The first table of a tree. */
    public function write(PartTree $tree, Grid $grid): string
    {
        // A column may stand behind rows.
        $columns = $rows = [];
        foreach ($tree->parts as $part) {
            if ($part->role === $grid->column) {
                $columns[] = $part->id;
            } elseif ($part->role === $grid->row) {
                $rows[] = $part;
            } elseif ($columns !== []) {
                break;
            }
        }

        return implode('', array_map(fn (Part $row) => $this->row($row, $columns), $rows));
    }

    /** @param list<string> $columns */
    public function row(Part $row, array $columns): string
    {
        return implode($this->separator, array_map(fn (string $column) => $this->cell($row->fields[$column] ?? null), $columns)).$this->end;
    }

    private function cell(mixed $value): string
    {
        $text = is_array($value) && Cell::isFormula($value) && ! $this->harmless ? '='.$value[1] : Cell::show($value);
        if ($this->harmless && is_string(Cell::result($value)) && preg_match('/^[\s\x{a0}\x{feff}\x{200b}\x{3000}]*[=+\-@\t\r\x{ff1d}\x{ff0b}\x{ff0d}\x{ff20}]/u', mb_scrub($text)) === 1) {
            $text = "'".$text;
        }

        return preg_match('/["\r\n'.preg_quote($this->separator, '/').']|^\s|\s$/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
