<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/**
 * Aligns two lists of strings. It trims what is equal at both ends and goes along the rest, past each difference to the nearest
 * anchor where both sides go on together. A difference that is larger, or in which things changed places, is solved for itself: by
 * anchors on elements that occur once on each side (the longest increasing run of them), and in the gaps that are left by Myers'
 * linear-space algorithm (E. W. Myers, “An O(ND) Difference Algorithm and Its Variations”, Algorithmica 1986, §4b) over the
 * elements that have a partner.
 *
 * Time O(n) along what is equal and O((n + D²) log n) in what is solved, with D bounded by the cost cap in each gap; space O(n).
 * Past the cap a gap is split at the point that got furthest, and the result says that it is not exact. When all gaps together
 * have taken more steps than allowed, the cap becomes a small one, so that even two shuffled books end soon.
 */
final class Sequences
{
    /** The cap once the steps are used up. */
    private const TIRED = 24;

    /** Two ranges with so many pairs of elements are solved by a table. */
    private const SMALL = 40;

    /** Marks a diagonal that has left the grid; far enough below zero to stay there whatever is added. */
    private const NOWHERE = -1_000_000_000;

    /** @var array<int, array{int, int, int}> by their start on the old side */
    private array $runs = [];

    private bool $exact = true;

    private function __construct(private int $cap, private int $steps) {}

    /**
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     * @param  int  $cap  the most edits that one gap is searched for from either end
     * @param  int  $steps  the most diagonals that all gaps together may look at with that cap
     */
    public static function align(array $old, array $new, int $cap = 256, int $steps = 1_500_000): Alignment
    {
        $self = new self($cap, $steps);
        $oldCount = $oldEnd = count($old);
        $newCount = $newEnd = count($new);
        for ($start = 0; $start < $oldEnd && $start < $newEnd && $old[$start] === $new[$start]; $start++);
        for (; $oldEnd > $start && $newEnd > $start && $old[$oldEnd - 1] === $new[$newEnd - 1]; $oldEnd--, $newEnd--);
        $ends = [[0, 0, $start], [$oldEnd, $newEnd, $oldCount - $oldEnd]];
        if ($start === $oldEnd || $start === $newEnd) {
            return new Alignment(self::joined($ends), $oldCount, $newCount, true);
        }
        if (8 * ($oldCount - $oldEnd + $start) > $oldCount) {
            $old = array_slice($old, $start, $oldEnd - $start);
            $new = array_slice($new, $start, $newEnd - $start);
        } else {
            // Taking the ends off would copy the lists, for little.
            [$start, $ends] = [0, [[0, 0, 0], [$oldCount, $newCount, 0]]];
        }
        $runs = (new Anchors($old, $new))->runs(fn (int $a, int $aEnd, int $b, int $bEnd) => $self->solve($old, $a, $aEnd, $new, $b, $bEnd));
        foreach ($start === 0 ? [] : $runs as $at => [$a, $b, $length]) {
            $runs[$at] = [$a + $start, $b + $start, $length];
        }

        return new Alignment(self::joined([$ends[0], ...$runs, $ends[1]]), $oldCount, $newCount, $self->exact);
    }

    /**
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     * @return list<array{int, int, int}>
     */
    private function solve(array $old, int $oldFrom, int $oldTo, array $new, int $newFrom, int $newTo): array
    {
        if (($oldTo - $oldFrom) * ($newTo - $newFrom) <= self::SMALL) {
            return self::small($old, $oldFrom, $oldTo, $new, $newFrom, $newTo);
        }
        $this->runs = [];
        $open = [[$oldFrom, $oldTo, $newFrom, $newTo]];
        while ($open !== []) {
            [$a0, $a1, $b0, $b1] = $this->trimmed($old, $new, ...array_pop($open));
            if ($a0 === $a1 || $b0 === $b1) {
                continue;
            }
            $anchors = self::anchors($old, $a0, $a1, $new, $b0, $b1);
            if ($anchors === []) {
                $this->gap($old, $a0, $a1, $new, $b0, $b1);

                continue;
            }
            foreach ($anchors as $a => $b) {
                // What is equal behind an anchor may hold the next ones.
                if ($a < $a0) {
                    continue;
                }
                if ($a > $a0 && $b > $b0) {
                    $open[] = [$a0, $a, $b0, $b];
                }
                [$a0, $b0] = [$a, $b];
                for ($from = $a0; $a0 < $a1 && $b0 < $b1 && $old[$a0] === $new[$b0]; $a0++, $b0++);
                $this->runs[$from] = [$from, $b, $a0 - $from];
            }
            if ($a0 < $a1 && $b0 < $b1) {
                $open[] = [$a0, $a1, $b0, $b1];
            }
        }
        ksort($this->runs);

        return array_values($this->runs);
    }

