<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

/**
 * Functions that are worked out here, where the library's say something else than OpenFormula (ODF 1.3, part 4) or give a number of a part
 * of what they were given: wildcards in lookups (3.4, HOST-USE-WILDCARDS), conditions over blocks, texts in AVERAGEA, percents in VALUE.
 */
final class OwnFunctions
{
    /** That the library has not at all. */
    public const NAMES = ['FREQUENCY'];

    /** Where in their arguments the first range is whose criterion comes behind it. */
    private const CRITERIA = [
        'COUNTIF' => 0,
        'SUMIF' => 0,
        'AVERAGEIF' => 0,
        'COUNTIFS' => 0,
        'SUMIFS' => 1,
        'AVERAGEIFS' => 1,
        'MAXIFS' => 1,
        'MINIFS' => 1,
    ];

    /** The functions of databases, whose criteria are in cells. */
    private const DATABASE = [
        'DAVERAGE',
        'DCOUNT',
        'DCOUNTA',
        'DGET',
        'DMAX',
        'DMIN',
        'DPRODUCT',
        'DSTDEV',
        'DSTDEVP',
        'DSUM',
        'DVAR',
        'DVARP',
    ];

    /**
     * @param  list<mixed>  $arguments  as {@see Functions::call} has them
     * @return array{mixed}|null the result; null where the library's is right
     */
    public static function call(string $name, array $arguments): ?array
    {
        return match ($name) {
            'IF' => is_array($arguments[0] ?? null) && self::size($arguments[0]) > 1 ? [self::each($arguments)] : null,
            'VLOOKUP', 'HLOOKUP' => self::looked($name, $arguments),
            'AVERAGEA' => [self::average($arguments)],
            'FREQUENCY' => [self::frequency($arguments)],
            'VALUE' => self::value(Operators::single($arguments[0] ?? null)),
            'SEARCH', 'SEARCHB' => self::search(
                ...array_map(Operators::single(...), [$arguments[0] ?? null, $arguments[1] ?? null, $arguments[2] ?? 1]),
            ),
            default => in_array($name, self::DATABASE, true) && self::isHard($arguments[2] ?? null) ? ['#LIMIT!'] : null,
        };
    }

    /**
     * The arguments of a function without wildcards: a range that is looked through for a text with some is 1 where it fits and 0
     * elsewhere. The library goes back and back over the texts.
     *
     * @param  list<mixed>  $arguments
     * @return list<mixed>
     */
    public static function withoutWildcards(string $name, array $arguments): array
    {
        if ($name === 'MATCH' || $name === 'XLOOKUP') {
            $wanted = Operators::single($arguments[0] ?? null);
            $way = Operators::single($arguments[$name === 'MATCH' ? 2 : 4] ?? ($name === 'MATCH' ? 1 : 0));
            if (
                self::hasWildcards($wanted)
                && is_array($arguments[1] ?? null)
                && is_numeric($way)
                && (int) $way === ($name === 'MATCH' ? 0 : 2)
            ) {
                [$arguments[0], $arguments[1]] = [1, self::fitting($arguments[1], $wanted)];
                $arguments = $name === 'XLOOKUP' ? array_replace($arguments, [4 => 0]) : $arguments;
            }

            return array_values($arguments);
        }
        $own = $arguments[0] ?? null;
        foreach (isset(self::CRITERIA[$name]) ? range(self::CRITERIA[$name], count($arguments), 2) : [] as $at) {
            if (! array_key_exists($at + 1, $arguments)) {
                break;
            }
            $criterion = Operators::single($arguments[$at + 1]);
            if (
                is_array($arguments[$at])
                && self::hasWildcards($criterion)
                && preg_match('/^(<>|=)?((?![<>=]).*)$/Dsu', $criterion, $found) === 1
            ) {
                $arguments[$at] = self::fitting($arguments[$at], $found[2]);
                $arguments[$at + 1] = $found[1] === '<>' ? 0 : 1;
                if (in_array($name, ['SUMIF', 'AVERAGEIF'], true)) {
                    $arguments[2] ??= $own;
                }
            }
        }

        return array_values($arguments);
    }

