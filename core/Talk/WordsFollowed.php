<?php

declare(strict_types=1);

namespace MistyAttic\Core\Talk;

use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Where words of a text are after it was edited. A stretch is followed as long as at least half of its words are still there, in order; it
 * then reaches from the first of them to the last, with what was written in between. Positions are code points, half open.
 */
final readonly class WordsFollowed
{
    public function __construct(private Words $words) {}

    /** @return array{int, int}|null null when too little of them is there */
    public function into(string $old, string $new, int $from, int $to): ?array
    {
        if ($old === $new) {
            return [$from, $to];
        }
        [$oldWords, $newWords] = [$this->words->cut($old), $this->words->cut($new)];
        [$oldAt, $newAt] = [self::starts($oldWords), self::starts($newWords)];
        $inside = array_filter(array_keys($oldWords), fn (int $at): bool => $oldAt[$at] >= $from && $oldAt[$at + 1] <= $to);
        $counted = array_filter($inside, fn (int $at): bool => Words::counts($oldWords[$at])) ?: $inside;
        $goesTo = [];
        foreach (Sequences::align($oldWords, $newWords)->runs as [$oldRun, $newRun, $length]) {
            for ($at = 0; $at < $length; $at++) {
                $goesTo[$oldRun + $at] = $newRun + $at;
            }
        }
        $kept = array_values(array_filter($counted, fn (int $at): bool => isset($goesTo[$at])));
        if ($kept === [] || 2 * count($kept) < count($counted)) {
            return null;
        }
        [$first, $last] = [$kept[0], $kept[count($kept) - 1]];
        // What stood at its ends without being a word goes along where it still does.
        for (; in_array($first - 1, $inside, true) && ($goesTo[$first - 1] ?? null) === $goesTo[$first] - 1; $first--);
        for (; in_array($last + 1, $inside, true) && ($goesTo[$last + 1] ?? null) === $goesTo[$last] + 1; $last++);

        return [$newAt[$goesTo[$first]], $newAt[$goesTo[$last] + 1]];
    }

    /**
     * The same words, wherever they are; of several places the one nearest to where they were.
     *
     * @return array{int, int}|null
     */
    public static function find(string $words, string $text, int $near = 0): ?array
    {
        $best = null;
        for ($at = $words === '' ? false : mb_strpos($text, $words); $at !== false; $at = mb_strpos($text, $words, $at + 1)) {
            $best = $best === null || abs($at - $near) < abs($best - $near) ? $at : $best;
        }

        return $best === null ? null : [$best, $best + mb_strlen($words)];
    }

    /**
     * A stretch that somebody chose, out to the ends of its words and without the blanks around it.
     *
     * @return array{int, int}|null null where there is no word
     */
    public function whole(string $text, int $from, int $to): ?array
    {
        $words = $this->words->cut($text);
        $starts = self::starts($words);
        $first = $last = null;
        foreach ($words as $at => $word) {
            if ($starts[$at + 1] > $from && $starts[$at] < $to && trim($word) !== '') {
                $first ??= $at;
                $last = $at;
            }
        }

        return $first === null || $last === null ? null : [$starts[$first], $starts[$last + 1]];
    }

    /**
     * @param  list<string>  $words
     * @return non-empty-list<int> where each of them begins, and where the last one ends
     */
    private static function starts(array $words): array
    {
        $starts = [0];
        foreach ($words as $at => $word) {
            $starts[] = $starts[$at] + mb_strlen($word);
        }

        return $starts;
    }
}
