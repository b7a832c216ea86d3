<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;

use function is_int;
use function is_numeric;
use function is_string;

/** By what rows of two tables are told apart, made of as few cells as will do. */
final class RowSigns
{
    /** One cell tells a row; so many where others have the same, and all of them where others have those as well. */
    private const MORE = 2;

    /** Which columns hold the most different values is seen in so many rows. */
    private const TRIED = 250;

    /** Between the cells of a row: a character that hardly any holds. */
    private const BETWEEN = "\x1f";

    /**
     * A sign for each row, the same on both sides for rows that go together.
     *
     * @param  list<Part>  $oldRows
     * @param  list<Part>  $newRows
     * @param  array<string, string>  $columns  new => old
     * @return array{list<int|string>, list<int|string>} old and new
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
            [$oldLast, $newLast] = [array_flip($oldTold), array_flip($newTold)];
            [$oldDoubles, $newDoubles] = [array_diff_key($oldTold, array_flip($oldLast)), array_diff_key($newTold, array_flip($newLast))];
            $unclear = [str_repeat(self::BETWEEN, $held - 1) => 0] + array_flip($oldDoubles) + array_flip($newDoubles);
            $oldTold = self::ofMore(
                $oldRows,
                [...array_keys($oldDoubles), ...self::positions($unclear, $oldLast)],
                array_slice(array_values($columns), 0, $more),
            );
            $newTold = self::ofMore(
                $newRows,
                [...array_keys($newDoubles), ...self::positions($unclear, $newLast)],
                array_slice(array_keys($columns), 0, $more),
            );
            $old = array_replace($old, $oldTold);
            $new = array_replace($new, $newTold);
        }

        return [array_values($old), array_values($new)];
    }

    /**
     * The few first: array_intersect_key would go through the many.
     *
     * @param  array<int|string, int>  $few
     * @param  array<int|string, int>  $many
     * @return list<int> what the many hold under the keys of the few
     */
    private static function positions(array $few, array $many): array
    {
        $positions = [];
        foreach ($few as $key => $unused) {
            if (isset($many[$key])) {
                $positions[] = $many[$key];
            }
        }

        return $positions;
    }

    /**
     * Numbers are kept as such, and texts that an array would take for one as a key are numbers here as well: equal are the same signs
     * that are equal as keys.
     *
     * @param  list<Part>  $rows
     * @return list<int|string>
     */
    private static function ofOne(array $rows, string $column): array
    {
        $signs = [];
        foreach ($rows as $row) {
            $value = $row->fields[$column] ?? '';
            if (! is_int($value)) {
                $value = is_string($value) ? $value : (string) json_encode($value);
                if (is_numeric($value) && (string) (int) $value === $value) {
                    $value = (int) $value;
                }
            }
            $signs[] = $value;
        }

        return $signs;
    }

    /**
     * @param  list<Part>  $rows
     * @param  list<int>  $unclear  positions
     * @param  list<string>  $columns
     * @return array<int, string> by position
     */
    private static function ofMore(array $rows, array $unclear, array $columns): array
    {
        $signs = [];
        foreach ($unclear as $at) {
            $fields = $rows[$at]->fields;
            $texts = [];
            foreach ($columns as $column) {
                $value = $fields[$column] ?? '';
                $texts[] = is_string($value) || is_int($value) ? $value : json_encode($value);
            }
            $signs[$at] = implode(self::BETWEEN, $texts);
        }

        return $signs;
    }

    /** Whether nothing is in the cells that a sign is made of. */
    public static function isEmpty(int|string $sign): bool
    {
        return trim((string) $sign, self::BETWEEN) === '';
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
                $value = $row->fields[$old] ?? null;
                if ($value !== null) {
                    $values[is_int($value) ? $value : self::ofCell($value)] = true;
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
        return is_string($value) ? '"'.$value : (is_int($value) ? (string) $value : (string) json_encode($value));
    }
}
