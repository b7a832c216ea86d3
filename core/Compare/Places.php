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
     * @param  array<string, int>  $at  id => position in the lists
     * @param  list<string>  $parents
     * @param  list<int>  $stretches
     * @param  array<int, string|null>  $afters  the sibling before each that does not come right after it
     */
    private function __construct(public array $parts, public array $ids, public array $at, public array $parents, public array $stretches, private array $afters) {}

    /** @param list<array{list<string>, list<Part>}> $stretches ids of the parts that stand open before each, by depth; and its parts */
    public static function of(array $stretches): self
    {
        $ids = $parents = $afters = $in = [];
        foreach ($stretches as $stretch => [$open, $own]) {
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
            array_push($in, ...array_fill(0, count($own), $stretch));
        }

        return new self(array_merge(...array_column($stretches, 1)), $ids, array_flip($ids), $parents, $in, $afters);
    }

    public function spot(int $position): Spot
    {
        return new Spot($this->parents[$position], array_key_exists($position, $this->afters) ? $this->afters[$position] : $this->ids[$position - 1]);
    }
}
