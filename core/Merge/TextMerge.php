<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Word;
use MistyAttic\Core\Compare\Words;
use MistyAttic\Core\Content\RichText;
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
        foreach (Regions::of($toTheirs, $toMine) as [$from, $to, $their, $my]) {
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
}
