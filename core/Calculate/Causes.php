<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Formulas\Reference;

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
            if (isset($seen[$key])) {
                continue;
            }
            $seen[$key] = true;
            foreach (self::rectangles($sheets, $key) as [$tab, $top, $bottom, $from, $to]) {
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

    /**
     * @return list<array{string, int, int, int, int}> what a formula reads: tab, rows and columns from and to; nothing for a cell without
     *     one
     */
    private static function rectangles(Sheets $sheets, string $cell): array
    {
        $node = $sheets->formulas[$cell] ?? null;

        return $node === null
            ? []
            : array_values(
                array_filter(
                    array_map(fn (Reference $reference): ?array => $sheets->rectangle($reference->from($node->row)), $node->references),
                ),
            );
    }
}
