<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\PartTree;

/**
 * Compares two states of an item by the ids of their parts. Moved is what stands under another parent, or outside the
 * longest run of siblings that kept their order. O(n log n).
 */
final class TreeCompare
{
    public static function of(PartTree $old, PartTree $new): ChangeSet
    {
        $changes = [];
        foreach ($old->parts as $part) {
            if (! $new->has($part->id)) {
                $changes[] = new Change(ChangeType::Removed, $part->id, $part, null, Spot::of($old, $part->id), null);
            }
        }
        $moved = self::moved($old, $new);
        foreach ($new->parts as $part) {
            $before = $old->find($part->id);
            if ($before === null) {
                $changes[] = new Change(ChangeType::Added, $part->id, null, $part, null, Spot::of($new, $part->id));

                continue;
            }
            if (isset($moved[$part->id])) {
                $changes[] = new Change(ChangeType::Moved, $part->id, $before, $part, Spot::of($old, $part->id), Spot::of($new, $part->id));
            }
            if (! $before->sameFields($part)) {
                $changes[] = new Change(ChangeType::Edited, $part->id, $before, $part, null, null);
            }
        }

        return new ChangeSet($changes);
    }

    /** @return array<string, true> */
    public static function moved(PartTree $old, PartTree $new): array
    {
        $moved = [];
        foreach ($new->children() as $parent => $children) {
            $stayed = $positions = [];
            foreach ($children as $id) {
                $position = $old->position($id);
                if ($position === null) {
                    continue;
                }
                if ($old->parent($id) !== $parent) {
                    $moved[$id] = true;
                } else {
                    $stayed[] = $id;
                    $positions[] = $position;
                }
            }
            foreach (array_diff_key($stayed, array_flip(Increasing::longest($positions))) as $id) {
                $moved[$id] = true;
            }
        }

        return $moved;
    }
}