    /**
     * What is left of a range when what is equal at its ends is taken as runs.
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     * @return array{int, int, int, int}
     */
    private function trimmed(array $old, array $new, int $a0, int $a1, int $b0, int $b1): array
    {
        for ($from = $a0; $a0 < $a1 && $b0 < $b1 && $old[$a0] === $new[$b0]; $a0++, $b0++);
        if ($a0 > $from) {
            $this->runs[$from] = [$from, $b0 - ($a0 - $from), $a0 - $from];
        }
        for ($to = $a1; $a0 < $a1 && $b0 < $b1 && $old[$a1 - 1] === $new[$b1 - 1]; $a1--, $b1--);
        if ($to > $a1) {
            $this->runs[$a1] = [$a1, $b1, $to - $a1];
        }

        return [$a0, $a1, $b0, $b1];
    }

    /**
     * By the table of how much is common from each pair of positions on.
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     * @return list<array{int, int, int}>
     */
    private static function small(array $old, int $a0, int $a1, array $new, int $b0, int $b1): array
    {
        $next = array_fill($b0, $b1 - $b0 + 1, 0);
        $common = [$a1 => $next];
        for ($a = $a1 - 1; $a >= $a0; $a--) {
            $element = $old[$a];
            $row = [$b1 => $most = 0];
            for ($b = $b1 - 1; $b >= $b0; $b--) {
                if ($element === $new[$b]) {
                    $most = $next[$b + 1] + 1;
                } elseif ($next[$b] > $most) {
                    $most = $next[$b];
                }
                $row[$b] = $most;
            }
            $common[$a] = $next = $row;
        }
        $runs = [];
        for ($a = $a0, $b = $b0; $common[$a][$b] > 0;) {
            if ($old[$a] === $new[$b]) {
                $runs[] = [$a++, $b++, 1];
            } elseif ($common[$a + 1][$b] >= $common[$a][$b + 1]) {
                $a++;
            } else {
                $b++;
            }
        }

        return $runs;
    }

    /**
     * Elements that occur once on each side of the range, as far as they are in the same order.
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     * @return array<int, int> old position => new position, ascending
     */
    private static function anchors(array $old, int $a0, int $a1, array $new, int $b0, int $b1): array
    {
        $inOld = $inNew = [];
        for ($i = $a0; $i < $a1; $i++) {
            $element = $old[$i];
            $inOld[$element] = isset($inOld[$element]) ? -1 : $i;
        }
        for ($i = $b0; $i < $b1; $i++) {
            $element = $new[$i];
            $inNew[$element] = isset($inNew[$element]) ? -1 : $i;
        }
        $pairs = [];
        $last = -1;
        $ascending = true;
        foreach ($inOld as $element => $i) {
            if ($i >= 0 && ($at = $inNew[$element] ?? -1) >= 0) {
                $pairs[$i] = $at;
                $ascending = $ascending && $at > $last;
                $last = $at;
            }
        }

        return $ascending ? $pairs : Increasing::longest($pairs);
    }

    /**
     * A range without anchors: without the elements that only one side has, by Myers.
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     */
    private function gap(array $old, int $a0, int $a1, array $new, int $b0, int $b1): void
    {
        $inOld = $inNew = [];
        for ($i = $a0; $i < $a1; $i++) {
            $inOld[$old[$i]] = true;
        }
        for ($i = $b0; $i < $b1; $i++) {
            $inNew[$new[$i]] = true;
        }
        $a = $atA = $b = $atB = [];
        for ($i = $a0; $i < $a1; $i++) {
            if (isset($inNew[$old[$i]])) {
                $a[] = $old[$i];
                $atA[] = $i;
            }
        }
        for ($i = $b0; $i < $b1; $i++) {
            if (isset($inOld[$new[$i]])) {
                $b[] = $new[$i];
                $atB[] = $i;
            }
        }
        $open = [[0, count($a), 0, count($b)]];
        while ($open !== []) {
            [$x0, $x1, $y0, $y1] = array_pop($open);
            for (; $x0 < $x1 && $y0 < $y1 && $a[$x0] === $b[$y0]; $x0++, $y0++) {
                $this->keep($atA[$x0], $atB[$y0], 1);
            }
            for (; $x0 < $x1 && $y0 < $y1 && $a[$x1 - 1] === $b[$y1 - 1]; $x1--, $y1--) {
                $this->keep($atA[$x1 - 1], $atB[$y1 - 1], 1);
            }
            if ($x0 < $x1 && $y0 < $y1) {
                [$x, $y] = $this->middle($a, $x0, $x1, $b, $y0, $y1);
                $open[] = [$x0, $x, $y0, $y];
                $open[] = [$x, $x1, $y, $y1];
            }
        }
    }

