<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/**
 * Goes along two lists, past each difference to where they go on together: to an element that is the last of its like on each side.
 * Finding it costs what the difference is large, and not what the lists are long.
 */
final class Anchors
{
    /** Elements on both sides together, up to which a difference ends at any anchor. */
    private const AT_HAND = 2;

    /** And up to which it ends at one if nothing changed places in it. */
    private const NEAR = 64;

    /** Else so many elements have to be equal again, lest something that was carried elsewhere leads astray. */
    private const AGAIN = 16;

    /**
     * In a long list with few different elements, such as the words of a text, so many have to be equal behind one of the small
     * differences.
     */
    private const SOON = 8;

    /** Elements that went and came: a word in place of another, a word and its space that came, and that went. */
    private const SMALL = [[1, 1], [0, 2], [2, 0]];

    private const NOTHING = [0, 0];

    /** So many elements tell whether a list is varied. */
    private const SAMPLE = 256;

    /** No element. */
    private const NONE = -1;

    /** Whether there are many elements and most differ from each other, so that two equal ones in a row say something. */
    private readonly bool $isVaried;

    /** @var array<int> element => its last position; made when it is asked for first */
    private array $lastOld = [];

    /** @var array<int> */
    private array $lastNew = [];

    /**
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     */
    public function __construct(private readonly array $old, private readonly array $new)
    {
        $sample = array_slice($old, 0, self::SAMPLE);
        $this->isVaried = 2 * count(array_flip($sample)) > self::SAMPLE;
    }

    /**
     * What is equal.
     *
     * @param  \Closure(int, int, int, int): list<array{int, int, int}>  $solve  gives the runs in a difference in which something may be
     *     equal as well
     * @return list<array{int, int, int}> start on the old side, start on the new side, length; ascending
     */
    public function runs(\Closure $solve): array
    {
        [$old, $new, $isVaried] = [$this->old, $this->new, $this->isVaried];
        $runs = [];
        $aEnd = count($old);
        $bEnd = count($new);
        for ($a = $b = 0; ;) {
            for ($from = $a; $a < $aEnd && $b < $bEnd && $old[$a] === $new[$b]; $a++, $b++);
            if ($a > $from) {
                $runs[] = [$from, $b - $a + $from, $a - $from];
            }
            if ($a === $aEnd || $b === $bEnd) {
                return $runs;
            }
            // In a varied list one that went, one that came, or one in place of another, with two that are equal behind it: most
            // differences are no more.
            $a1 = $old[$a + 1] ?? null;
            $b1 = $new[$b + 1] ?? null;
            [$went, $came] = match (true) {
                ! $isVaried => $aEnd < self::SAMPLE ? self::NOTHING : $this->few($a, $b),
                $a1 !== null && $a1 === $new[$b] && $b1 !== null && $b1 === ($old[$a + 2] ?? null) => [1, 0],
                $b1 !== null && $b1 === $old[$a] && $a1 !== null && $a1 === ($new[$b + 2] ?? null) => [0, 1],
                $a1 !== null && $a1 === $b1 && isset($old[$a + 2]) && $old[$a + 2] === ($new[$b + 2] ?? null) => [1, 1],
                default => self::NOTHING,
            };
            if ($went + $came > 0) {
                $a += $went;
                $b += $came;

                continue;
            }
            [$found, $ahead, $mayMeet] = $this->nearest($a, $b);
            if ($found < 0) {
                return [...$runs, ...$solve($a, $aEnd, $b, $bEnd)];
            }
            if ($mayMeet && $ahead > 0 && $found - $a + $ahead > 2) {
                array_push($runs, ...$solve($a, $found, $b, $b + $ahead));
            }
            $a = $found;
            $b += $ahead;
        }
    }

    /** @return array{int, int} how many elements went and came in a small difference with enough that is equal behind it */
    private function few(int $a, int $b): array
    {
        foreach (self::SMALL as [$went, $came]) {
            if ($this->goesOn($a + $went, $b + $came, self::SOON)) {
                return [$went, $came];
            }
        }

        return self::NOTHING;
    }

    /**
     * @return array{int, int, bool} where the nearest anchor is, or NONE; how many of the new side lie before its partner; and whether
     *     something may be equal before it
     */
    private function nearest(int $a, int $b): array
    {
        if ($this->lastOld === []) {
            $this->lastOld = array_flip($this->old);
            $this->lastNew = array_flip($this->new);
        }
        [$old, $lastOld, $lastNew, $aEnd] = [$this->old, $this->lastOld, $this->lastNew, count($this->old)];
        $best = $aEnd - $a + count($this->new) - $b;
        $found = $farthest = self::NONE;
        $isShared = $mayMeet = false;
        for ($at = $a; $at < $a + $best && $at < $aEnd; $at++) {
            $element = $old[$at];
            $partner = $lastNew[$element] ?? self::NONE;
            if ($partner < $b) {
                continue;
            }
            if ($lastOld[$element] === $at) {
                $ahead = $partner - $b;
                $size = $at - $a + $ahead;
                if (
                    $size < $best
                    && ($size <= self::AT_HAND
                        || ($size <= self::NEAR && $farthest < $ahead && $this->isStraight($a, $at, $b, $partner))
                        || $this->goesOn($at, $partner, self::AGAIN))
                ) {
                    [$best, $found, $mayMeet] = [$size, $at, $isShared];
                }
                if ($ahead > $farthest) {
                    $farthest = $ahead;
                }
            }
            $isShared = true;
        }

        return [$found, $best - $found + $a, $mayMeet];
    }

    /** Whether an anchor is the first of its like in a difference, and parts no element of the new side from its partner behind it. */
    private function isStraight(int $a, int $aAnchor, int $b, int $bAnchor): bool
    {
        $anchor = $this->old[$aAnchor];
        for (; $a < $aAnchor; $a++) {
            if ($this->old[$a] === $anchor) {
                return false;
            }
        }
        for (; $b < $bAnchor; $b++) {
            $element = $this->new[$b];
            if ($element === $anchor || (($this->lastOld[$element] ?? self::NONE) > $aAnchor && $this->lastNew[$element] === $b)) {
                return false;
            }
        }

        return true;
    }

    /** Whether enough elements from here on are equal. */
    private function goesOn(int $a, int $b, int $count): bool
    {
        for (; $count > 0 && isset($this->old[$a], $this->new[$b]) && $this->old[$a] === $this->new[$b]; $a++, $b++, $count--);

        return $count === 0;
    }
}
