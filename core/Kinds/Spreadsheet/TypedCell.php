<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Spreadsheet;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\DayWriting;
use MistyAttic\Core\Kinds\Dataset\NumberWriting;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\NumberLook;

/**
 * A cell as a text that somebody edits, and the value of what they typed: as resources/js/kinds/spreadsheet/values.js has it (`editable`,
 * `typed`), where there is no script: tests/cases/typing.json.
 *
 * @phpstan-import-type CellValue from Cell
 */
final class TypedCell
{
    private const NUMBER = '/^[+-]?[\d.,\'\x{a0}\x{202f} ]*\d(?:e[+-]?\d+)?\s?%?$/iDu';

    /** What is put in a field to be edited; of a formula, what it comes to. */
    public static function editable(mixed $value): string
    {
        $bare = Cell::isFormula($value) ? Cell::result($value) : Cell::bare($value);

        return match (true) {
            // A text that would be read as something else comes with its apostrophe.
            is_string($bare) && self::read($bare) !== $bare => "'{$bare}",
            default => Cell::show($bare),
        };
    }

    /**
     * What was typed, without a look.
     *
     * @return CellValue|null null for an empty cell
     */
    public static function read(string $text): string|int|float|bool|array|null
    {
        $plain = trim($text);
        $number = preg_match(self::NUMBER, $plain) === 1 ? NumberWriting::typed($plain) : null;

        return match (true) {
            $text === '', $text === "'" => null,
            $text[0] === "'" => substr($text, 1),
            $number !== null => str_ends_with($plain, '%') ? Cell::number((float) sprintf('%.15g', $number['number'])) : $number['number'],
            strcasecmp($plain, 'true') === 0 => true,
            strcasecmp($plain, 'false') === 0 => false,
            default => self::day($plain) ?? $text,
        };
    }

    /**
     * What was typed in a cell, with the look that it has there.
     *
     * @return CellValue|null null for an empty cell
     */
    public static function in(string $text, Part $row, Part $column, CellPlaces $places): string|int|float|bool|array|null
    {
        $look = Cell::look($row->fields[$column->id] ?? null);
        if ($text !== '' && $text[0] === '=' && strlen($text) > 1) {
            return Cell::dressed(['=', Formula::keep(substr($text, 1), $row->id, $places)], $look);
        }
        $value = self::read($text);
        if (
            (is_int($value) || is_float($value))
            && str_ends_with(trim($text), '%')
            && NumberLook::format($look) === ''
            && NumberLook::format($column->string('format')) === ''
        ) {
            $look = explode('|', $look)[0].(preg_match('/\d[.,]\d+\s?%$/D', trim($text)) === 1 ? '|0.0%' : '|0%');
        }

        return $value === null && $look === '' ? null : Cell::dressed($value, $look);
    }

    /** @return array{string, string}|null */
    private static function day(string $text): ?array
    {
        $day = (new DayWriting)->read($text);

        return $day === null ? null : ['d', $day];
    }
}
