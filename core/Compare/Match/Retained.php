<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\NumberLook;

/**
 * Keeps of a table what a plainer file could not hold: where a matched cell reads as it did, it stays what it was (a formula,
 * a day, a number with a format), and what has no look keeps the one that was there.
 *
 * @phpstan-import-type FieldValue from Part
 */
final class Retained
{
    /** Without the rows and columns in which nothing is written. */
    public static function written(Grid $grid, PartTree $tree): PartTree
    {
        $used = self::used($grid, $tree);

        return PartTree::of(
            array_values(
                array_filter(
                    $tree->parts,
                    fn (Part $part) => isset($used[$part->id]) || ($part->role !== $grid->row && $part->role !== $grid->column),
                ),
            ),
        );
    }

    /**
     * Without the rows and columns in which nothing is written behind the last one of their table in which something is: those between have
     * their place.
     */
    public static function upToWritten(Grid $grid, PartTree $tree): PartTree
    {
        [$used, $last] = [self::used($grid, $tree), []];
        foreach ($tree->parts as $position => $part) {
            isset($used[$part->id]) && $last["{$part->role} ".$tree->parent($part->id)] = $position;
        }

        return PartTree::of(
            array_values(
                array_filter(
                    $tree->parts,
                    fn (Part $part, int $position) => ($part->role !== $grid->row && $part->role !== $grid->column)
                        || $position <= ($last["{$part->role} ".$tree->parent($part->id)] ?? -1),
                    ARRAY_FILTER_USE_BOTH,
                ),
            ),
        );
    }

    /**
     * Rows and columns of a file in which nothing is written go together with those that stood there before: behind the same neighbour.
     *
     * @param  array<string, string>  $known  old ids by new ones, of what goes together as it is written
     * @return array<string, string> with them
     */
    public static function emptyBetween(Grid $grid, PartTree $old, PartTree $new, array $known): array
    {
        [$written, $behind] = [self::used($grid, $old), []];
        foreach ($old->children() as $parent => $ids) {
            foreach ([$grid->column, $grid->row] as $role) {
                $of = array_values(array_filter($ids, fn (string $id) => $old->get($id)->role === $role));
                $behind += array_combine(["{$role} {$parent}", ...array_slice($of, 0, -1)], $of === [] ? [''] : $of);
            }
        }
        [$at, $taken] = [[], array_flip($known)];
        foreach ($new->parts as $part) {
            if ($part->role !== $grid->row && $part->role !== $grid->column) {
                continue;
            }
            $parent = $new->parent($part->id);
            $place = "{$part->role} ".($known[$parent] ?? $parent);
            $next = $behind[$at[$place] ?? $place] ?? '';
            if (! isset($known[$part->id]) && $next !== '' && ! isset($written[$next]) && ! isset($taken[$next])) {
                $known[$part->id] = $next;
                $taken[$next] = $part->id;
            }
            $at[$place] = $known[$part->id] ?? $at[$place] ?? $place;
        }

        return $known;
    }

    /** @return array<string, true> rows and columns in which something is written */
    private static function used(Grid $grid, PartTree $tree): array
    {
        $used = [];
        foreach ($tree->parts as $part) {
            foreach ($part->role === $grid->row ? $part->fields : [] as $column => $value) {
                if (Cell::bare($value) !== null) {
                    $used[$part->id] = $used[$column] = true;
                }
            }
        }

        return $used;
    }

    /**
     * Cells by what they hold alone, as a file without looks has them: for telling what goes together.
     *
     * @param  bool  $results  what formulas gave in their place, as a file without formulas has it
     */
    public static function bare(Grid $grid, PartTree $tree, bool $results): PartTree
    {
        // A formula is what it says, whatever came of it and wherever its cells are by now: a row that was put in above changes all
        // addresses.
        $read = $results
            ? Cell::result(...)
            : static fn (mixed $value): mixed => Cell::isFormula($value)
                ? ['=', preg_replace('/\$?[A-Z]{1,3}\$?\d+/', '·', (string) Cell::formula($value))]
                : Cell::bare($value);

        return PartTree::of(
            array_map(
                fn (Part $part): Part => $part->role === $grid->row
                    ? new Part($part->id, $part->role, $part->depth, self::cells($read, $part->fields))
                    : $part,
                $tree->parts,
            ),
        );
    }

