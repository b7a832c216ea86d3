<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\Spot;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/**
 * Merges three ways: what each side did to a common base. Theirs came first and stays; what of mine meets it comes back
 * as a conflict, with everything else of mine in the tree.
 *
 * - A removal meets an edit or an addition below the removed part; a removed part that was only moved goes.
 * - Fields are merged one by one, rich texts word by word. A field that is named by the id of a part is that part's cell:
 *   writing in a column that the other side removed meets the removal, and a column that is gone takes its cells along.
 * - Order: see {@see MergedOrder}.
 *
 * @phpstan-import-type FieldValue from Part
 */
final class TreeMerge
{
    /** Roles whose fields are one value: what was chosen goes with its words. */
    private const WHOLE = ['answer'];

    private readonly Words $words;

    private readonly ChangeSet $theirChanges;

    private readonly ChangeSet $myChanges;

    /** @var array<string, true>|null */
    private ?array $columns = null;

    /** @var array<string, int> id => bits of {@see ChangeType} */
    private readonly array $theirTouched;

    /** @var array<string, int> */
    private readonly array $myTouched;

    /** @var array<string, array<string, mixed>> column => row => what they wrote there */
    private readonly array $theirCells;

    /** @var array<string, array<string, mixed>> */
    private readonly array $myCells;

    /** @var array<string, true> columns that I removed and that stay, since they wrote in them */
    private array $keptColumns = [];

    /** @var array<string, Part> the parts of the result */
    private array $parts = [];

    /** @var list<Conflict> */
    private array $conflicts = [];

    private function __construct(
        private readonly PartTree $base,
        private readonly PartTree $theirs,
        private readonly PartTree $mine,
        private readonly bool $apart,
    ) {
        $this->words = new Words;
        $this->theirChanges = TreeCompare::of($base, $theirs);
        $this->myChanges = TreeCompare::of($base, $mine);
        $this->theirTouched = self::touched($this->theirChanges);
        $this->myTouched = self::touched($this->myChanges);
        $this->theirCells = $this->cells($this->theirChanges);
        $this->myCells = $this->cells($this->myChanges);
    }

    /**
     * What a side did to which part; that a row lost the cells of a column that went is the column's affair.
     *
     * @return array<string, int>
     */
    private static function touched(ChangeSet $changes): array
    {
        $touched = $changes->touched();
        $gone = array_filter($touched, fn (int $what) => ($what & ChangeType::Removed->bit()) !== 0);
        foreach ($gone === [] ? [] : $changes->of(ChangeType::Edited) as $change) {
            if ($change->before?->role === $change->after?->role && array_diff_key(array_flip($change->fields()), $gone) === []) {
                $touched[$change->id] &= ~ChangeType::Edited->bit();
            }
        }

        return $touched;
    }

    /** @return array<string, array<string, mixed>> column of the base => row => value written */
    private function cells(ChangeSet $changes): array
    {
        $cells = [];
        foreach ($changes->changes as $change) {
            $fields = match ($change->type) {
                ChangeType::Added => array_map(strval(...), array_keys($change->after->fields ?? [])),
                ChangeType::Edited => $change->fields(),
                default => [],
            };
            foreach ($fields as $field) {
                if (isset($change->after->fields[$field]) && $this->base->has($field)) {
                    $cells[$field][$change->id] = $change->after->fields[$field];
                }
            }
        }

        return $cells;
    }

    /** @param bool $apart see {@see TextMerge::of} */
    public static function of(PartTree $base, PartTree $theirs, PartTree $mine, bool $apart = false): Merged
    {
        $merge = new self($base, $theirs, $mine, $apart);
        if ($merge->myChanges->isEmpty()) {
            return new Merged($theirs, []);
        }
        if ($merge->theirChanges->isEmpty()) {
            return new Merged($mine, []);
        }
        $merge->keepTheirs();
        $merge->addMine();
        $merge->mergeFields();
        $merge->dropStrayCells();

        $order = new MergedOrder($base, $theirs, $mine, $merge->theirTouched, $merge->myTouched, $merge->parts);

        return new Merged($order->tree(), [...$merge->conflicts, ...$order->conflicts]);
    }

