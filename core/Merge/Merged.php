<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Content\PartTree;

/** What a merge gave: a tree with everything that fits, and what met something and is held back. */
final readonly class Merged
{
    /** @param list<Conflict> $conflicts */
    public function __construct(public PartTree $tree, public array $conflicts) {}
}
