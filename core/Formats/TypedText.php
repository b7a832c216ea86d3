<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\DayWriting;
use MistyAttic\Core\Kinds\Dataset\NumberWriting;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/**
 * Reads the texts of a plain table as what they look like, with a number format that writes them again as they are: `2.40`,
 * `1,234.50`, `12%`, `2026-05-03`, `TRUE`. `3.5.2026` is a day, and `2,40` a number where commas are before decimals in its column; both
 * are written as all others are from then on. What begins with a needless zero or has an exponent stays a text, since it is a code more
 * often than a number.
 *
 * @phpstan-import-type CellValue from Cell
 *
 * @phpstan-import-type FieldValue from Part
 */
final class TypedText
{
    /** @param string $hint the mark before decimals where a column does not tell */
    public static function in(PartTree $tree, string $hint = '.'): PartTree
    {
        $commas = self::commas($tree, $hint);
        $days = self::days($tree, $hint);

        return PartTree::of(array_map(fn (Part $part): Part => $part->role === SpreadsheetRole::Row->value
            ? new Part($part->id, $part->role, $part->depth, self::cells($part->fields, $commas, $days))
            : $part, $tree->parts));
    }

    /** Texts as they were before {@see CsvWriter} made them harmless, and otherwise as they are. */
    public static function plain(PartTree $tree): PartTree
    {
        return PartTree::of(
            array_map(
                fn (Part $part): Part => $part->role === SpreadsheetRole::Row->value
                    ? new Part(
                        $part->id,
                        $part->role,
                        $part->depth,
                        array_map(fn (mixed $value) => is_string($value) ? self::bare($value) : $value, $part->fields),
                    )
                    : $part,
                $tree->parts,
            ),
        );
    }

    private static function bare(string $text): string
    {
        return str_starts_with($text, "'") && CsvWriter::couldDoHarm(substr($text, 1)) ? substr($text, 1) : $text;
    }

    /**
     * @param  array<string, FieldValue>  $cells
     * @param  array<string, true>  $commas
     * @param  array<string, DayWriting>  $days
     * @return array<string, FieldValue>
     */
    private static function cells(array $cells, array $commas, array $days): array
    {
        foreach ($cells as $column => $value) {
            // Where commas are before decimals, `1,234` is not twelve hundred and thirty-four, and `1.234` is.
            if (isset($commas[$column])) {
                $cells[$column] = is_float($value) || is_string($value)
                    ? self::ofCommas(is_float($value) ? Cell::show($value) : $value, $days[$column] ?? null)
                    : $value;
            } elseif (is_string($value)) {
                $cells[$column] = self::bare($value) === $value ? self::of($value, $days[$column] ?? null) : self::bare($value);
            }
        }

        return $cells;
    }

    /** @return array<string, true> columns in which a comma is before decimals */
    private static function commas(PartTree $tree, string $hint): array
    {
        $texts = $some = [];
        foreach ($tree->parts as $part) {
            foreach ($part->role === SpreadsheetRole::Row->value ? $part->fields : [] as $column => $value) {
                if (is_float($value) || (is_string($value) && strlen($value) <= 24 && strpbrk($value, ',.') !== false)) {
                    $texts[$column][] = $value;
                    $some[$column] = ($some[$column] ?? $hint === ',') || (is_string($value) && str_contains($value, ','));
                }
            }
        }
        // Where no comma is, none is before decimals.
        $texts = array_map(
            fn (array $of) => array_map(fn (string|float $value) => is_float($value) ? Cell::show($value) : $value, $of),
            array_intersect_key($texts, array_filter($some)),
        );

        return array_fill_keys(
            array_keys(array_filter($texts, fn (array $texts) => NumberWriting::of($texts, $hint)->decimal === ',')),
            true,
        );
    }

    /** @return array<string, DayWriting> columns with days such as `3/5/2026` */
    private static function days(PartTree $tree, string $hint): array
    {
        $texts = [];
        foreach ($tree->parts as $part) {
            foreach ($part->role === SpreadsheetRole::Row->value ? $part->fields : [] as $column => $value) {
                if (is_string($value) && strlen($value) >= 8 && strlen($value) <= 24 && strpbrk($value[1].$value[2], '/-') !== false) {
                    $texts[$column][] = $value;
                }
            }
        }

        return array_map(fn (array $texts): DayWriting => DayWriting::of($texts, $hint === ',' ? 'day' : ''), $texts);
    }

    /** @return CellValue */
    private static function ofCommas(string $text, ?DayWriting $days): string|int|float|bool|array
    {
        $bare = self::bare($text);
        if ($bare !== $text) {
            return $bare;
        }
        $points = strtr((string) preg_replace('/(?<=\d)[ \x{a0}\x{202f}\'](?=\d{3})/u', '.', $text), ['.' => ',', ',' => '.']);
        $read = self::of($points);

        // What is none with its marks changed is what it was.
        return is_string($read) ? (preg_match('/^-?[\d.,]+%?$/D', $text) === 1 ? $text : self::of($text, $days)) : $read;
    }

    /** @return CellValue */
    public static function of(string $text, ?DayWriting $days = null): string|int|float|bool|array
    {
        if (strlen($text) > 24) {
            return $text;
        }
        if (preg_match('/^(-?(?:0|[1-9]\d{0,2}(?:,\d{3})+|[1-9]\d*))(?:\.(\d{1,10}))?(%?)$/D', $text, $found) === 1) {
            $digits = strlen(preg_replace('/\D/', '', $text) ?? '');
            // A double holds fifteen digits.
            if ($digits > 15) {
                return $text;
            }
            $decimals = strlen($found[2]);
            $number = (float) str_replace(',', '', $found[1].($decimals > 0 ? ".{$found[2]}" : ''));
            $format = (str_contains($found[1], ',') ? '#,##0' : '0').($decimals > 0 ? '.'.str_repeat('0', $decimals) : '').$found[3];
            $value = Cell::number($found[3] === '' ? $number : (float) sprintf('%.15g', $number / 100));

            return $format === '0' || json_encode($value) === $text ? $value : Cell::dressed($value, "|{$format}") ?? $text;
        }

        if ($text === 'TRUE' || $text === 'FALSE') {
            return $text === 'TRUE';
        }
        $day = ($days ?? new DayWriting)->read($text);

        return $day === null ? $text : ['d', $day];
    }
}
