<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;

/** Texts by which rows of two tables are told apart, made of as few cells as will do. */
final class RowSigns
{
    /** So many of the columns that hold the most different values. */
    private const CLUES = 3;

    /** Which columns those are is seen in so many rows. */
    private const TRIED = 250;

    /** Between the cells of a row: a character that hardly any holds. */
    private const BETWEEN = "\x1f";

    /**
     * A text for each row, the same on both sides for rows that go together: the cells that tell it apart, and all of them where others
     * have those as well.
     *
     * @param  list<Part>  $oldRows
     * @param  list<Part>  $newRows
     * @param  array<string, string>  $columns  new => old
     * @return array{list<string>, list<string>} old and new
     */
    public static function of(array $oldRows, array $newRows, array $columns): array
    {
        $every = max(1, intdiv(count($oldRows), self::TRIED));
        $clues = self::telling($columns, self::CLUES, array_filter($oldRows, fn (int $at) => $at % $every === 0, ARRAY_FILTER_USE_KEY));
        $old = self::texts($oldRows, array_values($clues));
        $new = self::texts($newRows, array_keys($clues));
        if (count($clues) === count($columns)) {
            return [$old, $new];
        }
        $shared = array_flip([str_repeat(self::BETWEEN, count($clues) - 1), ...self::repeated($old), ...self::repeated($new)]);

        return [self::told($old, $shared, $oldRows, array_values($columns)), self::told($new, $shared, $newRows, array_keys($columns))];
    }

    /**
     * @param  list<string>  $signs
     * @param  array<int|string, int>  $shared  signs of more than one row, as keys
     * @param  list<Part>  $rows
     * @param  list<string>  $columns
     * @return list<string>
     */
    private static function told(array $signs, array $shared, array $rows, array $columns): array
    {
        $unclear = [];
        foreach ($signs as $position => $sign) {
            if (isset($shared[$sign])) {
                $unclear[$position] = $rows[$position];
            }
        }

        return array_values(array_replace($signs, array_combine(array_keys($unclear), self::texts($unclear, $columns))));
    }

    /**
     * @param  list<string>  $signs
     * @return array<int, string> those that came before
     */
    private static function repeated(array $signs): array
    {
        return count(array_flip($signs)) === count($signs) ? [] : array_diff_key($signs, array_unique($signs));
    }

    /**
     * @param  array<int, Part>  $rows
     * @param  list<string>  $columns
     * @return list<string>
     */
    private static function texts(array $rows, array $columns): array
    {
        $texts = [];
        foreach (array_column($rows, 'fields') as $fields) {
            $values = [];
            foreach ($columns as $column) {
                $value = $fields[$column] ?? null;
                $values[] = $value === null ? '' : (is_scalar($value) ? (string) $value : (string) json_encode($value));
            }
            $texts[] = implode(self::BETWEEN, $values);
        }

        return $texts;
    }

    /** Whether nothing stands in the cells that a sign is made of. */
    public static function isEmpty(string $sign): bool
    {
        return trim($sign, self::BETWEEN) === '';
    }

    /**
     * The columns that hold the most different values: enough to find the rows that may go together.
     *
     * @param  array<string, string>  $columns
     * @param  array<int, Part>  $rows
     * @return array<string, string>
     */
    public static function telling(array $columns, int $most, array $rows): array
    {
        $different = [];
        foreach ($columns as $new => $old) {
            $values = [];
            foreach ($rows as $row) {
                if (isset($row->fields[$old])) {
                    $values[crc32(self::ofCell($row->fields[$old]))] = true;
                }
            }
            $different[$new] = count($values);
        }
        arsort($different);

        return array_intersect_key($columns, array_slice($different, 0, $most, true));
    }

    /** A value of a cell as a key: the same for equal ones alone. */
    public static function ofCell(mixed $value): string
    {
        return is_string($value) ? '"'.$value : (string) json_encode($value);
    }
}
