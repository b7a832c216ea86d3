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
        $old = $oldTold = self::ofOne($oldRows, (string) reset($columns));
        $new = $newTold = self::ofOne($newRows, (string) key($columns));
        for ($held = 1; $held < count($columns); $held = $more) {
            $more = $held < self::MORE ? min(self::MORE, count($columns)) : count($columns);
            $empty = str_repeat(self::BETWEEN, $held - 1);
            $unclear = self::repeated($oldTold, $empty) + self::repeated($newTold, $empty);
            if ($unclear === []) {
                break;
            }
            $oldTold = self::ofMore($oldTold, $unclear, $oldRows, array_slice(array_values($columns), 0, $more));
            $newTold = self::ofMore($newTold, $unclear, $newRows, array_slice(array_keys($columns), 0, $more));
            $old = array_replace($old, $oldTold);
            $new = array_replace($new, $newTold);
        }

        return [array_values($old), array_values($new)];
    }

    /**
     * @param  list<Part>  $rows
     * @return list<string>
     */
    private static function ofOne(array $rows, string $column): array
    {
        $signs = [];
        foreach ($rows as $row) {
            $value = $row->fields[$column] ?? '';
            $signs[] = is_string($value) || is_int($value) ? (string) $value : (string) json_encode($value);
        }

        return $signs;
    }

    /**
     * @param  array<int, string>  $signs
     * @param  array<int|string, int>  $unclear  signs, as keys
     * @param  list<Part>  $rows
     * @param  list<string>  $columns
     * @return array<int, string> the rows with one of those, told by more cells
     */
    private static function ofMore(array $signs, array $unclear, array $rows, array $columns): array
    {
        $told = [];
        foreach ($signs as $at => $sign) {
            if (isset($unclear[$sign])) {
                $fields = $rows[$at]->fields;
                $texts = [];
                foreach ($columns as $column) {
                    $value = $fields[$column] ?? '';
                    $texts[] = is_string($value) || is_int($value) ? $value : json_encode($value);
                }
                $told[$at] = implode(self::BETWEEN, $texts);
            }
        }

        return $told;
    }

    /**
     * @param  array<int, string>  $signs
     * @return array<int|string, int> as keys, those that several rows have, and that of rows in which nothing is written
     */
    private static function repeated(array $signs, string $empty): array
    {
        $last = array_flip($signs);
        $repeated = count($last) === count($signs) ? [] : array_flip(array_diff_key($signs, array_flip($last)));

        return $repeated + array_intersect_key([$empty => 0], $last);
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
