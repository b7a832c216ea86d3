<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Store\Lives\Lives;

/**
 * What is looked for: words, pieces of words from three letters on, and “exact words” in quotation marks. Case and accents do not matter.
 */
final readonly class Asked
{
    /** Letters that a piece needs. */
    public const LEAST = 3;

    private const MOST = 8;

    /** @var list<string> folded */
    public array $pieces;

    public function __construct(public string $words)
    {
        preg_match_all('/["“”„]([^"“”„]+)["“”„]?|\S+/u', $words, $found, PREG_SET_ORDER);
        $pieces = array_map(fn (array $each): string => trim(Lives::folded($each[1] ?? $each[0])), $found);
        $this->pieces = array_slice(
            array_values(array_unique(array_filter($pieces, fn (string $piece) => mb_strlen($piece) >= self::LEAST))),
            0,
            self::MOST,
        );
    }

    /** For FTS5 with trigrams: those of every piece. */
    public function match(): string
    {
        $trigrams = [];
        foreach ($this->pieces as $piece) {
            for ($at = 0, $end = mb_strlen($piece) - self::LEAST; $at <= $end; $at++) {
                $trigrams[] = '"'.str_replace('"', '""', mb_substr($piece, $at, self::LEAST)).'"';
            }
        }

        return implode(' AND ', array_slice(array_values(array_unique($trigrams)), 0, 60));
    }

    /** Whether a text holds all of it. */
    public function isIn(string $folded): bool
    {
        return array_filter($this->pieces, fn (string $piece) => ! str_contains($folded, $piece)) === [];
    }

    /**
     * The words around the first place where it is, cut where they are marked.
     *
     * @return list<array{string, bool}> piece, and whether it is what was looked for
     */
    public function marked(string $text, int $around = 60): array
    {
        // Letter by letter, since folding changes how many there are.
        $letters = mb_str_split((string) preg_replace('/\s+/u', ' ', $text));
        $folded = '';
        $of = [];
        foreach ($letters as $at => $letter) {
            $one = Lives::folded($letter);
            $folded .= $one;
            array_push($of, ...array_fill(0, strlen($one), $at));
        }
        $marks = [];
        foreach ($this->pieces as $piece) {
            for ($from = strpos($folded, $piece); $from !== false; $from = strpos($folded, $piece, $from + strlen($piece))) {
                for ($at = $of[$from]; $at <= $of[$from + strlen($piece) - 1]; $at++) {
                    $marks[$at] = true;
                }
            }
        }
        $first = $marks === [] ? 0 : min(array_keys($marks));
        [$start, $end] = [max(0, $first - $around), min(count($letters), $first + 3 * $around)];
        $pieces = $start > 0 ? [['… ', false]] : [];
        for ($at = $start; $at < $end; $at++) {
            $isMarked = isset($marks[$at]);
            $last = array_key_last($pieces);
            $last !== null && $pieces[$last][1] === $isMarked ? $pieces[$last][0] .= $letters[$at] : $pieces[] = [$letters[$at], $isMarked];
        }

        return $end < count($letters) ? [...$pieces, [' …', false]] : $pieces;
    }
}
