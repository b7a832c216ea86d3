<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Content\PartTree;

/**
 * Takes the edits of chosen versions out of the present state and keeps all later work: for each, the newest first, a
 * merge whose base is the state after it, with the present state on one side and the state before it on the other. What
 * later work rests on stays and comes back as a conflict, in which “mine” is the state before.
 */
final class TakeOut
{
    /**
     * @param  iterable<array{PartTree, PartTree}>  $versions  the state before and after each, the newest first
     * @param  (\Closure(PartTree): PartTree)|null  $repair  the kind's, run after each merge
     */
    public static function of(PartTree $now, iterable $versions, ?\Closure $repair = null): Merged
    {
        $conflicts = [];
        foreach ($versions as [$before, $after]) {
            $merged = TreeMerge::of($after, $now, $before, apart: true);
            $now = $repair === null ? $merged->tree : $repair($merged->tree);
            array_push($conflicts, ...$merged->conflicts);
        }

        return new Merged($now, $conflicts);
    }

    /**
     * Chosen versions that follow on each other are taken out as one.
     *
     * @param  array<int, int>  $befores  the version that is kept before each, ascending
     * @return list<array{int, int}> the version before the first and the last of each run, the newest run first
     */
    public static function runs(array $befores): array
    {
        $runs = [];
        foreach ($befores as $number => $before) {
            $last = array_key_last($runs);
            if ($last !== null && $runs[$last][1] === $before) {
                $runs[$last][1] = $number;
            } else {
                $runs[] = [$before, $number];
            }
        }

        return array_reverse($runs);
    }
}
