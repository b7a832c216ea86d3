<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Sequences\Increasing;

/**
 * Compares two states of an item by the ids of their parts. Moved is what stands under another parent, or outside the
 * longest run of siblings that kept their order. O(n log n) for whole trees; {@see between} takes only the stretches in
 * which two trees differ, as the store finds them without reading the rest.
 */
final readonly class TreeCompare
{
    public static function of(PartTree $old, PartTree $new): ChangeSet
    {
        return self::between([new Stretch([], $old->parts, $new->parts)]);
    }

    /**
     * The same as {@see of} for the whole trees, but that a part which moved from one stretch into another counts as moved
     * even where an equally short list of moves would have named its neighbours.
     *
     * @param  list<Stretch>  $stretches
     */
    public static function between(array $stretches): ChangeSet
    {
        $old = Places::of(array_map(fn (Stretch $stretch) => [$stretch->open, $stretch->old], $stretches));
        $new = Places::of(array_map(fn (Stretch $stretch) => [$stretch->open, $stretch->new], $stretches));
        $changes = [];
        foreach (array_diff_key($old->at, $new->at) as $id => $at) {
            $changes[] = new Change(ChangeType::Removed, $id, $old->parts[$at], null, $old->spot($at), null);
        }
        $moved = self::moves($old, $new);
        [$oldAt, $oldParts, $parts] = [$old->at, $old->parts, $new->parts];
        foreach ($new->ids as $position => $id) {
            $at = $oldAt[$id] ?? null;
            if ($at === null) {
                $changes[] = new Change(ChangeType::Added, $id, null, $parts[$position], null, $new->spot($position));

                continue;
            }
            if (isset($moved[$id])) {
                $changes[] = new Change(ChangeType::Moved, $id, $oldParts[$at], $parts[$position], $old->spot($at), $new->spot($position));
            }
            if ($oldParts[$at] !== $parts[$position] && ! $oldParts[$at]->sameFields($parts[$position])) {
                $changes[] = new Change(ChangeType::Edited, $id, $oldParts[$at], $parts[$position], null, null);
            }
        }

        return new ChangeSet($changes);
    }

    /** @return array<string, true> by id */
    public static function moved(PartTree $old, PartTree $new): array
    {
        return self::moves(Places::of([[[], $old->parts]]), Places::of([[[], $new->parts]]));
    }

    /** @return array<string, true> by id */
    private static function moves(Places $old, Places $new): array
    {
        $moved = $siblings = [];
        [$oldAt, $oldParents, $oldStretches, $parents, $stretches] = [$old->at, $old->parents, $old->stretches, $new->parents, $new->stretches];
        foreach ($new->ids as $position => $id) {
            $at = $oldAt[$id] ?? null;
            if ($at === null) {
                continue;
            }
            $parent = $parents[$position];
            if ($oldParents[$at] === $parent && $oldStretches[$at] === $stretches[$position]) {
                $siblings[$parent][] = $at;
            } else {
                $moved[$id] = true;
            }
        }
        foreach ($siblings as $positions) {
            foreach (array_diff_key($positions, array_flip(Increasing::longest($positions))) as $at) {
                $moved[$old->ids[$at]] = true;
            }
        }

        return $moved;
    }
}
