<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Compare\Change;
use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Unusual\UnusualChanges;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;

/**
 * The columns of a large table in which a number was written over that may stand out: a state with these columns alone, for
 * {@see UnusualChanges}. A number within what a few rows around hold stands out of nothing, and is
 * told without reading the rest; for the others the records are looked through, but not decoded.
 */
final readonly class NumberColumns
{
    /** Rows on either side. */
    private const AROUND = 32;

    /** @return array{PartTree, PartTree}|null the state before and the one after; null when nothing can stand out */
    public static function of(States $states, Grid $grid, Excerpt $excerpt, string $old): ?array
    {
        $columns = $tabs = [];
        foreach ($excerpt->changes->of(ChangeType::Edited) as $change) {
            foreach ($change->part()->role === $grid->row ? self::standOut($states, $old, $excerpt->old, $change) : [] as $column) {
                $columns[$column] = true;
                $tabs[$excerpt->old->parent($change->id)] = true;
            }
        }
        if ($columns === []) {
            return null;
        }
        $before = [];
        foreach (array_keys($tabs) as $tab) {
            $start = (int) $excerpt->old->wholePosition((string) $tab);
            $before[] = $excerpt->old->get((string) $tab);
            foreach ($excerpt->old->subtree((string) $tab) as $part) {
                if ($part->role === $grid->column) {
                    $before[] = $part;
                    $start++;
                }
            }
            array_push($before, ...self::rows($states->records($old, $start + 1, $excerpt->old->sizes[$tab] ?? 0), array_map(strval(...), array_keys($columns)), $grid->row));
        }
        $edited = [];
        foreach ($excerpt->changes->of(ChangeType::Edited) as $change) {
            $edited[$change->id] = $change->after;
        }
        $after = array_map(fn (Part $part): Part => isset($edited[$part->id]) && $part->role === $grid->row ? new Part($part->id, $part->role, $part->depth, array_intersect_key($edited[$part->id]->fields, $columns)) : $part, $before);

        return [PartTree::of($before), PartTree::of($after)];
    }

    /** @return list<string> the columns in which a number left what the rows around hold, or changed its sign */
    private static function standOut(States $states, string $root, PartTree $old, Change $change): array
    {
        $found = [];
        $around = null;
        foreach ($change->fields() as $column) {
            [$was, $is] = [Cell::result($change->before->fields[$column] ?? null), Cell::result($change->after->fields[$column] ?? null)];
            if ((! is_int($was) && ! is_float($was)) || (! is_int($is) && ! is_float($is))) {
                continue;
            }
            $around ??= $states->window($root, max(0, (int) $old->wholePosition($change->id) - self::AROUND), 2 * self::AROUND);
            $numbers = array_filter(array_map(fn (Part $part): mixed => $part->id === $change->id ? null : Cell::result($part->fields[$column] ?? null), $around), fn (mixed $value) => is_int($value) || is_float($value));
            if ($numbers === [] || $is < min($numbers) || $is > max($numbers) || $is == -$was) {
                $found[] = $column;
            }
        }

        return $found;
    }

    /**
     * @param  list<string>  $records
     * @param  list<string>  $columns
     * @return list<Part> rows with the numbers of these columns
     */
    private static function rows(array $records, array $columns, string $role): array
    {
        $rows = [];
        foreach ($records as $record) {
            $fields = [];
            foreach ($columns as $column) {
                // In canonical JSON; a quotation mark within a text has a backslash before it.
                if (preg_match('/(?<!\\\\)"'.preg_quote($column, '/').'":(?:\["\*","[^"]*",)?(-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)[,}\]]/', $record, $found) === 1) {
                    $fields[$column] = Cell::number((float) $found[1]);
                }
            }
            $rows[] = new Part(substr($record, 2, (int) strpos($record, '"', 2) - 2), $role, 1, $fields);
        }

        return $rows;
    }
}
