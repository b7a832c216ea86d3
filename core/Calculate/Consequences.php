<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;

/** What follows by itself when a state of an item becomes another: what kinds repair, ranges that follow, results again. */
final class Consequences
{
    /**
     * @param  PartTree  $before  the state whose results are right
     * @param  string  $today  ISO 8601
     * @param  PartTree  ...$origins  further states that formulas of the later one come from, as in a merge
     */
    public static function of(Kind $kind, PartTree $before, PartTree $after, string $today, PartTree ...$origins): PartTree
    {
        $after = $kind->repair($after, $before);
        if ($kind->grid()?->calculated !== true) {
            return $after;
        }
        foreach ([...$origins, $before] as $origin) {
            $after = Following::of($origin, $after);
        }

        return Recalculation::of($before, self::taken($before, $after), $today);
    }

    /** Without the results of formulas, which two sides have from different values: what is merged is what was written. */
    public static function withoutResults(Kind $kind, PartTree $tree): PartTree
    {
        return $kind->grid()?->calculated === true
            ? self::each($tree, null, fn (string|int|float|bool|array $value): string|int|float|bool|array => Cell::withResult($value, null))
            : $tree;
    }

    /** The results of formulas that have none, where the same formula stood before. */
    private static function taken(PartTree $before, PartTree $after): PartTree
    {
        return self::each($after, $before, function (string|int|float|bool|array $value, Part $row, string $column) use ($before) {
            $was = Cell::result($value) === null ? $before->find($row->id)->fields[$column] ?? null : null;

            return is_array($was) && Cell::formula($was) === Cell::formula($value)
                ? Cell::withResult($value, Cell::of(Cell::result($was)))
                : $value;
        });
    }

    /**
     * @param  PartTree|null  $same  what is the very same part there is left as it is
     * @param  \Closure(string|int|float|bool|list<string|int|float|bool>, Part, string): (string|int|float|bool|list<string|int|float|bool>) $other
     */
    private static function each(PartTree $tree, ?PartTree $same, \Closure $other): PartTree
    {
        $parts = $tree->parts;
        foreach ($parts as $position => $part) {
            if ($same !== null && $same->find($part->id) === $part) {
                continue;
            }
            $fields = [];
            foreach ($part->fields as $column => $value) {
                if (is_array($value) && Cell::formula($value) !== null && ($now = $other($value, $part, (string) $column)) !== $value) {
                    $fields[$column] = $now;
                }
            }
            if ($fields !== []) {
                $parts[$position] = new Part($part->id, $part->role, $part->depth, [...$part->fields, ...$fields]);
            }
        }

        return $parts === $tree->parts ? $tree : PartTree::of($parts);
    }
}
