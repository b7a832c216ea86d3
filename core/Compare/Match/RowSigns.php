<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;

use function is_int;
use function is_string;

/** Texts by which rows of two tables are told apart, made of as few cells as will do. */
final class RowSigns
{
    /** One cell tells a row; so many where others have the same, and all of them where others have those as well. */
    private const MORE = 3;

    /** Which columns hold the most different values is seen in so many rows. */
    private const TRIED = 250;

    /** Between the cells of a row: a character that hardly any holds. */
    private const BETWEEN = "\x1f";

    /**
     * A text for each row, the same on both sides for rows that go together.
     *
     * @param  list<Part>  $oldRows
     * @param  list<Part>  $newRows
     * @param  array<string, string>  $columns  new => old
     * @return array{list<string>, list<string>} old and new
     */
    public static function of(array $oldRows, array $newRows, array $columns): array
    {
        $tried = [];
        for ($at = 0; $at < count($oldRows); $at += max(1, intdiv(count($oldRows), self::TRIED))) {
            $tried[] = $oldRows[$at];
        }
        $columns = self::telling($columns, count($columns), $tried);
        $old = self::texts($oldRows, array_slice(array_values($columns), 0, 1));
        $new = self::texts($newRows, array_slice(array_keys($columns), 0, 1));
        for ($held = 1; $held < count($columns); $held = $more) {
            $more = $held < self::MORE ? min(self::MORE, count($columns)) : count($columns);
            $unclear = array_flip([str_repeat(self::BETWEEN, $held - 1), ...self::repeated($old), ...self::repeated($new)]);
            $old = self::told($old, $unclear, $oldRows, array_slice(array_values($columns), 0, $more));
            $new = self::told($new, $unclear, $newRows, array_slice(array_keys($columns), 0, $more));
        }

        return [array_values($old), array_values($new)];
    }

    /**
     * @param  array<int, string>  $signs
     * @param  array<int|string, int>  $unclear  signs that are told anew, as keys
     * @param  list<Part>  $rows
     * @param  list<string>  $columns
     * @return array<int, string>
     */
    private static function told(array $signs, array $unclear, array $rows, array $columns): array
    {
        $again = [];
        foreach ($signs as $at => $sign) {
            if (isset($unclear[$sign])) {
                $again[$at] = $rows[$at];
            }
        }

        return array_replace($signs, self::texts($again, $columns));
    }

    /**
     * @param  array<int, Part>  $rows
     * @param  list<string>  $columns
     * @return array<int, string>
     */
    private static function texts(array $rows, array $columns): array
    {
        $texts = array_fill_keys(array_keys($rows), '');
        foreach ($columns as $place => $column) {
            foreach ($rows as $at => $row) {
                $value = $row->fields[$column] ?? '';
                $text = is_string($value) || is_int($value) ? (string) $value : (string) json_encode($value);
                $texts[$at] = $place === 0 ? $text : $texts[$at].self::BETWEEN.$text;
            }
        }

        return $texts;
    }

    /**
     * @param  array<int, string>  $signs
     * @return array<int, string> those that came before
     */
    private static function repeated(array $signs): array
    {
        return count(array_flip($signs)) === count($signs) ? [] : array_diff_key($signs, array_unique($signs));
    }

    /** Whether nothing stands in the cells that a sign is made of. */
    public static function isEmpty(string $sign): bool
    {
        return trim($sign, self::BETWEEN) === '';
    }

    /**
     * The columns that hold the most different values, the most telling first.
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

        $telling = [];
        foreach (array_slice($different, 0, $most, true) as $new => $unused) {
            $telling[$new] = $columns[$new];
        }

        return $telling;
    }

    /** A value of a cell as a key: the same for equal ones alone. */
    public static function ofCell(mixed $value): string
    {
        return is_string($value) ? '"'.$value : (string) json_encode($value);
    }
}
