<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

/** What the signs of a formula do to values, and to blocks of values one by one. An error as text (`#DIV/0!`) goes through. */
final class Operators
{
    /** Values that a block may have that comes of two. */
    private const MOST = 500_000;

    public static function isError(mixed $value): bool
    {
        return is_string($value) && $value !== '' && $value[0] === '#' && preg_match('/^#[A-Z0-9\/?!]{2,12}$/D', $value) === 1;
    }

    public static function binary(string $sign, mixed $left, mixed $right): mixed
    {
        if (! is_array($left) && ! is_array($right)) {
            return self::scalar($sign, $left, $right);
        }
        // Block with block by position; a single value, row or column goes with all of the other.
        [$left, $right] = [self::block($left), self::block($right)];
        $height = max(count($left), count($right));
        $width = max(count($left[0] ?? []), count($right[0] ?? []));
        if ($height * $width > self::MOST) {
            return '#LIMIT!';
        }
        $result = [];
        for ($row = 0; $row < $height; $row++) {
            for ($column = 0; $column < $width; $column++) {
                $result[$row][$column] = self::scalar($sign, self::at($left, $row, $column), self::at($right, $row, $column));
            }
        }

        return $result;
    }

    public static function unary(string $sign, mixed $value): mixed
    {
        if (is_array($value)) {
            return array_map(fn (mixed $inner): mixed => self::unary($sign, $inner), $value);
        }

        return $sign === '~' ? self::scalar('*', $value, -1) : self::scalar('/', $value, 100);
    }

    /** Of a block the value at its top left. */
    public static function single(mixed $value): mixed
    {
        while (is_array($value)) {
            $value = $value === [] ? null : reset($value);
        }

        return $value;
    }

    private static function scalar(string $sign, mixed $left, mixed $right): mixed
    {
        if (self::isError($left) || self::isError($right)) {
            return self::isError($left) ? $left : $right;
        }
        if ($sign === '&') {
            return self::text($left).self::text($right);
        }
        if (in_array($sign, ['=', '<>', '<', '>', '<=', '>='], true)) {
            return self::compared($sign, self::order($left, $right));
        }
        [$one, $two] = [self::number($left), self::number($right)];
        if ($one === null || $two === null) {
            return '#VALUE!';
        }
        $result = match ($sign) {
            '+' => $one + $two,
            '-' => $one - $two,
            '*' => $one * $two,
            '/' => $two == 0 ? '#DIV/0!' : $one / $two,
            '^' => $one == 0 && $two <= 0 ? ($two == 0 ? '#NUM!' : '#DIV/0!') : $one ** $two,
            default => '#VALUE!',
        };

        return is_float($result) && ! is_finite($result) ? '#NUM!' : $result;
    }

    private static function number(mixed $value): int|float|null
    {
        return match (true) {
            $value === null => 0,
            is_bool($value) => (int) $value,
            is_int($value), is_float($value) => $value,
            is_string($value) && is_numeric(trim($value)) => trim($value) + 0,
            default => null,
        };
    }

    private static function text(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'TRUE' : 'FALSE',
            is_float($value) => (string) json_encode($value == floor($value) && abs($value) < 1e15 ? (int) $value : $value),
            is_scalar($value) => (string) $value,
            default => '',
        };
    }

    /** Numbers come before texts, texts before TRUE and FALSE; texts without regard to case; nothing is as the other's nothing. */
    private static function order(mixed $left, mixed $right): int
    {
        $left ??= is_string($right) ? '' : (is_bool($right) ? false : 0);
        $right ??= is_string($left) ? '' : (is_bool($left) ? false : 0);
        $rank = fn (mixed $value): int => is_bool($value) ? 2 : (is_string($value) ? 1 : 0);
        if ($rank($left) !== $rank($right)) {
            return $rank($left) <=> $rank($right);
        }

        return is_string($left) && is_string($right) ? strcmp(mb_strtolower($left), mb_strtolower($right)) : $left <=> $right;
    }

    private static function compared(string $sign, int $order): bool
    {
        return match ($sign) {
            '=' => $order === 0,
            '<>' => $order !== 0,
            '<' => $order < 0,
            '>' => $order > 0,
            '<=' => $order <= 0,
            default => $order >= 0,
        };
    }

    /** @return list<list<mixed>> */
    private static function block(mixed $value): array
    {
        return is_array($value)
            ? array_map(fn (mixed $row): array => is_array($row) ? array_values($row) : [$row], array_values($value))
            : [[$value]];
    }

    /** @param list<list<mixed>> $block */
    private static function at(array $block, int $row, int $column): mixed
    {
        $line = $block[count($block) === 1 ? 0 : $row] ?? null;

        return $line === null
            ? '#N/A'
            : (array_key_exists($column, $line) || count($line) === 1
                ? $line[count($line) === 1 ? 0 : $column]
                : '#N/A');
    }
}
