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
        $found = $new->on($old);
        [$oldParts, $changes] = [$old->parts, []];
        foreach (count($found) === count($oldParts) ? [] : array_diff_key($oldParts, array_flip($found)) as $at => $part) {
            $changes[] = Change::removed($part, $old->spot($at));
        }
        $moved = self::moves($old, $new, $found);
        foreach ($new->parts as $position => $part) {
            if (! isset($found[$position])) {
                $changes[] = Change::added($part, $new->spot($position));

                continue;
            }
            $at = $found[$position];
            $before = $oldParts[$at];
            if (isset($moved[$at])) {
                $changes[] = Change::moved($before, $part, $old->spot($at), $new->spot($position));
            }
            if ($before !== $part && ! $before->sameFields($part)) {
                $changes[] = Change::edited($before, $part);
            }
        }

        return new ChangeSet($changes);
    }

    /** @return array<string, true> by id */
    public static function moved(PartTree $old, PartTree $new): array
    {
        [$old, $new] = [Places::of([[[], $old->parts]]), Places::of([[[], $new->parts]])];

        return array_fill_keys(array_intersect_key($old->ids, self::moves($old, $new, $new->on($old))), true);
    }

    /**
     * @param  array<int, int>  $found  new position => old position
     * @return array<int, true> by old position
     */
    private static function moves(Places $old, Places $new, array $found): array
    {
        $moved = $siblings = [];
        [$oldParents, $parents] = [$old->parents, $new->parents];
        $stretch = $oldStart = $oldEnd = $newEnd = 0;
        foreach ($found as $position => $at) {
            for (; $position >= $newEnd; $stretch++) {
                $oldStart = $oldEnd;
                $oldEnd = $old->ends[$stretch];
                $newEnd = $new->ends[$stretch];
            }
            $parent = $parents[$position];
            if ($oldParents[$at] === $parent && $at >= $oldStart && $at < $oldEnd) {
                $siblings[$parent][] = $at;
            } else {
                $moved[$at] = true;
            }
        }
        foreach ($siblings as $positions) {
            foreach (Increasing::outside($positions) as $at) {
                $moved[$at] = true;
            }
        }

        return $moved;
    }
}
