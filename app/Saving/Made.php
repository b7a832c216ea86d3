<?php

declare(strict_types=1);

namespace App\Saving;

use App\Store\Chunks\ChunksAhead;

/** A state that was worked out and is not written yet. */
readonly class Made
{
    /** @param Compared|null $compared null when nothing changes */
    public function __construct(public ChunksAhead $chunks, public Written $written, public ?Compared $compared) {}
}
