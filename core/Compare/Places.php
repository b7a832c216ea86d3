<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Where the parts of one side stand: lists side by side, since an object or a list for each part would cost half the comparison. */
final readonly class Places
{
    /**
     * @param  list<Part>  $parts
     * @param  list<string>  $ids
     * @param  list<string>  $parents
     * @param  list<int>  $ends  how many parts there are up to the end of each stretch
     * @param  array<int, string|null>  $afters  the sibling before each that does not come right after it
     */
    private function __construct(public array $parts, public array $ids, public array $parents, public array $ends, private array $afters) {}

    /** @param list<array{list<string>, list<Part>}> $stretches ids of the parts that stand open before each, by depth; and its parts */
    public static function of(array $stretches): self
    {
        $ids = $parents = $afters = $ends = [];
        foreach ($stretches as [$open, $own]) {
            $last = null;
            $id = $parent = PartTree::ROOT;
            foreach ($own as $part) {
                $depth = $part->depth;
                if ($depth !== $last) {
                    if ($last !== null) {
                        $open[$last] = $id;
                    }
                    $parent = $depth === 0 ? PartTree::ROOT : $open[$depth - 1];
                    $afters[count($ids)] = $last === null || $depth < $last ? $open[$depth] ?? null : null;
                    $last = $depth;
                }
                $ids[] = $id = $part->id;
                $parents[] = $parent;
            }
            $ends[] = count($ids);
        }

        return new self(array_merge(...array_column($stretches, 1)), $ids, $parents, $ends, $afters);
    }

    /**
     * Where the parts stand on the other side. Most come right after the same part on both, and are not looked up.
     *
     * @return array<int, int> position here => there, of parts that are on both
     */
    public function on(self $other): array
    {
        $found = [];
        $ids = $other->ids;
        $positions = null;
        $next = 0;
        foreach ($this->ids as $position => $id) {
            if (($ids[$next] ?? null) !== $id) {
                $positions ??= array_flip($ids);
                if (! isset($positions[$id])) {
                    continue;
                }
                $next = $positions[$id];
            }
            $found[$position] = $next++;
        }

        return $found;
    }

    public function spot(int $position): Spot
    {
        return new Spot($this->parents[$position], array_key_exists($position, $this->afters) ? $this->afters[$position] : $this->ids[$position - 1]);
    }
}
