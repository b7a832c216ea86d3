<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\User;
use App\Store\ChunksAhead;
use App\Store\Excerpt;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/**
 * The short way of the save path, for a few cells of a large table without formulas: reads and writes these rows, and those that somebody else
 * has written in meanwhile, and no others. The base has to be known.
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
        $edits = is_array($sent->edits) ? array_filter($sent->edits, fn (mixed $of) => $of !== []) : [];
        $cells = $edits['cells'] ?? null;
        $places = $edits['at'] ?? null;
        if ($grid === null || $item->formulas || ! is_array($cells) || ! is_array($places)
            || array_diff(array_keys($edits), ['cells', 'at']) !== [] || count($cells) > self::MOST_ROWS || $this->states->count($item->root) < Excerpt::LARGE) {
            return null;
        }
        $others = $this->others($sent->base, $item->root, $grid->row);
        if ($others === null || array_intersect_key($others, $cells) !== []) {
            return null;
        }
        // Nothing came, went or moved, so that all stands where it stood.
        $rows = $this->rows($item->root, $cells, $places, $grid->row);
        $frame = match (true) {
            $rows === null => null,
            $grid->alone => Excerpt::columns($this->states, $grid, $item->root),
            default => $this->frame($item->root, $rows, $grid->column),
        };
        if ($rows === null || $frame === null) {
            return null;
        }
        $content = [...array_map(fn (Part $part) => [$part->id, $part->role, $part->depth, (array) $part->toJson()[3]], $frame)];
        foreach ($rows as [$part, $values]) {
            $fields = array_filter([...(array) $part->toJson()[3], ...$values], fn (mixed $value) => $value !== null);
            if (array_filter($fields, fn (mixed $value) => is_array($value) && in_array('=', array_slice($value, 0, 3), true)) !== []) {
                return null;
            }
            $content[] = [$part->id, $part->role, $part->depth, $fields];
        }
        $reading = $kind->read($content, Limits::for($kind));
        if ($reading->tree === null) {
            return new Unfit($reading->problems);
        }
        $spliced = [];
        foreach ($rows as $position => [$part]) {
            $spliced[] = [$position, $position + 1, [$reading->tree->get($part->id)]];
        }
        $states = new States($chunks);
        $root = $states->splice($item->root, $spliced);
        $own = $others === [] ? $root : $states->splice($sent->base, $spliced);
        $written = new Written(null, null, $root, $sent->cause, kept: $sent->keep, note: $sent->note);
        // What others wrote is all that the window does not have.
        [$had, $has] = array_map(fn (array $rows): PartTree => PartTree::of($rows === [] ? [] : [...$frame, ...$rows]), [array_column($others, 0), array_column($others, 1)]);

        return new MadeOfSending($chunks, $written, $root === $item->root ? null : $this->write->ahead($states, $item, $editor, $written), $own, $had, $has);
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
     * @return array<int, array{Part, array<string, mixed>}>|null by position; null when one does not stand where it is said to
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
     * The tab of the rows with its columns.
     *
     * @param  array<int, array{Part, array<string, mixed>}>  $rows
     * @return list<Part>|null null when they stand in several
     */
    private function frame(string $root, array $rows, string $column): ?array
    {
        $tops = $this->states->tops($root);
        $positions = array_keys($tops);
        $of = fn (int $row): int => max([-1, ...array_filter($positions, fn (int $top) => $top < $row)]);
        $tab = $of((int) array_key_first($rows));
        if ($tab < 0 || $tab !== $of((int) array_key_last($rows))) {
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
