<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

/** What can be called in an expression. Each takes and gives plain values, and gives nothing for what it can not do. */
final class ExpressionFunctions
{
    /** Characters of a text. */
    private const MOST_TEXT = 32_767;

    /**
     * Types of the arguments, with `?` for one that may be left out, `*` for one that may come again, `any` for any type and
     * `same` for the type of the one before; then what it gives, `same` being the type of its last argument.
     */
    public const SIGNATURES = [
        'if' => [['boolean', 'any', 'same'], 'same'],
        'first' => [['any', 'same*'], 'same'],
        'empty' => [['any'], 'boolean'],
        'lower' => [['text'], 'text'], 'upper' => [['text'], 'text'], 'trim' => [['text'], 'text'],
        'length' => [['text'], 'number'],
        'left' => [['text', 'number'], 'text'], 'right' => [['text', 'number'], 'text'],
        'replace' => [['text', 'text', 'text'], 'text'],
        'text' => [['any'], 'text'],
        'number' => [['text'], 'number'],
        'round' => [['number', 'number?'], 'number'],
        'abs' => [['number'], 'number'],
        'floor' => [['number'], 'number'],
        'ceil' => [['number'], 'number'],
        'min' => [['number', 'number*'], 'number'],
        'max' => [['number', 'number*'], 'number'],
        'year' => [['date'], 'number'],
        'quarter' => [['date'], 'number'],
        'month' => [['date'], 'number'],
        'day' => [['date'], 'number'],
        'weekday' => [['date'], 'number'],
        'days' => [['date', 'date'], 'number'],
        'date' => [['number', 'number', 'number'], 'date'],
    ];

    /** @param list<bool|float|int|string|null> $given */
    public static function call(string $name, array $given): bool|float|int|string|null
    {
        if ($name === 'if') {
            return $given[0] === true ? $given[1] : $given[2];
        }
        if ($name === 'first') {
            foreach ($given as $value) {
                if ($value !== null && $value !== '') {
                    return $value;
                }
            }

            return null;
        }
        if ($name === 'empty') {
            return $given[0] === null || $given[0] === '';
        }
        if ($name === 'min' || $name === 'max') {
            $numbers = array_values(array_filter($given, fn (bool|float|int|string|null $value) => $value !== null));

            return $numbers === [] ? null : ($name === 'min' ? min($numbers) : max($numbers));
        }
        if (in_array(null, $given, true)) {
            return null;
        }

        return self::of($name, $given);
    }

    /** @param list<bool|float|int|string|null> $given none of them nothing */
    private static function of(string $name, array $given): float|int|string|null
    {
        [$one, $two, $three] = [...$given, null, null, null];

        return match ($name) {
            'lower' => mb_strtolower((string) $one), 'upper' => mb_strtoupper((string) $one), 'trim' => trim((string) $one),
            'length' => mb_strlen((string) $one),
            'left' => mb_substr((string) $one, 0, max(0, (int) $two)),
            'right' => (int) $two <= 0 ? '' : mb_substr((string) $one, -(int) $two),
            'replace' => self::replaced((string) $one, (string) $two, (string) $three),
            'text' => is_bool($one) ? ($one ? 'yes' : 'no') : (is_float($one) ? (string) json_encode($one) : (string) $one),
            'number' => is_numeric(trim((string) $one)) && is_finite((float) $one) ? trim((string) $one) + 0 : null,
            'round' => round((float) $one, max(-9, min(9, (int) $two))) + 0,
            'abs' => is_int($one) || is_float($one) ? abs($one) : null,
            'floor' => floor((float) $one),
            'ceil' => ceil((float) $one),
            'year' => (int) substr((string) $one, 0, 4),
            'month' => (int) substr((string) $one, 5, 2),
            'day' => (int) substr((string) $one, 8, 2),
            'quarter' => intdiv((int) substr((string) $one, 5, 2) + 2, 3),
            'weekday' => 1 + self::julian((string) $one) % 7,
            'days' => self::julian((string) $two) - self::julian((string) $one),
            'date' => checkdate((int) $two, (int) $three, (int) $one) && $one >= 1 && $one <= 9999
                ? sprintf('%04d-%02d-%02d', $one, $two, $three)
                : null,
            default => null,
        };
    }

    /** Julian day number of a Gregorian date (Fliegel and Van Flandern, 1968); a Monday is divisible by 7. */
    public static function julian(string $date): int
    {
        [$y, $m, $d] = [(int) substr($date, 0, 4), (int) substr($date, 5, 2), (int) substr($date, 8, 2)];
        $a = intdiv(14 - $m, 12);
        $y += 4800 - $a;
        $m += 12 * $a - 3;

        return $d + intdiv(153 * $m + 2, 5) + 365 * $y + intdiv($y, 4) - intdiv($y, 100) + intdiv($y, 400) - 32045;
    }

    /** No more is put in than what can be kept of it. */
    private static function replaced(string $text, string $what, string $with): string
    {
        if ($what === '') {
            return $text;
        }
        $growth = max(1, strlen($with) - strlen($what));
        $pieces = explode($what, $text, 2 + intdiv(4 * self::MOST_TEXT, $growth));
        $rest = count($pieces) > 1 && $growth > 1 ? array_pop($pieces) : null;
        $all = implode($with, $pieces)
        .($rest === null ? '' : $with.(strlen($with) <= strlen($what) ? str_replace($what, $with, $rest) : $rest));

        return mb_substr($all, 0, self::MOST_TEXT);
    }
}
