<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;

/**
 * What two states of a large table differ in, read from the store without the rest: on each side the tabs, their columns and
 * headings, and the parts that differ, with where all these are.
 */
final readonly class Excerpt
{
    /** Whether a state has so many parts that only what differs of it is read. */
    public static function isOf(States $states, string $root): bool
    {
        return $states->count($root) >= config('attic.large');
    }

    /** More parts that differ are no excerpt any more. */
    private const MOST = 4_000;

    private function __construct(public PartTree $old, public PartTree $new, public ChangeSet $changes) {}

    /**
     * @param  bool  $even  whether formulas may be in it
     * @return self|null null when all of it has to be read: it is small, much differs, or formulas are in it, which read the rest
     */
    public static function of(States $states, Grid $grid, string $old, string $new, bool $even = false): ?self
    {
        if (! self::isOf($states, $new) || ! self::isOf($states, $old)) {
            return null;
        }
        $stretches = $states->compare($old, $new);
        $before = $after = [];
        foreach ($stretches as $stretch) {
            foreach ($stretch->old as $at => $part) {
                $before[$stretch->oldFrom + $at] = $part;
            }
            foreach ($stretch->new as $at => $part) {
                $after[$stretch->newFrom + $at] = $part;
            }
        }
        foreach ([...$before, ...$after] as $part) {
            if (
                count($before) + count($after) > self::MOST
                || (! $even && $part->role === $grid->row && array_filter($part->fields, Cell::isFormula(...)) !== [])
            ) {
                return null;
            }
        }

        return new self(
            self::side($states, $grid, $old, $before),
            self::side($states, $grid, $new, $after),
            TreeCompare::between($stretches),
        );
    }

    /** The tabs, columns and headings of a state, with where they are; null when it is small. */
    public static function frame(States $states, Grid $grid, string $root): ?PartTree
    {
        return $grid->isOneTable || ! self::isOf($states, $root) ? null : self::side($states, $grid, $root, []);
    }

    /** The frame of a state with the part at a position. */
    public static function with(States $states, Grid $grid, string $root, int $position): PartTree
    {
        $part = $states->part($root, $position);

        return self::side($states, $grid, $root, $part === null ? [] : [$position => $part]);
    }

    /**
     * Where a part of one state is in a later one, told from what the two differ in.
     *
     * @param  int  $position  in the earlier one
     * @return int|null null when it is gone
     */
    public static function positionIn(States $states, string $earlier, int $position, string $later, string $id): ?int
    {
        $shift = 0;
        foreach ($states->compare($earlier, $later) as $stretch) {
            foreach ($stretch->new as $at => $part) {
                if ($part->id === $id) {
                    return $stretch->newFrom + $at;
                }
            }
            if ($stretch->oldFrom + count($stretch->old) <= $position) {
                $shift += count($stretch->new) - count($stretch->old);
            } elseif ($stretch->oldFrom <= $position) {
                return null;
            }
        }

        return $states->part($later, $position + $shift)?->id === $id ? $position + $shift : null;
    }

    /**
     * The columns of a table that has no tab around it, which are before its rows.
     *
     * @return list<Part>
     */
    public static function columns(States $states, Grid $grid, string $root): array
    {
        $columns = [];
        for ($from = 0; ; $from += 64) {
            $window = $states->window($root, $from, 64);
            foreach ($window as $part) {
                if ($part->role !== $grid->column) {
                    return $columns;
                }
                $columns[] = $part;
            }
            if ($window === []) {
                return $columns;
            }
        }
    }

    /** @param array<int, Part> $parts by position */
    private static function alone(States $states, Grid $grid, string $root, array $parts): PartTree
    {
        $columns = self::columns($states, $grid, $root);
        $ordinals = [];
        foreach ($columns as $position => $part) {
            $parts[$position] = $part;
        }
        foreach ($parts as $position => $part) {
            $ordinals[$part->id] = $position - ($part->role === $grid->row ? count($columns) : 0);
        }
        ksort($parts);

        return PartTree::excerpt(
            array_values($parts),
            $ordinals,
            array_combine(array_map(fn (Part $part) => $part->id, $parts), array_keys($parts)),
            [PartTree::ROOT => $states->count($root) - count($columns)],
        );
    }

    /** @param array<int, Part> $parts by position */
    private static function side(States $states, Grid $grid, string $root, array $parts): PartTree
    {
        if ($grid->isOneTable) {
            return self::alone($states, $grid, $root, $parts);
        }
        $count = $states->count($root);
        $tops = $states->tops($root);
        $ends = [...array_slice(array_keys($tops), 1), $count];
        $ordinals = $sizes = [];
        $at = 0;
        foreach ($tops as $top => $tab) {
            $end = $ends[$at++];
            $parts[$top] = $tab;
            $columns = 0;
            for ($from = $top + 1; $from < $end; $from += 64) {
                foreach ($states->window($root, $from, min(64, $end - $from)) as $offset => $part) {
                    $parts[$from + $offset] = $part;
                    if ($part->role !== $grid->column) {
                        break 2;
                    }
                    $columns++;
                }
            }
            $sizes[$tab->id] = $end - $top - 1 - $columns;
            foreach ($parts as $position => $part) {
                if ($position > $top && $position < $end) {
                    $ordinals[$part->id] = $position - $top - 1 - ($part->role === $grid->row ? $columns : 0);
                }
            }
        }
        ksort($parts);

        return PartTree::excerpt(
            array_values($parts),
            $ordinals,
            array_combine(array_map(fn (Part $part) => $part->id, $parts), array_keys($parts)),
            $sizes,
        );
    }
}
