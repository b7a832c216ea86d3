<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/**
 * A value in a table. A number, a text and a boolean are themselves; the others are lists that begin with a sign:
 * `["d", "2026-05-03"]` a date (ISO 8601, with a time behind T or without), `["!", "#DIV/0!"]` an error,
 * `["=", "SUM(A1:A3)", 6]` a formula with its result, of which only the sign of a date or error goes before
 * (`["=", "A1/0", "!", "#DIV/0!"]`); one that was not computed has no result. An empty cell is no value at all.
 *
 * How a cell looks goes before its value, which may be missing: `["*", "b|0.00", 6]`, `["*", "b", "=", "A1/0", "!", "#DIV/0!"]`,
 * `["*", "b"]`. A look is letters (b bold, i italic, l c r to the left, in the middle, to the right), and behind a bar the
 * number format (ECMA-376 part 1, 18.8.30).
 *
 * @phpstan-type CellValue string|int|float|bool|list<string|int|float|bool>
 */
final class Cell
{
    /** Characters that a text or a formula may have. */
    public const MOST = 32_767;

    public const LOOK = '/^b?i?[lcr]?(\\|.{1,60})?$/Du';

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
        if ($sign === '*') {
            $bare = self::bare($value);
            $look = $value[1] ?? null;
            if (! is_string($look) || preg_match(self::LOOK, $look) !== 1 || (is_array($bare) && $bare[0] === '*')) {
                return null;
            }
            $read = self::read($bare);

            return $read === null && count($value) > 2 ? null : self::dressed($read, $look);
        }
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

        return ($sign === 'd' && self::isDate($value[1])) || ($sign === '!' && preg_match('/^#[A-Z0-9\/?!]{2,12}$/D', $value[1]) === 1)
            ? [$sign, $value[1]]
            : null;
    }

    public static function number(int|float $number): int|float
    {
        return is_float($number) && $number === floor($number) && abs($number) < 2 ** 53 ? (int) $number : $number;
    }

    public static function isDate(string $text): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)(T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?)?$/D', $text, $found) === 1
            && checkdate((int) $found[2], (int) $found[3], max(1, (int) $found[1]));
    }

    /**
     * Without its look; null when that is all it has.
     *
     * @return ($value is CellValue ? CellValue|null : mixed)
     */
    public static function bare(mixed $value): mixed
    {
        if (! is_array($value) || ($value[0] ?? null) !== '*') {
            return $value;
        }
        $rest = array_slice($value, 2);

        return count($rest) > 1 ? $rest : ($rest[0] ?? null);
    }

    public static function look(mixed $value): string
    {
        return is_array($value) && ($value[0] ?? null) === '*' ? self::second($value) : '';
    }

    /**
     * @param  CellValue|null  $bare
     * @return CellValue|null null when there is neither a value nor a look
     */
    public static function dressed(string|int|float|bool|array|null $bare, string $look): string|int|float|bool|array|null
    {
        return $look === '' ? $bare : ['*', $look, ...($bare === null ? [] : (array) $bare)];
    }

    /**
     * What a date, an error, a formula or a look says behind its sign.
     *
     * @param  array<mixed>  $value
     */
    public static function second(array $value): string
    {
        return is_scalar($value[1] ?? null) ? (string) $value[1] : '';
    }

    /** What is behind the equals sign, if it is a formula. */
    public static function formula(mixed $value): ?string
    {
        $bare = self::bare($value);

        return is_array($bare) && ($bare[0] ?? null) === '=' ? self::second($bare) : null;
    }

    public static function isFormula(mixed $value): bool
    {
        return self::formula($value) !== null;
    }

    /**
     * A formula with another result, or with none.
     *
     * @param  CellValue  $value
     * @param  CellValue|null  $result
     * @return CellValue the value itself when it is no formula
     */
    public static function withResult(
        string|int|float|bool|array $value,
        string|int|float|bool|array|null $result,
    ): string|int|float|bool|array {
        $formula = self::formula($value);

        return $formula === null
            ? $value
            : self::dressed(['=', $formula, ...$result === null ? [] : (array) $result], self::look($value)) ?? $value;
    }

    /**
     * Another formula with the same result and look.
     *
     * @param  list<string|int|float|bool>  $value  a formula
     * @return list<string|int|float|bool>
     */
    public static function withFormula(array $value, string $formula): array
    {
        $at = self::look($value) === '' ? 1 : 3;

        return [...array_slice($value, 0, $at), $formula, ...array_slice($value, $at + 1)];
    }

    /** Whether two values were written alike: the result of a formula is not written. */
    public static function sameInput(mixed $one, mixed $two): bool
    {
        return $one === $two
            || (self::formula($one) !== null && self::formula($one) === self::formula($two) && self::look($one) === self::look($two));
    }

    /** What a cell holds, or what its formula gave: a scalar, `["d", …]` or `["!", …]`; null for nothing. */
    public static function result(mixed $value): mixed
    {
        $value = self::bare($value);
        if (! is_array($value) || $value[0] !== '=') {
            return $value;
        }
        $result = array_slice($value, 2);

        return count($result) > 1 ? $result : ($result[0] ?? null);
    }

    /**
     * A value as one that a cell may hold; null when it is none.
     *
     * @return CellValue|null
     */
    public static function of(mixed $value): string|int|float|bool|array|null
    {
        return match (true) {
            is_string($value), is_int($value), is_float($value), is_bool($value) => $value,
            is_array($value) => array_values(array_filter($value, is_scalar(...))),
            default => null,
        };
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
            is_array($result) => ($result[0] ?? null) === 'd' ? str_replace('T', ' ', self::second($result)) : self::second($result),
            default => is_scalar($result) ? (string) $result : '',
        };
    }

    /** @return array{int, bool} how many letters it has, and whether it is to the right, as numbers do */
    public static function fromAfar(mixed $value): array
    {
        return [mb_strlen(self::show($value)), in_array(self::type($value), [CellType::Number, CellType::Date], true)];
    }

    private static function fits(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && mb_strlen($text) <= self::MOST;
    }
}
