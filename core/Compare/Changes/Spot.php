<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\PartTree;

/** A place in a tree: below a parent (the empty string is the root), after a sibling, or first when that is null. */
final readonly class Spot
{
    public function __construct(public string $parent, public ?string $after) {}

    /** @throws InvalidContent */
    public static function fromJson(mixed $value): self
    {
        if (! is_array($value) || ! is_string($value['parent'] ?? '') || ! is_string($value['after'] ?? '')) {
            throw InvalidContent::notChanges('a spot has a parent and a sibling that it comes after, or neither');
        }

        [$parent, $after] = [$value['parent'] ?? null, $value['after'] ?? null];

        return new self(is_string($parent) ? $parent : PartTree::ROOT, is_string($after) ? $after : null);
    }

    /** @return array{parent: ?string, after: ?string} */
    public function toJson(): array
    {
        return ['parent' => $this->parent === PartTree::ROOT ? null : $this->parent, 'after' => $this->after];
    }

    public static function of(PartTree $tree, string $id): self
    {
        return new self($tree->parent($id), $tree->previousSibling($id));
    }
}
