<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Item;
use App\Models\User;
use App\Store\Chunks\ChunksAhead;
use App\Store\Excerpt;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;

/**
 * The short way of the save path, for a few cells of a large table without formulas, and for rows that come into it: reads and writes these
 * rows, and those that somebody else has written in meanwhile, and no others. The base has to be known.
 */
final readonly class SaveCells
{
    private const MOST_ROWS = 500;

    public function __construct(private States $states, private WriteVersion $write) {}

    /** @return MadeOfSending|Unfit|null null when the long way has to be gone */
    public function made(ChunksAhead $chunks, Item $item, User $editor, Sent $sent): MadeOfSending|Unfit|null
    {
        $kind = Kinds::named($item->kind);
        $grid = $kind->grid();
        $asked = $grid === null || $item->formulas || ! Excerpt::isOf($this->states, $item->root) ? null : self::asked($sent->edits, $grid);
        if ($asked === null) {
            return null;
        }
        [$cells, $placed, $places] = $asked;
        $others = $this->others($sent->base, $item->root, $grid->row);
        if ($others === null || array_intersect_key($others, $cells) !== []) {
            return null;
        }
        // Nothing came, went or moved, so that all is where it stood.
        $rows = $this->rows($item->root, $cells, $places, $grid->row);
        $came = $this->came($item, $placed, $places, $grid);
        $frame = $rows === null || $came === null
            ? null
            : $this->around($item->root, $grid, [
                ...array_keys($rows),
                ...array_map(fn (int $position) => $position - 1, array_keys($came)),
            ]);
        if ($rows === null || $came === null || $frame === null || ! $this->fits($item, $kind, $grid, $placed, $frame[0]->id)) {
            return null;
        }
        $reading = $this->read($kind, $grid, $frame, $rows, $came);
        if ($reading === null || $reading->tree === null) {
            return $reading === null ? null : new Unfit($reading->problems);
        }
        $spliced = self::spliced($reading->tree, $rows, $came);
        $states = new States($chunks);
        $root = $states->splice($item->root, $spliced);
        $own = $others === [] ? $root : $states->splice($sent->base, $spliced);
        $written = new Written(null, null, $root, $sent->cause, kept: $sent->keep, note: $sent->note);
        // What others wrote is all that the window does not have.
        [$had, $has] = array_map(fn (array $rows): PartTree => PartTree::of($rows === [] ? [] : [...$frame, ...$rows]), [
            array_column($others, 0),
            array_column($others, 1),
        ]);

        return new MadeOfSending(
            $chunks,
            $written,
            $root === $item->root ? null : $this->write->ahead($states, $item, $editor, $written),
            $own,
            $had,
            $has,
        );
    }

    /**
     * @return array{array<mixed>, array<mixed>, array<mixed>}|null cells, rows that come, and where they are; null when there is more to it
     */
    private static function asked(mixed $edits, Grid $grid): ?array
    {
        $edits = is_array($edits) ? array_filter($edits, fn (mixed $of) => $of !== []) : [];
        [$cells, $placed, $places] = [$edits['cells'] ?? [], $edits['placed'] ?? [], $edits['at'] ?? null];
        $isMore = ! is_array($cells)
        || ! is_array($placed)
        || ! is_array($places)
        || ($grid->isOneTable && $placed !== [])
        || array_diff(array_keys($edits), ['cells', 'placed', 'at']) !== [];

        return $isMore || count($cells) + count($placed) > self::MOST_ROWS ? null : [$cells, $placed, $places];
    }

    /**
     * The columns that some rows are below, with their tab where there is one.
     *
     * @param  list<int>  $spots  where the rows are
     * @return list<Part>|null
     */
    private function around(string $root, Grid $grid, array $spots): ?array
    {
        return match (true) {
            $spots === [] => null,
            $grid->isOneTable => Excerpt::columns($this->states, $grid, $root),
            default => $this->frame($root, min($spots), max($spots), $grid->column),
        };
    }

    /**
     * The rows as they are to be.
     *
     * @param  list<Part>  $frame
     * @param  array<int, array{Part, array<string, mixed>}>  $rows
     * @param  array<int, array<string, array<string, mixed>>>  $came
     * @return Reading|null null when a formula is written, which has to do with the rest
     */
    private function read(Kind $kind, Grid $grid, array $frame, array $rows, array $came): ?Reading
    {
        $written = [];
        foreach ($rows as [$part, $values]) {
            $written[] = [
                $part->id,
                $part->role,
                $part->depth,
                array_filter([...(array) $part->toJson()[3], ...$values], fn (mixed $value) => $value !== null),
            ];
        }
        foreach (array_merge(...array_values($came)) as $id => $values) {
            $written[] = [(string) $id, $grid->row, 1, array_filter($values, fn (mixed $value) => $value !== null)];
        }
        foreach ($written as $row) {
            if (array_filter($row[3], fn (mixed $value) => is_array($value) && in_array('=', array_slice($value, 0, 3), true)) !== []) {
                return null;
            }
        }

        return $kind->read(
            [...array_map(fn (Part $part) => [$part->id, $part->role, $part->depth, (array) $part->toJson()[3]], $frame), ...$written],
            Limits::for($kind),
        );
    }

    /**
     * @param  array<int, array{Part, array<string, mixed>}>  $rows
     * @param  array<int, array<string, array<string, mixed>>>  $came
     * @return list<array{int, int, list<Part>}> ascending, what touches put together
     */
    private static function spliced(PartTree $read, array $rows, array $came): array
    {
        $positions = array_unique([...array_keys($rows), ...array_keys($came)]);
        sort($positions);
        $spliced = [];
        foreach ($positions as $position) {
            $parts = array_map(fn (int|string $id): Part => $read->get((string) $id), array_keys($came[$position] ?? []));
            $to = isset($rows[$position]) ? $position + 1 : $position;
            if (isset($rows[$position])) {
                $parts[] = $read->get($rows[$position][0]->id);
            }
            $last = array_key_last($spliced);
            if ($last !== null && $spliced[$last][1] === $position) {
                $spliced[$last] = [$spliced[$last][0], $to, [...$spliced[$last][2], ...$parts]];
            } else {
                $spliced[] = [$position, $to, $parts];
            }
        }

        return $spliced;
    }

    /**
     * The rows that come, by the position that they are put before.
     *
     * @param  array<mixed>  $placed
     * @param  array<mixed>  $places
     * @return array<int, array<string, array<string, mixed>>>|null position => id => values; null when one does not come behind a row or
     *     the last column, or may have been here before
     */
    private function came(Item $item, array $placed, array $places, Grid $grid): ?array
    {
        $came = $ids = [];
        foreach ($placed as $place) {
            [$id, $role, , $after, $values]
                = is_array($place) && array_is_list($place) && count($place) === 5 ? $place : [null, null, null, null, null];
            $position = is_string($id) ? $places[$id] ?? null : null;
            if (
                ! is_string($id)
                || $role !== $grid->row
                || ! is_string($after)
                || ! is_array($values)
                || ! is_int($position)
                || $position < 1
                || isset($ids[$id])
            ) {
                return null;
            }
            $before = isset($came[$position]) ? (string) array_key_last($came[$position]) : $this->states->part($item->root, $position - 1);
            $behind = ! ($before instanceof Part)
            || $before->role === $grid->row
            || ($before->role === $grid->column && $this->states->part($item->root, $position)?->role !== $grid->column);
            if (($before instanceof Part ? $before->id : $before) !== $after || ! $behind) {
                return null;
            }
            $given = [];
            foreach ($values as $column => $value) {
                $given[(string) $column] = $value;
            }
            $ids[$id] = true;
            $came[$position][$id] = $given;
        }
        // Whatever was here once left a touch.
        $known = $ids !== []
        && DB::table('touches')->where('item_id', $item->id)->whereIn('part', array_map(strval(...), array_keys($ids)))->exists();

        return $known ? null : $came;
    }

    /**
     * Whether the rows that come are of one tab and leave the item within its bounds, by the most that its rows can hold.
     *
     * @param  array<mixed>  $placed
     */
    private function fits(Item $item, Kind $kind, Grid $grid, array $placed, string $tab): bool
    {
        if ($placed === []) {
            return true;
        }
        $frame = Excerpt::frame($this->states, $grid, $item->root);
        if ($frame === null) {
            return false;
        }
        $limits = Limits::for($kind);
        $cells = 0;
        foreach ($frame->children()[PartTree::ROOT] ?? [] as $each) {
            $columns = count(array_filter($frame->subtree($each), fn (Part $part) => $part->role === $grid->column));
            $cells += $columns * (($frame->sizes[$each] ?? 0) + ($each === $tab ? count($placed) : 0));
        }

        return array_filter($placed, fn (mixed $place) => ! is_array($place) || $place[2] !== $tab) === []
            && $cells <= $limits->cells && $this->states->count($item->root) + count($placed) <= $limits->parts;
    }

    /**
     * The rows that were written in since a state, when that is all that happened.
     *
     * @return array<string, array{Part, Part}>|null as they were and as they are
     */
    private function others(string $base, string $root, string $role): ?array
    {
        $others = [];
        foreach ($base === $root ? [] : $this->states->compare($base, $root) as $stretch) {
            if (array_column($stretch->old, 'id') !== array_column($stretch->new, 'id')) {
                return null;
            }
            foreach ($stretch->new as $at => $part) {
                if ($part->role !== $role || count($others) >= self::MOST_ROWS) {
                    return null;
                }
                $others[$part->id] = [$stretch->old[$at], $part];
            }
        }

        return $others;
    }

    /**
     * @param  array<mixed>  $cells
     * @param  array<mixed>  $places
     * @return array<int, array{Part, array<string, mixed>}>|null by position; null when one is not where it is said to be
     */
    private function rows(string $root, array $cells, array $places, string $role): ?array
    {
        $rows = [];
        foreach ($cells as $id => $values) {
            $position = $places[$id] ?? null;
            $part = is_int($position) && $position >= 0 ? $this->states->part($root, $position) : null;
            if ($part === null || $part->id !== (string) $id || $part->role !== $role || ! is_array($values)) {
                return null;
            }
            $given = [];
            foreach ($values as $column => $value) {
                $given[(string) $column] = $value;
            }
            $rows[(int) $position] = [$part, $given];
        }
        ksort($rows);

        return $rows;
    }

    /**
     * The tab of some rows with its columns.
     *
     * @return list<Part>|null null when they are in several
     */
    private function frame(string $root, int $first, int $last, string $column): ?array
    {
        $tops = $this->states->tops($root);
        $positions = array_keys($tops);
        $of = fn (int $row): int => max([-1, ...array_filter($positions, fn (int $top) => $top < $row)]);
        $tab = $of($first);
        if ($tab < 0 || $tab !== $of($last)) {
            return null;
        }
        $frame = [$tops[$tab]];
        for ($from = $tab + 1; ; $from += 64) {
            $window = $this->states->window($root, $from, 64);
            foreach ($window as $part) {
                if ($part->role !== $column) {
                    return $frame;
                }
                $frame[] = $part;
            }
            if ($window === []) {
                return $frame;
            }
        }
    }
}