    /** @phpstan-assert-if-true string $text */
    private static function hasWildcards(mixed $text): bool
    {
        return is_string($text) && strpbrk($text, '*?') !== false;
    }

    /** Whether some text of a block has more stars than the library can look for. */
    private static function isHard(mixed $block): bool
    {
        $hard = false;
        $block = [$block];
        array_walk_recursive($block, function (mixed $text) use (&$hard): void {
            $hard = $hard || (is_string($text) && substr_count($text, '*') > 2);
        });

        return $hard;
    }

    /**
     * @param  array<mixed>  $block
     * @return array<mixed> the same places: 1 where a text fits, else 0
     */
    private static function fitting(array $block, string $wanted): array
    {
        $pattern = self::whole($wanted);
        array_walk_recursive($block, function (mixed &$value) use ($pattern): void {
            $value = is_string($value) && ! Operators::isError($value) && preg_match($pattern, $value) === 1 ? 1 : 0;
        });

        return $block;
    }

    public static function size(mixed $block): int
    {
        $count = 0;
        foreach (is_array($block) ? $block : [$block] as $row) {
            $count += is_array($row) ? count($row) : 1;
        }

        return $count;
    }

    /**
     * A condition over a block chooses for each of its places.
     *
     * @param  list<mixed>  $arguments
     * @return array<mixed>
     */
    private static function each(array $arguments): array
    {
        [$conditions, $then, $else] = [$arguments[0], $arguments[1] ?? true, $arguments[2] ?? false];
        $at = function (mixed $block, int $row, int $column): mixed {
            if (! is_array($block)) {
                return $block;
            }
            $rows = array_values($block);
            $cells = $rows[count($rows) === 1 ? 0 : $row] ?? null;
            $cells = is_array($cells) ? array_values($cells) : [$cells];

            return $cells[count($cells) === 1 ? 0 : $column] ?? '#N/A';
        };
        $chosen = [];
        foreach (array_values(is_array($conditions) ? $conditions : []) as $row => $cells) {
            foreach (array_values(is_array($cells) ? $cells : [$cells]) as $column => $condition) {
                $chosen[$row][$column] = Operators::isError($condition)
                    ? $condition
                    : (is_string($condition)
                        ? '#VALUE!'
                        : $at((bool) $condition ? $then : $else, $row, $column));
            }
        }

        return $chosen;
    }

    /**
     * An exact lookup of a text with wildcards.
     *
     * @param  list<mixed>  $arguments
     * @return array{mixed}|null
     */
    private static function looked(string $name, array $arguments): ?array
    {
        $wanted = Operators::single($arguments[0] ?? null);
        $table = $arguments[1] ?? null;
        $near = count($arguments) < 4 ? true : Operators::single($arguments[3]);
        if (! is_string($wanted) || strpbrk($wanted, '*?') === false || ! is_array($table) || (bool) $near) {
            return null;
        }
        $rows = array_map(fn (mixed $row): array => array_values(is_array($row) ? $row : [$row]), array_values($table));
        if ($name === 'HLOOKUP') {
            $columns = [];
            foreach ($rows as $at => $row) {
                foreach ($row as $column => $value) {
                    $columns[$column][$at] = $value;
                }
            }
            $rows = $columns;
        }
        $index = Operators::single($arguments[2] ?? null);
        if (! is_numeric($index) || $index < 1) {
            return ['#VALUE!'];
        }
        $pattern = self::whole($wanted);
        foreach ($rows as $row) {
            if (is_string($row[0] ?? null) && preg_match($pattern, $row[0]) === 1) {
                return [array_key_exists((int) $index - 1, $row) ? $row[(int) $index - 1] ?? 0 : '#REF!'];
            }
        }

        return ['#N/A'];
    }

