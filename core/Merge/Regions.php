<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Sequences\Alignment;

/**
 * Where two edits of one sequence lie (diff3: S. Khanna, K. Kunal and B. C. Pierce, “A Formal Investigation of Diff3”, FSTTCS 2007, §2).
 *
 * A gap is from and to in the base, from and to on its side, and whose it is: 0 theirs, 1 mine.
 *
 * @phpstan-type Gap array{int, int, int, int, int}
 * @phpstan-type Group array{from: int, to: int, gaps: list<Gap>}
 */
final class Regions
{
    /**
     * The changed ranges of the base with what each side has there; ranges of both sides that overlap, or touch where one
     * of them is a plain insertion, become one.
     *
     * @param  (\Closure(list<Group>): list<Group>)|null  $apart  makes other groups of them, each within or around those given
     * @param  (\Closure(int): bool)|null  $borders  whether two edits that only touch at a position of the base are two
     * @return list<array{int, int, array{int, int}|null, array{int, int}|null}> base from, base to, theirs, mine
     */
    public static function of(Alignment $theirs, Alignment $mine, ?\Closure $apart = null, ?\Closure $borders = null): array
    {
        $gaps = [
            ...array_map(fn (array $gap) => [...$gap, 0], $theirs->gaps()),
            ...array_map(fn (array $gap) => [...$gap, 1], $mine->gaps()),
        ];
        usort($gaps, fn (array $one, array $two) => [$one[0], $one[1], $one[4]] <=> [$two[0], $two[1], $two[4]]);
        $groups = [];
        foreach ($gaps as $gap) {
            $last = array_key_last($groups);
            if ($last !== null && self::meets($groups[$last], $gap, $borders)) {
                $groups[$last]['to'] = max($groups[$last]['to'], $gap[1]);
                $groups[$last]['gaps'][] = $gap;
            } else {
                $groups[] = ['from' => $gap[0], 'to' => $gap[1], 'gaps' => [$gap]];
            }
        }

        return array_map(fn (array $group) => [
            $group['from'],
            $group['to'],
            self::side($group, 0),
            self::side($group, 1),
        ], $apart === null ? $groups : $apart($groups));
    }

    /**
     * @param  Group  $group
     * @param  Gap  $gap
     * @param  (\Closure(int): bool)|null  $borders
     */
    private static function meets(array $group, array $gap, ?\Closure $borders): bool
    {
        if ($gap[0] < $group['to']) {
            return true;
        }
        if ($gap[0] > $group['to']) {
            return false;
        }
        $inserts = $gap[0] === $gap[1];
        $touching = array_filter($group['gaps'], fn (array $other) => $other[1] === $gap[0]);
        $inserted = array_filter($touching, fn (array $other) => $other[0] === $other[1]);
        if (! $inserts && $inserted === []) {
            return false;
        }
        // Two insertions at one place always meet; one beside a change only where nothing parts them.
        $onlyTouches = $inserts ? $inserted === [] : $group['from'] === $group['to'];

        return ! $onlyTouches || $borders === null || ! $borders($gap[0]);
    }

    /**
     * The range that one side has for a region of the base, or null when that side left it as it was.
     *
     * @param  Group  $group
     * @return array{int, int}|null
     */
    public static function side(array $group, int $side): ?array
    {
        $own = array_values(array_filter($group['gaps'], fn (array $gap) => $gap[4] === $side));
        if ($own === []) {
            return null;
        }
        $first = $own[0];
        $last = $own[count($own) - 1];

        return [$first[2] - ($first[0] - $group['from']), $last[3] + ($group['to'] - $last[1])];
    }
}
