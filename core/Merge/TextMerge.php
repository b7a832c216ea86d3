<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Word;
use MistyAttic\Core\Compare\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Merges two edits of one text over its words (diff3: S. Khanna, K. Kunal and B. C. Pierce, “A Formal Investigation of
 * Diff3”, FSTTCS 2007). Changes in different places both go in; where they meet, theirs stays and mine is reported.
 * A change of marks is a change of the word.
 */
final readonly class TextMerge
{
    /** @param list<TextMeeting> $meetings */
    private function __construct(public RichText $text, public array $meetings) {}

    public static function of(RichText $base, RichText $theirs, RichText $mine, Words $words): self
    {
        $baseWords = $words->of($base);
        $theirWords = $words->of($theirs);
        $myWords = $words->of($mine);
        $toTheirs = Sequences::align(self::keys($baseWords), self::keys($theirWords));
        $toMine = Sequences::align(self::keys($baseWords), self::keys($myWords));

        $merged = [];
        $met = [];
        $at = 0;
        foreach (self::regions($toTheirs, $toMine) as [$from, $to, $their, $my]) {
            array_push($merged, ...array_slice($baseWords, $at, $from - $at));
            $at = $to;
            $theirText = $their === null ? null : array_slice($theirWords, $their[0], $their[1] - $their[0]);
            $myText = $my === null ? null : array_slice($myWords, $my[0], $my[1] - $my[0]);
            if ($theirText !== null && $myText !== null && self::keys($theirText) !== self::keys($myText)) {
                $met[] = [count($merged), count($merged) + count($theirText), array_slice($baseWords, $from, $to - $from), $myText];
            }
            array_push($merged, ...($theirText ?? $myText ?? []));
        }
        array_push($merged, ...array_slice($baseWords, $at));

        return new self(Word::join($merged), array_map(fn (array $place) => new TextMeeting(
            Word::join(array_slice($merged, 0, $place[0])),
            Word::join($place[2]),
            Word::join(array_slice($merged, $place[0], $place[1] - $place[0])),
            Word::join($place[3]),
            Word::join(array_slice($merged, $place[1])),
        ), $met));
    }

    /**
     * @param  list<Word>  $words
     * @return list<string>
     */
    private static function keys(array $words): array
    {
        return array_map(fn (Word $word) => $word->key(), $words);
    }

    /**
     * The changed ranges of the base with what each side has there; ranges of both sides that overlap, or touch where one
     * of them is a plain insertion, become one.
     *
     * @return list<array{int, int, array{int, int}|null, array{int, int}|null}> base from, base to, theirs, mine
     */
    private static function regions(Alignment $theirs, Alignment $mine): array
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
