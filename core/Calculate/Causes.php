<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\PartTree;

/** Finds the edits that a formula's result moved by: what it reads, and what that reads. O(cells) at most. */
final class Causes
{
    /** Told by name; more are only counted by who asks. */
    public const MOST = 50;

    /**
     * @param  list<string>  $edited  cells, as row/column, that somebody edited
     * @return list<string> those of them that lie behind the cell, in the order of the sheet
     */
    public static function of(PartTree $tree, string $cell, array $edited): array
    {
        $sheets = new Sheets($tree, PHP_INT_MAX);
        $wanted = [];
        foreach ($edited as $key) {
            [$row, $column] = explode('/', $key);
            $at = $sheets->places->of($row);
            if ($at !== null) {
                $wanted[$at[0]][$sheets->places->position($column)][$at[1]] = $key;
            }
        }
        $found = $seen = [];
        $open = [$cell];
        while ($open !== []) {
            $key = (string) array_pop($open);
            $node = $sheets->formulas[$key] ?? null;
            if ($node === null || isset($seen[$key])) {
                continue;
            }
            $seen[$key] = true;
            foreach ($node->references as $reference) {
                $rectangle = $sheets->rectangle($reference->from($node->row));
                if ($rectangle === null) {
                    continue;
                }
                [$tab, $top, $bottom, $from, $to] = $rectangle;
                for ($column = $from; $column <= $to; $column++) {
                    $id = $sheets->places->columns[$tab][$column];
                    foreach ($wanted[$tab][$column] ?? [] as $row => $known) {
                        if ($row >= $top && $row <= $bottom) {
                            $found[$known] = true;
                        }
                    }
                    for ($row = $top; $row <= $bottom; $row++) {
                        $read = $sheets->places->rows[$tab][$row].'/'.$id;
                        if (isset($sheets->formulas[$read]) && ! isset($seen[$read])) {
                            $open[] = $read;
                        }
                    }
                }
            }
        }

        return array_values(array_filter($edited, fn (string $key) => isset($found[$key])));
    }
}
