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
