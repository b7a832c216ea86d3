<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\PartTree;

/** A place in a tree: below a parent (the empty string is the root), after a sibling, or first when that is null. */
final readonly class Spot
{
    public function __construct(public string $parent, public ?string $after) {}

    public static function of(PartTree $tree, string $id): self
    {
        return new self($tree->parent($id), $tree->previousSibling($id));
    }
}
