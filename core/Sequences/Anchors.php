<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/**
 * Where two lists go on together after a difference: at an element that is the last of its like on each side. Finding it costs
 * what the difference is large, and not what the lists are long.
 */
final readonly class Anchors
{
    /** Elements on both sides together, up to which a difference ends at any anchor. */
    private const AT_HAND = 2;

    /** And up to which it ends at one if nothing changed places in it. */
    private const NEAR = 64;

    /** Else so many elements have to be equal again, lest something that was carried elsewhere leads astray. */
    private const AGAIN = 16;

    /** No element. */
    private const NONE = -1;

    /** @var array<int> element => its last position */
    private array $lastOld;

    /** @var array<int> */
    private array $lastNew;

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     */
    public function __construct(private array $old, private array $new)
    {
        $this->lastOld = array_flip($old);
        $this->lastNew = array_flip($new);
    }

    /**
     * The nearest anchor behind two positions.
     *
     * @return array{int, int, bool}|null how far it is on either side, and whether something in between may be equal as well
     */
    public function behind(int $a, int $b): ?array
    {
        $old = $this->old;
        $lastOld = $this->lastOld;
        $lastNew = $this->lastNew;
        $end = count($old) - $a;
        $best = $end + count($this->new) - $b;
        $found = null;
        $isShared = false;
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
                    $found = [$skip, $ahead, $isShared];
                }
                $farthest = max($farthest, $ahead);
            }
            $isShared = true;
        }

        return $found;
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
