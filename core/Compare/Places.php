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
     * @param  list<string|null>  $afters  the sibling before each
     * @param  list<int>  $stretches
     */
    private function __construct(public array $parts, public array $ids, public array $at, public array $parents, private array $afters, public array $stretches) {}

    /** @param list<array{list<string>, list<Part>}> $stretches ids of the parts that stand open before each, by depth; and its parts */
    public static function of(array $stretches): self
    {
        $parts = array_merge(...array_column($stretches, 1));
        $ids = array_column($parts, 'id');
        $depths = array_column($parts, 'depth');
        $parents = $afters = $in = [];
        $position = 0;
        foreach ($stretches as $stretch => [$open, $own]) {
            $last = count($open) - 1;
            $parent = $last > 0 ? $open[$last - 1] : PartTree::ROOT;
            $after = $open[$last] ?? null;
            for ($end = $position + count($own); $position < $end; $position++) {
                $depth = $depths[$position];
                if ($depth !== $last) {
                    $parent = $depth === 0 ? PartTree::ROOT : $open[$depth - 1];
                    $after = $depth < $last ? $open[$depth] : null;
                    $last = $depth;
                }
                $parents[] = $parent;
                $afters[] = $after;
                $in[] = $stretch;
                $after = $open[$depth] = $ids[$position];
            }
        }

        return new self($parts, $ids, array_flip($ids), $parents, $afters, $in);
    }

    public function spot(int $position): Spot
    {
        return new Spot($this->parents[$position], $this->afters[$position]);
    }
}