    /**
     * How many numbers are not above each bound, and above the one before; last, those above all bounds (6.18.32).
     *
     * @param  list<mixed>  $arguments
     * @return list<array{int}>|string
     */
    private static function frequency(array $arguments): array|string
    {
        if (count($arguments) !== 2) {
            return '#VALUE!';
        }
        $numbers = [[], []];
        $error = null;
        foreach ($arguments as $at => $block) {
            $block = [$block];
            array_walk_recursive($block, function (mixed $value) use (&$numbers, &$error, $at): void {
                if (is_int($value) || is_float($value)) {
                    $numbers[$at][] = $value;
                } elseif (Operators::isError($value)) {
                    $error ??= (string) (is_scalar($value) ? $value : '');
                }
            });
        }
        [$values, $bounds] = $numbers;
        sort($values);
        asort($bounds);
        $counts = array_fill(0, count($bounds) + 1, [0]);
        $at = 0;
        foreach ($bounds as $place => $bound) {
            for ($from = $at; $at < count($values) && $values[$at] <= $bound; $at++);
            $counts[$place] = [$at - $from];
        }
        $counts[count($bounds)] = [count($values) - $at];

        return $error ?? $counts;
    }

    /**
     * Texts count as nothing, booleans as one or nothing, empty cells not at all.
     *
     * @param  list<mixed>  $arguments
     */
    private static function average(array $arguments): int|float|string
    {
        $sum = $count = 0;
        $error = null;
        array_walk_recursive($arguments, function (mixed $value) use (&$sum, &$count, &$error): void {
            if (Operators::isError($value)) {
                $error ??= (string) (is_scalar($value) ? $value : '');
            } elseif ($value !== null) {
                $sum += is_int($value) || is_float($value) || is_bool($value) ? $value : 0;
                $count++;
            }
        });

        return $error ?? ($count === 0 ? '#DIV/0!' : $sum / $count);
    }

    /** @return array{float}|null */
    private static function value(mixed $text): ?array
    {
        return is_string($text) && preg_match('/^\s*(-?[\d,]*\.?\d+)\s*%\s*$/D', $text, $found) === 1
            ? [(float) str_replace(',', '', $found[1]) / 100]
            : null;
    }

    /** @return array{int|string}|null */
    private static function search(mixed $what, mixed $in, mixed $from): ?array
    {
        if (! is_string($what) || strpbrk($what, '*?') === false || ! is_scalar($in) || ! is_numeric($from)) {
            return null;
        }
        $rest = mb_substr((string) $in, max(0, (int) $from - 1));

        $pieces = self::pieces($what);
        $pattern = '~\A(?>(.*?)'.array_shift($pieces).')'.implode('', array_map(fn (string $piece) => "(?>.*?{$piece})", $pieces)).'~isu';

        return [preg_match($pattern, $rest, $found) === 1 ? max(1, (int) $from) + mb_strlen($found[1]) : '#VALUE!'];
    }

    /** A pattern for texts that are wholly what is looked for. */
    private static function whole(string $wanted): string
    {
        $pieces = self::pieces($wanted);
        $last = array_pop($pieces);

        return '~\A'
            .($pieces === [] ? '' : array_shift($pieces).implode('', array_map(fn (string $piece) => "(?>.*?{$piece})", $pieces)).'.*')
            ."{$last}\\z~isu";
    }

    /**
     * What is between the `*` of a text with wildcards, as patterns: `?` one sign, `~` before a wildcard the sign itself. The first place
     * where each follows the one before is the best for all that come after, so that no search ever has to go back.
     *
     * @return non-empty-list<string>
     */
    private static function pieces(string $text): array
    {
        $pieces = [''];
        preg_match_all('/~[*?~]|[*?]|[^*?~]+|~/u', $text, $found);
        foreach ($found[0] as $one) {
            if ($one === '*') {
                $pieces[] = '';
            } else {
                $pieces[count($pieces) - 1] .= $one === '?' ? '.' : preg_quote(strlen($one) === 2 && $one[0] === '~' ? $one[1] : $one, '~');
            }
        }

        return $pieces;
    }
}
