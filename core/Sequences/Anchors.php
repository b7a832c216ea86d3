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

    /** In a long list with few different elements, such as the words of a text, so many have to be equal behind one of the small differences. */
    private const SOON = 8;

    /** Elements that went and came: a word in place of another, a word and its space that came, and that went. */
    private const SMALL = [[1, 1], [0, 2], [2, 0]];

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
     * What is equal. In one loop over local variables: most differences are a line or two, and calls would cost as much as the work.
     *
     * @param  \Closure(int, int, int, int): list<array{int, int, int}>  $solve  gives the runs in a difference in which something may be equal as well
     * @return list<array{int, int, int}> start on the old side, start on the new side, length; ascending
     */
    public function runs(\Closure $solve): array
    {
        [$old, $new, $isVaried] = [$this->old, $this->new, $this->isVaried];
        $lastOld = $lastNew = $runs = [];
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
            if ($isVaried) {
                // One that went, one that came, or one in place of another, with two that are equal behind it: most are no more.
                $a1 = $old[$a + 1] ?? null;
                $b1 = $new[$b + 1] ?? null;
                if ($a1 !== null && $a1 === $new[$b] && $b1 !== null && $b1 === ($old[$a + 2] ?? null)) {
                    $a++;

                    continue;
                }
                if ($b1 !== null && $b1 === $old[$a] && $a1 !== null && $a1 === ($new[$b + 2] ?? null)) {
                    $b++;

                    continue;
                }
                if ($a1 !== null && $a1 === $b1 && isset($old[$a + 2]) && $old[$a + 2] === ($new[$b + 2] ?? null)) {
                    $a++;
                    $b++;

                    continue;
                }
            } elseif ($aEnd >= self::SAMPLE) {
                foreach (self::SMALL as [$went, $came]) {
                    if ($this->goesOn($a + $went, $b + $came, self::SOON)) {
                        $a += $went;
                        $b += $came;

                        continue 2;
                    }
                }
            }
            if ($lastOld === []) {
                $lastOld = $this->lastOld = array_flip($old);
                $lastNew = $this->lastNew = array_flip($new);
            }
            // The nearest anchor.
            $best = $aEnd - $a + $bEnd - $b;
            $found = $farthest = -1;
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
                    if ($size < $best && ($size <= self::AT_HAND || ($size <= self::NEAR && $farthest < $ahead && $this->isStraight($a, $at, $b, $partner)) || $this->goesOn($at, $partner, self::AGAIN))) {
                        $best = $size;
                        $found = $at;
                        $mayMeet = $isShared;
                    }
                    if ($ahead > $farthest) {
                        $farthest = $ahead;
                    }
                }
                $isShared = true;
            }
            if ($found < 0) {
                return [...$runs, ...$solve($a, $aEnd, $b, $bEnd)];
            }
            $ahead = $best - $found + $a;
            if ($mayMeet && $ahead > 0 && $best > 2) {
                array_push($runs, ...$solve($a, $found, $b, $b + $ahead));
            }
            $a = $found;
            $b += $ahead;
        }
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
