<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Where the parts of one side are: lists side by side, since an object or a list for each part would cost half the comparison. */
final readonly class Places
{
    /** @var list<int> the positions at which {@see parents} changes */
    private array $turns;

    /**
     * @param  list<Part>  $parts
     * @param  list<string>  $ids
     * @param  list<int>  $ends  how many parts there are up to the end of each stretch
     * @param  array<int, string>  $parents  of the part at a position, and of those behind it up to the next one
     * @param  array<int, string|null>  $afters  the sibling before each that does not come right after it
     */
    private function __construct(public array $parts, public array $ids, public array $ends, private array $parents, private array $afters)
    {
        $this->turns = array_keys($parents);
    }

    /** @param list<array{list<string>, list<Part>}> $stretches ids of the parts that are open before each, by depth; and its parts */
    public static function of(array $stretches): self
    {
        $ids = $ends = $parents = $afters = [];
        foreach ($stretches as [$open, $own]) {
            $last = null;
            $id = PartTree::ROOT;
            foreach ($own as $part) {
                $depth = $part->depth;
                if ($depth !== $last) {
                    if ($last !== null) {
                        $open[$last] = $id;
                    }
                    $at = count($ids);
                    $parents[$at] = $depth === 0 ? PartTree::ROOT : $open[$depth - 1];
                    $afters[$at] = $last === null || $depth < $last ? $open[$depth] ?? null : null;
                    $last = $depth;
                }
                $ids[] = $id = $part->id;
            }
            $ends[] = count($ids);
        }

        return new self(array_merge(...array_column($stretches, 1)), $ids, $ends, $parents, $afters);
    }

    public function spot(int $position): Spot
    {
        return new Spot(
            $this->parent($position),
            array_key_exists($position, $this->afters) ? $this->afters[$position] : $this->ids[$position - 1],
        );
    }

    public function parent(int $position): string
    {
        if (isset($this->parents[$position])) {
            return $this->parents[$position];
        }
        $low = 0;
        for ($high = count($this->turns); $high - $low > 1;) {
            $middle = ($low + $high) >> 1;
            if ($this->turns[$middle] <= $position) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $this->parents[$this->turns[$low]];
    }

    /**
     * Parts that follow one another below one parent, in one stretch, here and on the other side: most do, and are not looked up.
     *
     * @return list<array{int, int, int}> position here, position there, how many; ascending here
     */
    public function runs(self $other): array
    {
        $runs = [];
        $ids = $other->ids;
        $turns = $this->parents;
        $otherTurns = $other->parents;
        $positions = null;
        $from = $next = 0;
        foreach ($this->ids as $position => $id) {
            $follows = ($ids[$next] ?? null) === $id;
            if ($follows && ! isset($turns[$position]) && ! isset($otherTurns[$next])) {
                $next++;

                continue;
            }
            if ($next > $from) {
                $runs[] = [$position - $next + $from, $from, $next - $from];
            }
            $found = $follows ? $next : ($positions ??= array_flip($ids))[$id] ?? null;
            $from = $found ?? $next;
            $next = $found === null ? $next : $found + 1;
        }
        if ($next > $from) {
            $runs[] = [count($this->ids) - $next + $from, $from, $next - $from];
        }

        return $runs;
    }
}
