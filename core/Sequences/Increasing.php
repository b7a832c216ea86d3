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
        foreach ($values as $at => $value) {
            $low = 0;
            $high = count($tops);
            // Most values go on from the last one.
            if ($high > 0 && $values[$tops[$high - 1]] < $value) {
                $before[$at] = $tops[$high - 1];
                $tops[] = $at;

                continue;
            }
            while ($low < $high) {
                $middle = ($low + $high) >> 1;
                if ($values[$tops[$middle]] < $value) {
                    $low = $middle + 1;
                } else {
                    $high = $middle;
                }
            }
            $before[$at] = $low > 0 ? $tops[$low - 1] : null;
            $tops[$low] = $at;
        }
        $longest = [];
        for ($at = $tops === [] ? null : $tops[count($tops) - 1]; $at !== null; $at = $before[$at]) {
            $longest[] = $at;
        }

        return array_reverse($longest);
    }
}
