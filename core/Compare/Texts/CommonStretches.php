<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Finds the words that came in one place and went from another. A stretch counts when it has three words or more, or is all
 * that came or went; a single word only where it is all of a text. Where half of the smaller of both is the same, as when
 * one splits a paragraph and goes on in it, each word that is left counts. Longest first at each place. O(n) for texts that repeat
 * little; each word is looked for at no more than {@see TRIES} places.
 */
final class CommonStretches
{
    private const TRIES = 24;

    /** Letters of a word that is enough by itself to know two places by. */
    private const TELLING = 4;

    /**
     * @param  list<list<string>>  $come  tokens ({@see Words::cut}) of each stretch that came
     * @param  list<list<string>>  $gone
     * @param  array<int, true>  $wholeCome  which of them are all of a text
     * @param  array<int, true>  $wholeGone
     * @return list<array{int, int, int, int, int}> stretch that came, position in it, stretch that went, position in it, tokens
     */
    public static function of(array $come, array $gone, array $wholeCome = [], array $wholeGone = []): array
    {
        $places = [];
        foreach ($gone as $stretch => $tokens) {
            foreach ($tokens as $at => $token) {
                if (Words::counts($token)) {
                    $places[$token][] = [$stretch, $at];
                }
            }
        }
        $found = $used = $taken = [];
        foreach ($places === [] ? [] : $come as $stretch => $tokens) {
            $all = count(array_filter($tokens, Words::counts(...)));
            for ($at = 0, $free = 0; $at < count($tokens); $at++) {
                $best = null;
                foreach (array_slice($places[$tokens[$at]] ?? [], 0, self::TRIES) as [$from, $start]) {
                    $match = self::around($tokens, $at, $free, $gone[$from], $start, $used[$from] ?? []);
                    if ($match !== null && ($best === null || $match[2] > $best[2])) {
                        $best = [...$match, $from];
                    }
                }
                if ($best === null) {
                    continue;
                }
                [$first, $fromFirst, $words, $length, $from] = $best;
                $whole = $words === $all || $words === count(array_filter($gone[$from], Words::counts(...)));
                if ($words >= 3 || ($whole && ($words >= 2 || isset($wholeCome[$stretch]) || isset($wholeGone[$from])))) {
                    $found[] = [$stretch, $first, $from, $fromFirst, $length];
                    for ($step = 0; $step < $length; $step++) {
                        $used[$from][$fromFirst + $step] = $taken[$stretch][$first + $step] = true;
                    }
                    $at = $first + $length - 1;
                    $free = $first + $length;
                }
            }
        }

        return $places === [] ? [] : [...$found, ...self::leftovers($come, $gone, $taken, $used)];
    }

    /**
     * The gaps of an alignment, joined where nothing but a space or a sign is between them: words that were written over
     * went and came as one.
     *
     * @param  list<string>  $old  the tokens on its left
     * @return list<array{int, int, int, int}>
     */
    public static function gaps(Alignment $alignment, array $old): array
    {
        $joined = [];
        foreach ($alignment->gaps() as $gap) {
            $last = array_key_last($joined);
            if (
                $last !== null
                && array_filter(array_slice($old, $joined[$last][1], $gap[0] - $joined[$last][1]), Words::counts(...)) === []
            ) {
                [$joined[$last][1], $joined[$last][3]] = [$gap[1], $gap[3]];
            } else {
                $joined[] = $gap;
            }
        }

        return $joined;
    }

    /**
     * The words that are left, of two places that share half of theirs.
     *
     * @param  list<list<string>>  $come
     * @param  list<list<string>>  $gone
     * @param  array<int, array<int, true>>  $taken
     * @param  array<int, array<int, true>>  $used
     * @return list<array{int, int, int, int, int}>
     */
    private static function leftovers(array $come, array $gone, array $taken, array $used): array
    {
        $left = fn (array $tokens, array $without): array => array_filter(array_diff_key($tokens, $without), Words::counts(...));
        $goneLeft = array_map(fn (array $tokens, int $at): array => $left($tokens, $used[$at] ?? []), $gone, array_keys($gone));
        $found = [];
        foreach ($come as $stretch => $tokens) {
            $mine = $left($tokens, $taken[$stretch] ?? []);
            foreach ($mine === [] ? [] : $goneLeft as $from => $theirs) {
                $common = array_intersect($mine, $theirs);
                if (
                    $common === []
                    || 2 * count($common) < min(count($mine), count($theirs))
                    || (count($common) < 2 && mb_strlen((string) reset($common)) < self::TELLING)
                ) {
                    continue;
                }
                foreach (Sequences::align(array_values($theirs), array_values($mine))->pairs() as $one => $two) {
                    [$fromAt, $at] = [array_keys($theirs)[$one], array_keys($mine)[$two]];
                    $found[] = [$stretch, $at, $from, $fromAt, 1];
                    unset($goneLeft[$from][$fromAt]);
                }
                break;
            }
        }

        return $found;
    }

    /**
     * The longest stretch around two equal tokens.
     *
     * @param  list<string>  $tokens
     * @param  list<string>  $others
     * @param  array<int, true>  $used
     * @return array{int, int, int, int}|null from, from there, words, tokens
     */
    private static function around(array $tokens, int $at, int $free, array $others, int $start, array $used): ?array
    {
        if (isset($used[$start])) {
            return null;
        }
        for (
            $back = 0;
            $at - $back > $free
            && $start - $back > 0
            && $tokens[$at - $back - 1] === $others[$start - $back - 1]
            && ! isset($used[$start - $back - 1]);
            $back++
        );
        for (
            $on = 1;
            $at + $on < count($tokens)
            && $start + $on < count($others)
            && $tokens[$at + $on] === $others[$start + $on]
            && ! isset($used[$start + $on]);
            $on++
        );
        $words = count(array_filter(array_slice($tokens, $at - $back, $back + $on), Words::counts(...)));

        return [$at - $back, $start - $back, $words, $back + $on];
    }
}
