<?php

declare(strict_types=1);

namespace MistyAttic\Core\Sequences;

/** Which elements of two lists go together: runs of equal elements, in order on both sides. */
final readonly class Alignment
{
    /**
     * @param  list<array{int, int, int}>  $runs  start on the old side, start on the new side, length; joined and ascending
     * @param  bool  $exact  false when the work limit was reached somewhere, so that a shorter difference may exist
     */
    public function __construct(
        public array $runs,
        public int $oldCount,
        public int $newCount,
        public bool $exact,
    ) {}

    /**
     * What is not the same, as half-open ranges on both sides.
     *
     * @return list<array{int, int, int, int}> old from, old to, new from, new to
     */
    public function gaps(): array
    {
        $gaps = [];
        $old = $new = 0;
        foreach ([...$this->runs, [$this->oldCount, $this->newCount, 0]] as [$oldAt, $newAt, $length]) {
            if ($oldAt > $old || $newAt > $new) {
                $gaps[] = [$old, $oldAt, $new, $newAt];
            }
            $old = $oldAt + $length;
            $new = $newAt + $length;
        }

        return $gaps;
    }

    /**
     * The same, with every plain insertion and removal as far to the front as it can be.
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     */
    public function settledInFront(array $old, array $new): self
    {
        $turned = new self(
            array_map(
                fn (array $run) => [$this->oldCount - $run[0] - $run[2], $this->newCount - $run[1] - $run[2], $run[2]],
                array_reverse($this->runs),
            ),
            $this->oldCount,
            $this->newCount,
            $this->exact,
        );
        $settled = $turned->settled(array_reverse($old), array_reverse($new));

        return new self(
            array_map(
                fn (array $run) => [$this->oldCount - $run[0] - $run[2], $this->newCount - $run[1] - $run[2], $run[2]],
                array_reverse($settled->runs),
            ),
            $this->oldCount,
            $this->newCount,
            $this->exact,
        );
    }

    /**
     * The same difference with every plain insertion and removal as far back as it can be: where a text repeats itself, one can
     * are at several places and mean the same, and two sides that put in the same are to put it in the same place. O(what it is moved by).
     *
     * @param  list<int|string>  $old
     * @param  list<int|string>  $new
     */
    public function settled(array $old, array $new): self
    {
        $runs = $this->runs;
        for ($at = count($runs) - 1; $at >= 0; $at--) {
            [$oldFrom, $newFrom, $length] = $runs[$at];
            $before = $runs[$at - 1] ?? [0, 0, 0];
            [$oldEnd, $newEnd] = [$before[0] + $before[2], $before[1] + $before[2]];
            $inserts = $oldEnd === $oldFrom && $newEnd < $newFrom;
            $removes = $newEnd === $newFrom && $oldEnd < $oldFrom;
            if ((! $inserts && ! $removes) || $length === 0) {
                continue;
            }
            // The last run may be used up; one between two changes keeps an element, or they would become one.
            $most = $length - ($at === count($runs) - 1 ? 0 : 1);
            for (
                $by = 0;
                $by < $most && ($inserts ? $new[$newEnd + $by] === $new[$newFrom + $by] : $old[$oldEnd + $by] === $old[$oldFrom + $by]);
                $by++
            );
            if ($by === 0) {
                continue;
            }
            $runs[$at] = [$oldFrom + $by, $newFrom + $by, $length - $by];
            if ($at > 0) {
                $runs[$at - 1] = [$before[0], $before[1], $before[2] + $by];
            } else {
                array_unshift($runs, [0, 0, $by]);
            }
        }

        return new self(array_values(array_filter($runs, fn (array $run) => $run[2] > 0)), $this->oldCount, $this->newCount, $this->exact);
    }

    /** @return array<int, int> old position => new position */
    public function pairs(): array
    {
        $pairs = [];
        foreach ($this->runs as [$old, $new, $length]) {
            for ($i = 0; $i < $length; $i++) {
                $pairs[$old + $i] = $new + $i;
            }
        }

        return $pairs;
    }
}