    /**
     * A point on a shortest path through the range (§4b), or the furthest one within the cap.
     *
     * @param  list<int|string>  $a
     * @param  list<int|string>  $b
     * @return array{int, int}
     */
    private function middle(array $a, int $x0, int $x1, array $b, int $y0, int $y1): array
    {
        $n = $x1 - $x0;
        $m = $y1 - $y0;
        $delta = $n - $m;
        $odd = ($delta & 1) !== 0;
        if ($this->steps < 0) {
            $this->cap = min($this->cap, self::TIRED);
        }
        $most = min($this->cap, ($n + $m + 1) >> 1);
        $zero = $most + 1;
        $forward = $backward = array_fill(0, 2 * $most + 3, self::NOWHERE);
        $forward[$zero + 1] = $backward[$zero + 1] = 0;
        for ($d = 0; $d <= $most; $d++) {
            for ($k = -$d; $k <= $d; $k += 2) {
                $x = self::step($forward, $zero, $d, $k, $n, $m);
                if ($x >= 0) {
                    for ($y = $x - $k; $x < $n && $y < $m && $a[$x0 + $x] === $b[$y0 + $y]; $x++, $y++);
                    if ($odd && abs($delta - $k) < $d && $x + $backward[$zero + $delta - $k] >= $n) {
                        return [$x0 + $x, $y0 + $y];
                    }
                }
                $forward[$zero + $k] = $x;
            }
            for ($k = -$d; $k <= $d; $k += 2) {
                $x = self::step($backward, $zero, $d, $k, $n, $m);
                if ($x >= 0) {
                    for ($y = $x - $k; $x < $n && $y < $m && $a[$x1 - 1 - $x] === $b[$y1 - 1 - $y]; $x++, $y++);
                    if (! $odd && abs($delta - $k) <= $d && $x + $forward[$zero + $delta - $k] >= $n) {
                        return [$x1 - $x, $y1 - $y];
                    }
                }
                $backward[$zero + $k] = $x;
            }
        }
        $this->exact = false;
        $this->steps -= $most * $most;

        return $this->furthest($forward, $zero, $most, $n, $m, $x0, $y0);
    }

    /**
     * How far diagonal k gets with its d-th edit, before any equal elements.
     *
     * @param  array<int, int>  $reached
     */
    private static function step(array $reached, int $zero, int $d, int $k, int $n, int $m): int
    {
        $right = $k > -$d && $reached[$zero + $k - 1] < $n ? $reached[$zero + $k - 1] + 1 : self::NOWHERE;
        $down = $k < $d || $d === 0 ? $reached[$zero + $k + 1] : self::NOWHERE;
        $x = $down - $k <= $m && $down > $right ? $down : $right;

        return $x >= 0 && $x - $k <= $m ? $x : self::NOWHERE;
    }

    /**
     * @param  array<int, int>  $forward
     * @return array{int, int}
     */
    private function furthest(array $forward, int $zero, int $most, int $n, int $m, int $x0, int $y0): array
    {
        $best = [0, 1];
        for ($k = -$most; $k <= $most; $k += 2) {
            $x = $forward[$zero + $k];
            $y = $x - $k;
            if ($x >= 0 && $y >= 0 && $x <= $n && $y <= $m && $x + $y < $n + $m && $x + $y > $best[0] + $best[1]) {
                $best = [$x, $y];
            }
        }

        return [$x0 + $best[0], $y0 + $best[1]];
    }

    private function keep(int $a, int $b, int $length): void
    {
        if ($length > 0) {
            $this->runs[$a] = [$a, $b, $length];
        }
    }

    /**
     * @param  list<array{int, int, int}>  $runs  ascending; some may be empty
     * @return list<array{int, int, int}>
     */
    private static function joined(array $runs): array
    {
        $joined = [];
        $last = $oldEnd = $newEnd = -1;
        foreach ($runs as $run) {
            [$a, $b, $length] = $run;
            if ($length === 0) {
                continue;
            }
            if ($a === $oldEnd && $b === $newEnd) {
                $joined[$last] = [$joined[$last][0], $joined[$last][1], $joined[$last][2] + $length];
            } else {
                $joined[++$last] = $run;
            }
            $oldEnd = $a + $length;
            $newEnd = $b + $length;
        }

        return array_values($joined);
    }
}
