<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Sequences\Alignment;

/** Where two edits of one sequence lie (diff3: S. Khanna, K. Kunal and B. C. Pierce, “A Formal Investigation of Diff3”, FSTTCS 2007, §2). */
final class Regions
{
    /**
     * The changed ranges of the base with what each side has there; ranges of both sides that overlap, or touch where one
     * of them is a plain insertion, become one.
     *
     * @return list<array{int, int, array{int, int}|null, array{int, int}|null}> base from, base to, theirs, mine
     */
    public static function of(Alignment $theirs, Alignment $mine): array
    {
        $gaps = [...array_map(fn (array $gap) => [...$gap, 0], $theirs->gaps()), ...array_map(fn (array $gap) => [...$gap, 1], $mine->gaps())];
        usort($gaps, fn (array $one, array $two) => [$one[0], $one[1], $one[4]] <=> [$two[0], $two[1], $two[4]]);
        $groups = [];
        foreach ($gaps as $gap) {
            $last = array_key_last($groups);
            $meets = $last !== null && ($gap[0] < $groups[$last]['to'] || ($gap[0] === $groups[$last]['to'] && ($gap[0] === $gap[1] || $groups[$last]['from'] === $groups[$last]['to'] || $groups[$last]['open'])));
            if ($meets) {
                $groups[$last]['to'] = max($groups[$last]['to'], $gap[1]);
                $groups[$last]['gaps'][] = $gap;
                $groups[$last]['open'] = $gap[0] === $gap[1] && $gap[1] === $groups[$last]['to'];
            } else {
                $groups[] = ['from' => $gap[0], 'to' => $gap[1], 'gaps' => [$gap], 'open' => false];
            }
        }

        return array_map(fn (array $group) => [
            $group['from'],
            $group['to'],
            self::side($group, 0),
            self::side($group, 1),
        ], $groups);
    }

    /**
     * The range that one side has for a region of the base, or null when that side left it as it was.
     *
     * @param  array{from: int, to: int, gaps: list<array{int, int, int, int, int}>, open: bool}  $group
     * @return array{int, int}|null
     */
    private static function side(array $group, int $side): ?array
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
