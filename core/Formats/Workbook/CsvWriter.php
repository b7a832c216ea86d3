<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\TypedText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\NumberLook;

/** Rows as comma-separated values (RFC 4180). */
final readonly class CsvWriter
{
    /** @param bool $harmless puts an apostrophe before a text that a spreadsheet program would take for a formula */
    public function __construct(private string $separator = ',', private string $end = "\r\n", private bool $harmless = true) {}

    /** The first table of a tree. */
    public function write(PartTree $tree, Grid $grid): string
    {
        // A column may be behind rows.
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
        if (is_int($value)) {
            return (string) $value;
        }
        // Most cells begin with a letter or a digit, which does no harm.
        if (
            is_string($value)
            && $value !== ''
            && ctype_alnum($value[0])
            && strpbrk($value, "\"\r\n{$this->separator}") === false
            && ctype_graph($value[-1])
        ) {
            return $value;
        }
        $text = is_array($value) && Cell::isFormula($value) && ! $this->harmless ? '='.Cell::formula($value) : self::shown($value);
        if ($this->harmless && is_string(Cell::result($value)) && self::couldDoHarm($text)) {
            $text = "'".$text;
        }

        return preg_match('/["\r\n'.preg_quote($this->separator, '/').']|^\s|\s$/', $text) === 1
            ? '"'.str_replace('"', '""', $text).'"'
            : $text;
    }

    /** A text that no spreadsheet program takes for a formula. */
    public static function harmless(string $text): string
    {
        return self::couldDoHarm($text) ? "'{$text}" : $text;
    }

    /** Whether a spreadsheet program may take a text for a formula, or for one that was made harmless; a number below nothing is none. */
    public static function couldDoHarm(string $text): bool
    {
        return preg_match("/^'*[\\s\x{a0}\x{feff}\x{200b}\x{3000}]*[=+\\-@\t\r\x{ff1d}\x{ff0b}\x{ff0d}\x{ff20}]/u", mb_scrub($text)) === 1
            && preg_match('/^-\d[\d.,]*%?$/D', $text) !== 1;
    }

    /**
     * A number as its format shows it, where it is read from that as the same number with the same format: `12%`, `1.50`; else it is null.
     */
    private static function formatted(mixed $value): ?string
    {
        $format = NumberLook::format(Cell::look($value));
        $bare = Cell::bare($value);
        if ($format === '' || ! (is_int($bare) || is_float($bare))) {
            return null;
        }
        $shown = NumberLook::show($value);
        $read = TypedText::of($shown);

        return Cell::bare($read) === $bare && NumberLook::format(Cell::look($read)) === $format ? $shown : null;
    }

    /** What a formula gave has no more digits than it can be sure of. */
    private static function shown(mixed $value): string
    {
        $formatted = self::formatted($value);
        if ($formatted !== null) {
            return $formatted;
        }
        $result = Cell::result($value);

        return is_float($result) && Cell::isFormula($value) ? Cell::show((float) sprintf('%.15g', $result)) : Cell::show($value);
    }
}
