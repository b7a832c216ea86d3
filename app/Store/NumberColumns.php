<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Unusual\UnusualChanges;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;

/**
 * The columns of a large table in which a number was written over that may stand out: a state with these columns alone, for
 * {@see UnusualChanges}. A number between two that are in rows around it, or in some rows elsewhere, stands out of nothing, and is
 * told without reading the rest; for the others the records are looked through, but not decoded.
 */
final readonly class NumberColumns
{
    /** Rows on either side. */
    private const AROUND = 32;

    /** So many times a few rows elsewhere are looked at, at even distances. */
    private const ELSEWHERE = 24;

    private const A_FEW = 8;

    /** @return array{PartTree, PartTree}|null the state before and the one after; null when nothing can stand out */
    public static function of(States $states, Grid $grid, Excerpt $excerpt, string $old): ?array
    {
        $columns = $tabs = [];
        foreach ($excerpt->changes->of(ChangeType::Edited) as $change) {
            foreach ($change->part()->role === $grid->row ? self::standOut($states, $grid, $old, $excerpt->old, $change) : [] as $column) {
                $columns[$column] = true;
                $tabs[$excerpt->old->parent($change->id)] = true;
            }
        }
        if ($columns === []) {
            return null;
        }
        $before = [];
        foreach (array_keys($tabs) as $tab) {
            $heads = self::heads($grid, $excerpt->old, (string) $tab);
            array_push(
                $before,
                ...$heads,
                ...self::rows(
                    $states->records(
                        $old,
                        (int) $excerpt->old->wholePosition((string) $tab) + count($heads),
                        $excerpt->old->sizes[$tab] ?? 0,
                    ),
                    array_map(strval(...), array_keys($columns)),
                    $grid->row,
                ),
            );
        }
        $edited = [];
        foreach ($excerpt->changes->of(ChangeType::Edited) as $change) {
            $edited[$change->id] = $change->after;
        }
        $after = array_map(
            fn (Part $part): Part => isset($edited[$part->id]) && $part->role === $grid->row
                ? new Part($part->id, $part->role, $part->depth, array_intersect_key($edited[$part->id]->fields, $columns))
                : $part,
            $before,
        );

        return [PartTree::of($before), PartTree::of($after)];
    }

    /** @return list<Part> what is before the rows: the tab and its columns */
    private static function heads(Grid $grid, PartTree $old, string $tab): array
    {
        return [$old->get($tab), ...array_values(array_filter($old->subtree($tab), fn (Part $part) => $part->role === $grid->column))];
    }

    /** @return list<string> the columns in which a number left what other rows hold, or changed its sign */
    private static function standOut(States $states, Grid $grid, string $root, PartTree $old, Change $change): array
    {
        $windows = [[max(0, (int) $old->wholePosition($change->id) - self::AROUND), 2 * self::AROUND]];
        $tab = $old->parent($change->id);
        $first = (int) $old->wholePosition($tab) + count(self::heads($grid, $old, $tab));
        $between = max(0, ($old->sizes[$tab] ?? 0) - self::A_FEW);
        // Both ends first: most columns that rise or fall hold what lies between them.
        foreach ([0, self::ELSEWHERE - 1, ...range(1, self::ELSEWHERE - 2)] as $time) {
            $windows[] = [$first + intdiv($time * $between, self::ELSEWHERE - 1), self::A_FEW];
        }
        $found = $read = [];
        foreach ($change->fields() as $column) {
            [$was, $is] = [Cell::result($change->before->fields[$column] ?? null), Cell::result($change->after->fields[$column] ?? null)];
            if ((! is_int($was) && ! is_float($was)) || (! is_int($is) && ! is_float($is))) {
                continue;
            }
            $flipped = $is == -$was;
            $below = $above = false;
            foreach ($flipped ? [] : $windows as $at => [$from, $length]) {
                $read[$at] ??= $states->window($root, $from, $length);
                foreach ($read[$at] as $part) {
                    $value = $part->id === $change->id ? null : Cell::result($part->fields[$column] ?? null);
                    if (is_int($value) || is_float($value)) {
                        $below = $below || $value <= $is;
                        $above = $above || $value >= $is;
                    }
                }
                if ($below && $above) {
                    continue 2;
                }
            }
            // Where no number is seen at all, the column is none of numbers.
            if ($flipped || $below || $above) {
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
                if (
                    preg_match(
                        '/(?<!\\\\)"'.preg_quote($column, '/').'":(?:\["\*","[^"]*",)?(-?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)[,}\]]/',
                        $record,
                        $found,
                    ) === 1
                ) {
                    $fields[$column] = Cell::number((float) $found[1]);
                }
            }
            $rows[] = new Part(substr($record, 2, (int) strpos($record, '"', 2) - 2), $role, 1, $fields);
        }

        return $rows;
    }
}
