<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\PartTree;

/** A state with the ids of another wherever their parts go together. */
final readonly class Matched
{
    /** @param bool $exact false when the work limit was reached, so that parts may count as gone and come that are the same */
    public function __construct(public PartTree $tree, public bool $exact) {}
}
