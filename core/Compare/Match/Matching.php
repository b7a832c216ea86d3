<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Grid;

/**
 * Finds which parts of two states go together though they share no ids, and gives the later one the ids of the earlier.
 * Tables are matched by columns, then rows ({@see TableMatching}); everything else by equal content, then by likeness
 * ({@see TreeMatching}).
 */
final class Matching
{
    /** Steps of looking for what is alike; a step is one word or one shared cell looked at. */
    public const BUDGET = 5_000_000;

    public static function adopt(PartTree $old, PartTree $new, ?Grid $grid = null, int $budget = self::BUDGET): Matched
    {
        if ($grid === null) {
            $matching = new TreeMatching($old, $new, $budget);

            return new Matched(self::renamed($old, $new, $matching->pairs(), null), $matching->exact);
        }
        $pairs = [];
        $exact = true;
        foreach (self::tables($old, $new, $grid) as [$oldTable, $newTable]) {
            if ($newTable !== PartTree::ROOT) {
                $pairs[$newTable] = $oldTable;
            }
            $matching = new TableMatching(Table::of($old, $oldTable, $grid), Table::of($new, $newTable, $grid), $budget);
            $pairs = $matching->pairs() + $pairs;
            $exact = $exact && $matching->exact;
            unset($matching);
        }

        return new Matched(self::renamed($old, $new, $pairs, $grid->column), $exact);
    }

    /**
     * Which tables go together: by name, then those that are left, in order.
     *
     * @return list<array{string, string}> parents of rows, old and new
     */
    private static function tables(PartTree $old, PartTree $new, Grid $grid): array
    {
        [$oldNames, $newNames] = [self::names($old, $grid), self::names($new, $grid)];
        if ($oldNames === [] && $newNames === []) {
            return [[PartTree::ROOT, PartTree::ROOT]];
        }
        $pairs = [];
        foreach ($newNames as $id => $name) {
            $found = array_search($name, $oldNames, true);
            if ($found !== false) {
                $pairs[] = [(string) $found, (string) $id];
                unset($oldNames[$found], $newNames[$id]);
            }
        }
        foreach (array_keys($newNames) as $at => $id) {
            if (isset(array_keys($oldNames)[$at]) && count($oldNames) === count($newNames)) {
                $pairs[] = [(string) array_keys($oldNames)[$at], (string) $id];
            }
        }

        return $pairs;
    }

    /** @return array<string, string> id => name of each table */
    private static function names(PartTree $tree, Grid $grid): array
    {
        $names = [];
        foreach ($tree->parts as $part) {
            if ($part->depth === 0 && $part->role !== $grid->row && $part->role !== $grid->column) {
                $names[$part->id] = $part->string('name');
            }
        }

        return $names;
    }

    /** @param array<string, string> $pairs new id => old id */
    private static function renamed(PartTree $old, PartTree $new, array $pairs, ?string $column): PartTree
    {
        $parts = $taken = [];
        $movesCells = false;
        foreach ($new->parts as $part) {
            $id = $part->id;
            $known = $pairs[$id] ?? null;
            if ($known === null) {
                $known = $id;
                for ($try = 0; $old->has($known) || isset($taken[$known]); $try++) {
                    $known = 'n'.substr(hash('xxh64', $id.' '.$try), 0, 11);
                }
                $pairs[$id] = $known;
                $taken[$known] = true;
            }
            if ($known !== $id) {
                $part = $part->named($known);
                $movesCells = $movesCells || $part->role === $column;
            }
            $parts[] = $part;
        }

        return $new->replaced($movesCells ? self::recolumned($parts, $pairs) : $parts);
    }

    /**
     * Cells go by the ids of their columns.
     *
     * @param  list<Part>  $parts
     * @param  array<string, string>  $pairs
     * @return list<Part>
     */
    private static function recolumned(array $parts, array $pairs): array
    {
        $names = $renamed = [];
        foreach ($parts as $at => $part) {
            $fields = $part->fields;
            if ($fields === []) {
                continue;
            }
            // Most rows have cells in the same columns.
            if (array_keys($fields) !== $names) {
                $names = array_keys($fields);
                $renamed = array_map(fn (string $name) => $pairs[$name] ?? $name, $names);
            }
            $parts[$at] = $part->holding(array_combine($renamed, $fields));
        }

        return $parts;
    }
}
