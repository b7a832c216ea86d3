<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\PartTree;

/** What applying a change set gave: a tree, or all that does not fit. */
final readonly class Applied
{
    /** @param list<Misfit> $misfits none when there is a tree */
    private function __construct(public ?PartTree $tree, public array $misfits) {}

    public static function tree(PartTree $tree): self
    {
        return new self($tree, []);
    }

    /** @param non-empty-list<Misfit> $misfits */
    public static function misfits(array $misfits): self
    {
        return new self(null, $misfits);
    }

    /** @throws \LogicException when the set did not fit: for a set that was made from the very tree it is applied to */
    public function orFail(): PartTree
    {
        return $this->tree
            ?? throw new \LogicException("The change does not fit: {$this->misfits[0]->type->value} {$this->misfits[0]->id}");
    }
}
