<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/**
 * The longest increasing subsequence by patience sorting: O(n log n). Values that follow one another without a gap stay together
 * in one of the longest, since no other value can come between them: where they make few runs, runs are sorted instead, by weight.
 */
final class Increasing
{
    /** More runs are sorted value by value, since the piles of runs are moved along as they grow. */
    private const MOST_RUNS = 1_000;

    /**
     * @template K of array-key
     *
     * @param  array<K, int>  $values  all different
     * @return array<K, int>
     */
    public static function longest(array $values): array
    {
        return array_diff_key($values, self::outside($values));
    }

    /**
     * The values that are not in the longest.
     *
     * @template K of array-key
     *
     * @param  array<K, int>  $values  all different
     * @return array<K, int>
     */
    public static function outside(array $values): array
    {
        $lengths = [];
        $start = $next = null;
        foreach ($values as $value) {
            if ($value === $next) {
                $lengths[$start]++;
            } else {
                $lengths[$start = $value] = 1;
            }
            $next = $value + 1;
        }

        $outside = array_flip(self::outsideOfRuns($lengths));

        return array_filter($values, fn (int $value): bool => isset($outside[$value]));
    }

    /**
     * The same for values of which most follow one another.
     *
     * @param  array<int, int>  $lengths  how many values follow one another, by the first; in the order of the values
     * @return list<int> the values that are not in the longest
     */
    public static function outsideOfRuns(array $lengths): array
    {
        if (count($lengths) < 2) {
            return [];
        }
        if (count($lengths) > self::MOST_RUNS || max($lengths) === 1) {
            $values = [];
            foreach ($lengths as $value => $length) {
                for ($end = $value + $length; $value < $end; $value++) {
                    $values[] = $value;
                }
            }

            return array_values(array_diff_key($values, array_flip(self::byPatience($values))));
        }
        $outside = [];
        $starts = array_keys($lengths);
        foreach (array_diff_key($starts, array_flip(self::heaviest($starts, array_values($lengths)))) as $start) {
            array_push($outside, ...range($start, $start + $lengths[$start] - 1));
        }

        return $outside;
    }

    /**
     * @param  list<int>  $values
     * @return list<int>
     */
    private static function byPatience(array $values): array
    {
        $tops = $before = [];
        $count = 0;
        $top = PHP_INT_MIN;
        foreach ($values as $at => $value) {
            // Most values go on from the last one.
            $low = $value > $top ? $count : self::firstAbove($value, $values, $tops);
            $before[] = $low > 0 ? $tops[$low - 1] : null;
            $tops[$low] = $at;
            if ($low >= $count - 1) {
                $top = $value;
                $count = $low + 1;
            }
        }

        return self::back($tops[$count - 1] ?? null, $before);
    }

    /**
     * The same for values with weights: a pile ends with the least value of all subsequences that weigh as much or more.
     *
     * @param  list<int>  $values
     * @param  list<int>  $weights  above 0
     * @return list<int>
     */
    private static function heaviest(array $values, array $weights): array
    {
        /** @var array<int, int> $tops */
        $tops = [];
        /** @var array<int, int> $totals */
        $totals = [];
        $before = [];
        foreach ($values as $at => $value) {
            $low = self::firstAbove($value, $values, $tops);
            $before[] = $tops[$low - 1] ?? null;
            $total = $weights[$at] + ($totals[$low - 1] ?? 0);
            for ($high = $low; ($totals[$high] ?? PHP_INT_MAX) <= $total; $high++);
            array_splice($tops, $low, $high - $low, [$at]);
            array_splice($totals, $low, $high - $low, [$total]);
        }

        return self::back(array_pop($tops), $before);
    }

    /**
     * @param  list<int>  $values
     * @param  array<int, int>  $tops  positions of ascending values
     */
    private static function firstAbove(int $value, array $values, array $tops): int
    {
        $low = 0;
        for ($high = count($tops); $low < $high;) {
            $middle = ($low + $high) >> 1;
            if ($values[$tops[$middle]] < $value) {
                $low = $middle + 1;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }

    /**
     * @param  list<int|null>  $before  what each comes after
     * @return list<int>
     */
    private static function back(?int $last, array $before): array
    {
        $longest = [];
        for ($at = $last; $at !== null; $at = $before[$at]) {
            $longest[] = $at;
        }

        return array_reverse($longest);
    }
}
