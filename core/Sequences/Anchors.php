<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/**
 * Where two lists go on together after a difference: at an element that is the last of its like on each side. Finding it costs
 * what the difference is large, and not what the lists are long.
 */
final class Anchors
{
    /** Elements on both sides together, up to which a difference ends at any anchor. */
    private const AT_HAND = 2;

    /** And up to which it ends at one if nothing changed places in it. */
    private const NEAR = 64;

    /** Else so many elements have to be equal again, lest something that was carried elsewhere leads astray. */
    private const AGAIN = 16;

    /** So many elements tell whether a list is varied. */
    private const SAMPLE = 256;

    /** No element. */
    private const NONE = -1;

    /** Whether there are many elements and most differ from each other, so that two equal ones in a row say something. */
    private readonly bool $isVaried;

    /** @var array<int>|null element => its last position; made when it is asked for first */
    private ?array $lastOld = null;

    /** @var array<int> */
    private array $lastNew = [];

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    public function __construct(private readonly array $old, private readonly array $new)
    {
        $sample = array_slice($old, 0, self::SAMPLE);
        $this->isVaried = 2 * count(array_flip($sample)) > self::SAMPLE;
    }

    /**
     * Where both sides go on behind two positions at which they differ.
     *
     * @return array{int, int, bool}|null how far it is on either side, and whether something in between may be equal as well
     */
    public function behind(int $a, int $b): ?array
    {
        return ($this->isVaried ? $this->next($a, $b) : null) ?? $this->nearest($a, $b);
    }

    /**
     * One that went, one that came, or one in place of another, with two that are equal behind it: most differences are no more.
     *
     * @return array{int, int, bool}|null
     */
    private function next(int $a, int $b): ?array
    {
        $old = $this->old;
        $new = $this->new;
        $a1 = $old[$a + 1] ?? null;
        $b1 = $new[$b + 1] ?? null;
        if ($a1 !== null && $a1 === $new[$b] && isset($old[$a + 2]) && $old[$a + 2] === $b1) {
            return [1, 0, false];
        }
        if ($b1 !== null && $b1 === $old[$a] && isset($new[$b + 2]) && $new[$b + 2] === $a1) {
            return [0, 1, false];
        }

        return $a1 !== null && $a1 === $b1 && isset($old[$a + 2], $new[$b + 2]) && $old[$a + 2] === $new[$b + 2] ? [1, 1, false] : null;
    }

    /** @return array{int, int, bool}|null */
    private function nearest(int $a, int $b): ?array
    {
        if ($this->lastOld === null) {
            $this->lastOld = array_flip($this->old);
            $this->lastNew = array_flip($this->new);
        }
        $old = $this->old;
        $lastOld = $this->lastOld;
        $lastNew = $this->lastNew;
        $end = count($old) - $a;
        $best = $end + count($this->new) - $b;
        $found = -1;
        $isShared = $mayMeet = false;
        $farthest = -1;
        for ($skip = 0; $skip < $best && $skip < $end; $skip++) {
            $element = $old[$a + $skip];
            $at = $lastNew[$element] ?? self::NONE;
            if ($at < $b) {
                continue;
            }
            if ($lastOld[$element] === $a + $skip) {
                $ahead = $at - $b;
                $size = $skip + $ahead;
                if ($size < $best && ($size <= self::AT_HAND || ($size <= self::NEAR && $farthest < $ahead && $this->isStraight($a, $a + $skip, $b, $at)) || $this->goesOn($a + $skip, $at))) {
                    $best = $size;
                    $found = $skip;
                    $mayMeet = $isShared;
                }
                if ($ahead > $farthest) {
                    $farthest = $ahead;
                }
            }
            $isShared = true;
        }

        return $found < 0 ? null : [$found, $best - $found, $mayMeet];
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
    private function goesOn(int $a, int $b): bool
    {
        for ($count = self::AGAIN; $count > 0 && isset($this->old[$a], $this->new[$b]) && $this->old[$a] === $this->new[$b]; $a++, $b++, $count--);

        return $count === 0;
    }
}
