<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Sequences\Increasing;

/**
 * Compares two states of an item by the ids of their parts. Moved is what is under another parent, or outside the
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
        $runs = $new->runs($old);
        $moved = self::moves($old, $new, $runs);
        [$oldParts, $newParts, $changes] = [$old->parts, $new->parts, []];
        foreach (self::gone($runs, count($oldParts)) as $at) {
            $changes[] = Change::removed($oldParts[$at], $old->spot($at));
        }
        $next = 0;
        foreach ([...$runs, [count($newParts), 0, 0]] as [$position, $at, $length]) {
            for (; $next < $position; $next++) {
                $changes[] = Change::added($newParts[$next], $new->spot($next));
            }
            for ($next += $length; $position < $next; $position++, $at++) {
                $before = $oldParts[$at];
                $after = $newParts[$position];
                if (isset($moved[$at])) {
                    $changes[] = Change::moved($before, $after, $old->spot($at), $new->spot($position));
                }
                if ($before !== $after && ! $before->sameFields($after)) {
                    $changes[] = Change::edited($before, $after);
                }
            }
        }

        return new ChangeSet($changes);
    }

    /**
     * @param  list<array{int, int, int}>  $runs
     * @return list<int> the old positions that no run goes over
     */
    private static function gone(array $runs, int $count): array
    {
        $lengths = array_column($runs, 2, 1) + [$count => 0];
        ksort($lengths);
        $gone = [];
        $next = 0;
        foreach ($lengths as $at => $length) {
            for (; $next < $at; $next++) {
                $gone[] = $next;
            }
            $next += $length;
        }

        return $gone;
    }

    /** @return array<string, true> by id */
    public static function moved(PartTree $old, PartTree $new): array
    {
        [$old, $new] = [Places::of([[[], $old->parts]]), Places::of([[[], $new->parts]])];

        return array_fill_keys(array_intersect_key($old->ids, self::moves($old, $new, $new->runs($old))), true);
    }

    /**
     * @param  list<array{int, int, int}>  $runs  new position, old position, how many
     * @return array<int, true> by old position
     */
    private static function moves(Places $old, Places $new, array $runs): array
    {
        $moved = $siblings = [];
        $stretch = $oldStart = $oldEnd = $newEnd = 0;
        foreach ($runs as [$position, $at, $length]) {
            for (; $position >= $newEnd; $stretch++) {
                $oldStart = $oldEnd;
                $oldEnd = $old->ends[$stretch];
                $newEnd = $new->ends[$stretch];
            }
            $parent = $new->parent($position);
            if ($at >= $oldStart && $at < $oldEnd && $old->parent($at) === $parent) {
                $siblings[$parent][$at] = $length;
            } else {
                $moved += array_fill($at, $length, true);
            }
        }
        foreach ($siblings as $lengths) {
            $moved += array_fill_keys(Increasing::outsideOfRuns($lengths), true);
        }

        return $moved;
    }
}
