<?php

declare(strict_types=1);

namespace App\Saving;

use App\Store\Chunks\ChunksAhead;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Merge\Conflict;

/** A state that comes of a sending and the newest state. */
final readonly class MadeOfSending extends Made
{
    /**
     * @param  string  $sentRoot  of what was sent
     * @param  PartTree  $sent  as it was sent; of a few cells of a large table the rows that others have written in, as they were
     * @param  PartTree  $tree  what comes of it; of a few cells the rows that others have written in, as they are
     * @param  list<Conflict>  $conflicts
     * @param  PartTree|null  $from  what both started from, when there are conflicts
     * @param  int  $since  number of the version that both started from
     */
    public function __construct(
        ChunksAhead $chunks,
        Written $written,
        ?Compared $compared,
        public string $sentRoot,
        public PartTree $sent,
        public PartTree $tree,
        public array $conflicts = [],
        public ?PartTree $from = null,
        public int $since = 0,
    ) {
        parent::__construct($chunks, $written, $compared);
    }
}
