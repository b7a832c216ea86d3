<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Texts\Sentences;
use MistyAttic\Core\Compare\Texts\Word;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Merges two edits of one text over its words (diff3: S. Khanna, K. Kunal and B. C. Pierce, “A Formal Investigation of
 * Diff3”, FSTTCS 2007). Changes in different places both go in; where they meet, theirs stays and mine is reported.
 * A change of marks is a change of the word.
 *
 * A merge makes no sentence that nobody wrote: where both rewrote a good part of one, or met in it and went on elsewhere in it,
 * the whole sentence is the place. Nor does it make a figure: numbers close to each other are one place.
 *
 * @phpstan-import-type Group from Regions
 */
final readonly class TextMerge
{
    /** Words of a sentence that one side must have written over or removed at least, to have rewritten it. */
    private const REWRITING = 2;

    /** The share of its words that both sides together must have written over or removed. */
    private const REWRITTEN = 1 / 3;

    /** Words between two numbers of one figure: “10 of 20”. */
    private const FIGURE = 2;

    /** @param list<TextMeeting> $meetings */
    private function __construct(public RichText $text, public array $meetings) {}

    /** @param bool $apart separates by words all that can be separated, for taking out what somebody wrote */
    public static function of(RichText $base, RichText $theirs, RichText $mine, Words $words, bool $apart = false): self
    {
        $baseWords = $words->of($base);
        $theirWords = $words->of($theirs);
        $myWords = $words->of($mine);
        [$baseKeys, $theirKeys, $myKeys] = [self::keys($baseWords), self::keys($theirWords), self::keys($myWords)];
        $tokens = array_map(fn (Word $word) => $word->text, $baseWords);
        [$toTheirs, $toMine] = [Sequences::align($baseKeys, $theirKeys), Sequences::align($baseKeys, $myKeys)];
        $regions = fn (Alignment $theirs, Alignment $mine): array => Regions::of(
            $theirs,
            $mine,
            fn (array $groups): array => $apart ? $groups : self::gathered($groups, $tokens, $theirKeys, $myKeys),
            fn (int $position): bool => $apart || Sentences::endsBefore($tokens, $position),
        );
        $found = $regions($toTheirs->settled($baseKeys, $theirKeys), $toMine->settled($baseKeys, $myKeys));
        if (array_filter($found, fn (array $region) => $region[2] !== null && $region[3] !== null) !== []) {
            // A full stop before and one behind a sentence: where it could have been put in at either, it may not have met anything.
            $inFront = $regions($toTheirs->settledInFront($baseKeys, $theirKeys), $toMine->settledInFront($baseKeys, $myKeys));
            $both = fn (array $regions): int => count(
                array_filter($regions, fn (array $region) => $region[2] !== null && $region[3] !== null),
            );
            $found = $both($inFront) < $both($found) ? $inFront : $found;
        }

        return self::merged($baseWords, $theirWords, $myWords, $found);
    }

    /**
     * @param  list<Word>  $baseWords
     * @param  list<Word>  $theirWords
     * @param  list<Word>  $myWords
     * @param  list<array{int, int, array{int, int}|null, array{int, int}|null}>  $regions  of the base, and what is there on both sides
     *     where that is something else
     */
    private static function merged(array $baseWords, array $theirWords, array $myWords, array $regions): self
    {
        $merged = [];
        $met = [];
        $at = 0;
        foreach ($regions as [$from, $to, $their, $my]) {
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
     * Changes of both sides that are one place for a reader.
     *
     * @param  list<Group>  $groups
     * @param  list<string>  $tokens  of the base
     * @param  list<string>  $theirs  keys
     * @param  list<string>  $mine
     * @return list<Group>
     */
    private static function gathered(array $groups, array $tokens, array $theirs, array $mine): array
    {
        if (
            count($groups) < 2
            || count(array_unique(array_merge(...array_map(fn (array $group) => array_column($group['gaps'], 4), $groups)))) < 2
        ) {
            return $groups;
        }
        $groups = self::figures($groups, $tokens);
        foreach ((new Sentences)->of($tokens) as [$from, $to]) {
            $within = array_filter($groups, fn (array $group) => $group['from'] < $to && $group['to'] > $from);
            if (count($within) < 2) {
                continue;
            }
            $gone = [0 => 0, 1 => 0];
            foreach ($within as $group) {
                foreach ($group['gaps'] as $gap) {
                    $gone[$gap[4]] += count(array_filter(array_slice($tokens, $gap[0], $gap[1] - $gap[0]), Words::counts(...)));
                }
            }
            $sides = array_unique(array_merge(...array_map(fn (array $group) => array_column($group['gaps'], 4), $within)));
            $size = max(1, count(array_filter(array_slice($tokens, $from, $to - $from), Words::counts(...))));
            $met = array_filter($within, fn (array $group) => self::differs($group, $theirs, $mine)) !== [];
            $mineElsewhere
                = array_filter($within, fn (array $group) => array_column($group['gaps'], 4) === array_fill(0, count($group['gaps']), 1))
                !== [];
            if (
                (count($sides) === 2 && max($gone) >= self::REWRITING && array_sum($gone) >= self::REWRITTEN * $size)
                || ($met && $mineElsewhere)
            ) {
                $groups = self::joined($groups, array_keys($within), $from, $to);
            }
        }

        return $groups;
    }

    /**
     * Numbers that both changed, one each, with hardly a word between them.
     *
     * @param  list<Group>  $groups
     * @param  list<string>  $tokens
     * @return list<Group>
     */
    private static function figures(array $groups, array $tokens): array
    {
        $isNumber = fn (array $group): bool => preg_match(
            '/\d/',
            implode('', array_slice($tokens, $group['from'], $group['to'] - $group['from'])),
        ) === 1;
        for ($at = 0; $at + 1 < count($groups);) {
            [$one, $two] = [$groups[$at], $groups[$at + 1]];
            $between = array_slice($tokens, $one['to'], $two['from'] - $one['to']);
            $near = count(array_filter($between, Words::counts(...))) < self::FIGURE
            && ! str_contains(implode('', $between), "\n")
            && preg_match('/[.!?;]/', implode('', $between)) !== 1;
            if (
                $near
                && $isNumber($one)
                && $isNumber($two)
                && array_unique([...array_column($one['gaps'], 4), ...array_column($two['gaps'], 4)]) !== [$one['gaps'][0][4]]
            ) {
                $groups = self::joined($groups, [$at, $at + 1], $one['from'], $two['to']);
            } else {
                $at++;
            }
        }

        return $groups;
    }

    /**
     * Whether both sides changed a place, and not alike.
     *
     * @param  Group  $group
     * @param  list<string>  $theirs
     * @param  list<string>  $mine
     */
    private static function differs(array $group, array $theirs, array $mine): bool
    {
        [$their, $my] = [Regions::side($group, 0), Regions::side($group, 1)];

        return $their !== null
            && $my !== null
            && array_slice($theirs, $their[0], $their[1] - $their[0]) !== array_slice($mine, $my[0], $my[1] - $my[0]);
    }

    /**
     * @param  list<Group>  $groups
     * @param  non-empty-list<int>  $positions  neighbours
     * @return list<Group>
     */
    private static function joined(array $groups, array $positions, int $from, int $to): array
    {
        $of = array_slice($groups, $positions[0], count($positions));
        array_splice($groups, $positions[0], count($positions), [[
            'from' => min($from, ...array_column($of, 'from')),
            'to' => max($to, ...array_column($of, 'to')),
            'gaps' => array_merge(...array_column($of, 'gaps')),
        ]]);

        return $groups;
    }

    /**
     * @param  list<Word>  $words
     * @return list<string>
     */
    private static function keys(array $words): array
    {
        return array_map(fn (Word $word) => $word->key(), $words);
    }
}
