<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/** The longest increasing subsequence by patience sorting: O(n log n). */
final class Increasing
{
    /**
     * @param  list<int>  $values
     * @return list<int> positions in the list, ascending
     */
    public static function longest(array $values): array
    {
        $tops = $before = [];
        $count = 0;
        $top = PHP_INT_MIN;
        foreach ($values as $at => $value) {
            $low = $count;
            // Most values go on from the last one.
            if ($value <= $top) {
                $low = 0;
                for ($high = $count; $low < $high;) {
                    $middle = ($low + $high) >> 1;
                    if ($values[$tops[$middle]] < $value) {
                        $low = $middle + 1;
                    } else {
                        $high = $middle;
                    }
                }
            }
            $before[] = $low > 0 ? $tops[$low - 1] : null;
            $tops[$low] = $at;
            if ($low >= $count - 1) {
                $top = $value;
                $count = $low + 1;
            }
        }
        $longest = [];
        for ($at = $tops[$count - 1] ?? null; $at !== null; $at = $before[$at]) {
            $longest[] = $at;
        }

        return array_reverse($longest);
    }
}
