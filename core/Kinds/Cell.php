<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/**
 * A value in a table. A number, a text and a boolean are themselves; the others are lists that begin with a sign:
 * `["d", "2026-05-03"]` a date (ISO 8601, with a time behind T or without), `["!", "#DIV/0!"]` an error,
 * `["=", "SUM(A1:A3)", 6]` a formula with its result, of which only the sign of a date or error goes before
 * (`["=", "A1/0", "!", "#DIV/0!"]`); one that was not computed has no result. An empty cell is no value at all.
 *
 * @phpstan-type CellValue string|int|float|bool|list<string|int|float|bool>
 */
final class Cell
{
    /** Characters that a text or a formula may have. */
    public const MOST = 32_767;

    /** @return CellValue|null null when it is no value of a cell */
    public static function read(mixed $value): string|int|float|bool|array|null
    {
        if (is_int($value) || is_float($value)) {
            return is_finite($value) ? self::number($value) : null;
        }
        if (is_string($value)) {
            return $value !== '' && self::fits($value) ? $value : null;
        }
        if (! is_array($value) || ! array_is_list($value)) {
            return is_bool($value) ? $value : null;
        }
        $sign = $value[0] ?? null;
        if ($sign === '=' && isset($value[1]) && is_string($value[1]) && self::fits($value[1])) {
            $result = array_slice($value, 2);
            if ($result === [] || $result === ['']) {
                return ['=', $value[1], ...$result];
            }
            $read = count($result) === 1 && is_array($result[0]) ? null : self::read(count($result) === 1 ? $result[0] : $result);

            return $read === null ? null : ['=', $value[1], ...(array) $read];
        }
        if (count($value) !== 2 || ! is_string($value[1])) {
            return null;
        }

        return ($sign === 'd' && self::isDate($value[1])) || ($sign === '!' && preg_match('/^#[A-Z0-9\/?!]{2,12}$/D', $value[1]) === 1) ? [$sign, $value[1]] : null;
    }

    public static function number(int|float $number): int|float
    {
        return is_float($number) && $number === floor($number) && abs($number) < 2 ** 53 ? (int) $number : $number;
    }

    public static function isDate(string $text): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)(T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?)?$/D', $text, $found) === 1 && checkdate((int) $found[2], (int) $found[3], max(1, (int) $found[1]));
    }

    public static function isFormula(mixed $value): bool
    {
        return is_array($value) && ($value[0] ?? null) === '=';
    }

    /** What a cell holds, or what its formula gave: a scalar, `["d", …]` or `["!", …]`; null for nothing. */
    public static function result(mixed $value): mixed
    {
        if (! self::isFormula($value)) {
            return $value;
        }
        $result = array_slice($value, 2);

        return count($result) > 1 ? $result : ($result[0] ?? null);
    }

    public static function type(mixed $value): CellType
    {
        $result = self::result($value);

        return match (true) {
            $result === null, $result === '' => CellType::Nothing,
            is_int($result), is_float($result) => CellType::Number,
            is_bool($result) => CellType::Boolean,
            is_array($result) => $result[0] === 'd' ? CellType::Date : CellType::Error,
            default => CellType::Text,
        };
    }

    /** The value as a person reads it, without any format. */
    public static function show(mixed $value): string
    {
        $result = self::result($value);

        return match (true) {
            $result === null => '',
            is_bool($result) => $result ? 'TRUE' : 'FALSE',
            is_float($result) => (string) json_encode($result),
            is_array($result) => str_replace('T', ' ', (string) $result[1]),
            default => is_scalar($result) ? (string) $result : '',
        };
    }

    private static function fits(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && mb_strlen($text) <= self::MOST;
    }
}
