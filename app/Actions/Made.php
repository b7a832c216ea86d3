<?php

declare(strict_types=1);

namespace App\Actions;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Merge\Conflict;

/** A state that was worked out from a sending and the newest state, and is to be written if that is the newest still. */
final readonly class Made
{
    /**
     * @param  string  $base  the root that both started from
     * @param  PartTree  $from  its state
     * @param  PartTree  $sent  as it was sent
     * @param  PartTree  $mine  the same, with identities put right
     * @param  PartTree  $tree  what comes of it
     * @param  list<Conflict>  $conflicts
     */
    public function __construct(public string $base, public string $headRoot, public PartTree $from, public PartTree $head, public PartTree $sent, public PartTree $mine, public PartTree $tree, public array $conflicts) {}
}