    /** What is not written in goes behind the rest of its table. */
    private static function withEmpty(Grid $grid, PartTree $old, PartTree $new): PartTree
    {
        $written = self::written($grid, $old);
        $children = $new->children();
        $parts = $new->byId();
        foreach ($old->parts as $part) {
            $parent = $old->parent($part->id);
            if (! $written->has($part->id) && ! isset($parts[$part->id]) && ($parent === PartTree::ROOT || isset($parts[$parent]))) {
                $parts[$part->id] = new Part(
                    $part->id,
                    $part->role,
                    $part->depth,
                    array_intersect_key($part->fields, $part->role === $grid->row ? $parts : $part->fields),
                );
                $children[$parent][] = $part->id;
            }
        }
        foreach ($children as $parent => $ids) {
            $columns = array_filter($ids, fn (string $id) => $parts[$id]->role === $grid->column);
            $children[$parent] = [...array_values($columns), ...array_values(array_diff($ids, $columns))];
        }

        return PartTree::grow($children, $parts);
    }

    /** @param PartTree $new with the ids of the old one, see {@see Matching::adopt} */
    public static function of(Grid $grid, PartTree $old, PartTree $new): PartTree
    {
        $new = self::withEmpty($grid, $old, $new);
        $parts = $new->parts;
        foreach ($parts as $position => $part) {
            $was = $old->find($part->id);
            if ($was === null) {
                continue;
            }
            if ($part->role !== $grid->row) {
                // Widths and looks of columns, headings of tabs.
                $parts[$position] = new Part(
                    $part->id,
                    $part->role,
                    $part->depth,
                    ['name' => $part->fields['name'] ?? ''] + $was->fields + $part->fields,
                );
                if (! isset($part->fields['name'])) {
                    $parts[$position] = $parts[$position]->without('name');
                }

                continue;
            }
            $fields = [];
            foreach ($part->fields as $column => $value) {
                $before = $was->fields[$column] ?? null;
                $fields[$column]
                    = $before === null ? $value : self::cell($before, $value, $old->find((string) $column)?->string('format') ?? '');
            }
            // An empty cell with a look is in no plain file.
            foreach (array_diff_key($was->fields, $fields) as $column => $value) {
                if (Cell::bare($value) === null && $new->has((string) $column)) {
                    $fields[$column] = $value;
                }
            }
            $parts[$position] = new Part($part->id, $part->role, $part->depth, $fields);
        }

        return PartTree::of($parts);
    }

    /**
     * What is in a cell, with what the file can't say of it as it was.
     *
     * @param  FieldValue  $before
     * @param  FieldValue  $value
     * @return FieldValue
     */
    private static function cell(mixed $before, mixed $value, string $format): mixed
    {
        // A look that its column gives it is none of its own.
        if (self::looksTheSame($before, $value, $format)) {
            return $before;
        }
        if (! is_scalar(Cell::bare($value)) || Cell::isFormula($value)) {
            return $value;
        }
        $text = Cell::show($value);

        return match (true) {
            $text === Cell::show($before), $text === NumberLook::show($before, $format), $text === "'".Cell::show($before) => $before,
            Cell::look($value) === '' && Cell::look($before) !== '' && is_scalar($value) => Cell::dressed($value, Cell::look($before))
                ?? $value,
            default => $value,
        };
    }

    /**
     * @param  callable(mixed): mixed  $read
     * @param  array<string, FieldValue>  $fields
     * @return array<string, FieldValue> those of which something is left
     */
    private static function cells(callable $read, array $fields): array
    {
        $cells = [];
        foreach ($fields as $name => $value) {
            $value = $read($value);
            $value = $value instanceof RichText ? $value : Cell::of($value);
            if ($value !== null) {
                $cells[$name] = $value;
            }
        }

        return $cells;
    }

    /** Whether one cell holds and shows what another does, in a column with a format. */
    private static function looksTheSame(mixed $before, mixed $value, string $format): bool
    {
        $letters = fn (mixed $cell): string => explode('|', Cell::look($cell))[0];
        // What a formula gives is worked out later: it is shown with what it gave.
        if (Cell::isFormula($value)) {
            $value = Cell::withResult(Cell::of($value) ?? '', Cell::of(Cell::result($before)));
        }

        return Cell::look($before) !== Cell::look($value)
            && $letters($before) === $letters($value)
            && Cell::bare($before) !== null
            && Cell::sameInput(Cell::bare($before), Cell::bare($value))
            && NumberLook::show($before, $format) === NumberLook::show($value, $format);
    }
}
