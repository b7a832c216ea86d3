<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Proposal;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TreeMerge;

/** What a state becomes with a proposed change in it. */
final readonly class Proposed
{
    public function __construct(private States $states) {}

    /** Where it meets what came since, what was proposed is in the tree, and the conflicts tell what it takes the place of. */
    public function onto(Proposal $proposal, PartTree $now): Merged
    {
        return TreeMerge::of($this->states->tree($proposal->base), $this->states->tree($proposal->root), $now);
    }
}