    /** All that they have stays, but for what I removed and they left alone. */
    private function keepTheirs(): void
    {
        $this->parts = $this->theirs->byId();
        foreach ($this->base->parts as $part) {
            $id = $part->id;
            if (
                ! $this->did($this->myTouched, $id, ChangeType::Removed)
                || ! $this->theirs->has($id)
                || $this->did($this->myTouched, $this->theirs->parent($id), ChangeType::Removed)
            ) {
                continue;
            }
            if ($this->busy($this->theirs, $this->theirTouched, $this->myTouched, $this->theirCells, $id) || $this->strands($id)) {
                $this->conflicts[] = new Conflict(ConflictType::RemovedEdited, $id, [], null);
                $this->keptColumns[$id] = true;

                continue;
            }
            foreach ($this->theirs->subtree($id) as $below) {
                if ($this->did($this->myTouched, $below->id, ChangeType::Removed)) {
                    unset($this->parts[$below->id]);
                }
            }
        }
    }

    /** Whether something that they left in what I removed was moved by me to a place that they removed, so that it would have none. */
    private function strands(string $id): bool
    {
        foreach ($this->theirs->subtree($id) as $part) {
            for (
                $at = $this->mine->has($part->id) ? $this->mine->parent($part->id) : PartTree::ROOT;
                $at !== PartTree::ROOT;
                $at = $this->mine->parent($at)
            ) {
                if ($this->did($this->theirTouched, $at, ChangeType::Removed)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** What I added comes in, but for what is below something that they removed. */
    private function addMine(): void
    {
        $lost = [];
        foreach ($this->base->parts as $part) {
            $id = $part->id;
            if (
                ! $this->did($this->theirTouched, $id, ChangeType::Removed)
                || ! $this->mine->has($id)
                || $this->did($this->theirTouched, $this->mine->parent($id), ChangeType::Removed)
            ) {
                continue;
            }
            if ($this->busy($this->mine, $this->myTouched, $this->theirTouched, $this->myCells, $id)) {
                $this->conflicts[] = new Conflict(
                    ConflictType::EditedRemoved,
                    $id,
                    $this->mine->subtree($id),
                    Spot::of($this->mine, $id),
                    cells: $this->column($id),
                );
            }
        }
        foreach ($this->mine->parts as $part) {
            $parent = $this->mine->parent($part->id);
            $homeless = $parent !== PartTree::ROOT && ! isset($this->parts[$parent]);
            if ($this->did($this->myTouched, $part->id, ChangeType::Added) && ! isset($this->parts[$part->id])) {
                if ($homeless) {
                    $lost[$part->id] = true;
                } else {
                    $this->parts[$part->id] = $part;
                }
            }
        }
        // Something that I put below a part which I then found removed, without that part being mine to bring back.
        foreach (array_keys($lost) as $id) {
            $under = array_filter($this->conflicts, fn (Conflict $conflict) => in_array($id, array_column($conflict->mine, 'id'), true));
            if ($under === [] && ! isset($lost[$this->mine->parent($id)])) {
                $this->conflicts[] = new Conflict(ConflictType::EditedRemoved, $id, $this->mine->subtree($id), Spot::of($this->mine, $id));
            }
        }
    }

    /**
     * Whether a side edited anything in, added to or moved into the subtree that the other side removed.
     *
     * @param  array<string, int>  $touched
     * @param  array<string, int>  $removing
     * @param  array<string, array<string, mixed>>  $cells  what the side wrote in columns
     */
    private function busy(PartTree $side, array $touched, array $removing, array $cells, string $id): bool
    {
        foreach ($side->subtree($id) as $part) {
            if (isset($cells[$part->id])) {
                return true;
            }
            $gone = $this->did($removing, $part->id, ChangeType::Removed);
            $movedIn = $this->did($touched, $part->id, ChangeType::Moved) && $this->base->parent($part->id) !== $side->parent($part->id);
            if (
                $this->did($touched, $part->id, ChangeType::Added)
                || ($movedIn && ! $gone)
                || ($this->did($touched, $part->id, ChangeType::Edited) && $gone)
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * All of it: what waits already may be in cells that I have not touched since.
     *
     * @return array<string, mixed> row => what I have in a column; none for what is no column
     */
    private function column(string $id): array
    {
        $cells = [];
        foreach (isset($this->columns()[$id]) ? $this->mine->parts : [] as $part) {
            if (isset($part->fields[$id])) {
                $cells[$part->id] = $part->fields[$id];
            }
        }

        return $cells;
    }

    /** @return array<string, true> every field that a part of mine has: the columns of a table are among them */
    private function columns(): array
    {
        if ($this->columns === null) {
            $this->columns = [];
            foreach ($this->mine->parts as $part) {
                foreach ($part->fields as $field => $unused) {
                    $this->columns[$field] = true;
                }
            }
        }

        return $this->columns;
    }

    private function dropStrayCells(): void
    {
        $gone = array_diff_key($this->base->byId() + $this->theirs->byId() + $this->mine->byId(), $this->parts);
        foreach ($gone === [] ? [] : $this->parts as $id => $part) {
            $fields = array_diff_key($part->fields, $gone);
            if (count($fields) < count($part->fields)) {
                $this->parts[$id] = new Part($part->id, $part->role, $part->depth, $fields);
            }
        }
    }

    private function mergeFields(): void
    {
        foreach ($this->parts as $id => $part) {
            $mine = $this->mine->find($id);
            $theirs = $this->theirs->find($id);
            if ($mine === null || $theirs === null || $mine->sameFields($theirs)) {
                continue;
            }
            $base = $this->base->find($id);
            if ($base === null) {
                $this->conflicts[] = new Conflict(ConflictType::Value, $id, [$mine], null);
            } elseif ($theirs->sameFields($base) && array_intersect_key($theirs->fields, $this->keptColumns) === []) {
                $this->parts[$id] = $mine;
            } elseif (! $mine->sameFields($base)) {
                $this->parts[$id] = $this->mergePart($base, $theirs, $mine);
            }
        }
    }

    private function mergePart(Part $base, Part $theirs, Part $mine): Part
    {
        if (in_array($base->role, self::WHOLE, true) && $mine->richText()->equals($theirs->richText())) {
            $this->conflicts[] = new Conflict(ConflictType::Value, $base->id, [$mine], null);

            return $theirs;
        }
        $role = $theirs->role;
        if ($theirs->role === $base->role) {
            $role = $mine->role;
        } elseif ($mine->role !== $base->role && $mine->role !== $theirs->role) {
            $this->conflicts[] = new Conflict(ConflictType::Value, $base->id, [$mine], null);
        }
        $shape = $role === $theirs->role ? $theirs : $mine;
        $fields = [];
        // Of another role, only the fields that it has.
        foreach (
            $base->role === $theirs->role && $base->role === $mine->role ? $theirs->fields + $mine->fields : $shape->fields as $name => $unused
        ) {
            $value = $this->mergeField((string) $name, $base, $theirs, $mine);
            if ($value !== null) {
                $fields[$name] = $value;
            }
        }

        return new Part($base->id, $role, $theirs->depth, $fields);
    }

    /** @return FieldValue|null */
    private function mergeField(string $name, Part $base, Part $theirs, Part $mine): mixed
    {
        $was = $base->fields[$name] ?? null;
        $their = $theirs->fields[$name] ?? null;
        $my = $mine->fields[$name] ?? null;
        if (Part::same($my, $was) || Part::same($my, $their) || isset($this->keptColumns[$name])) {
            return $their;
        }
        if (Part::same($their, $was)) {
            return $my;
        }
        if (! $was instanceof RichText || ! $their instanceof RichText || ! $my instanceof RichText) {
            // That its column went is told once, for the column.
            if (isset($this->parts[$name]) || ! $this->base->has($name)) {
                $this->conflicts[] = new Conflict(ConflictType::Value, $base->id, [$mine], null, $name);
            }

            return $their;
        }
        $merge = TextMerge::of($was, $their, $my, $this->words, $this->apart);
        foreach ($merge->meetings as $meeting) {
            $this->conflicts[] = new Conflict(ConflictType::Text, $base->id, [$mine], null, $name, $meeting);
        }

        return $merge->text;
    }

    /** @param array<string, int> $touched */
    private function did(array $touched, string $id, ChangeType $what): bool
    {
        return (($touched[$id] ?? 0) & $what->bit()) !== 0;
    }
}
