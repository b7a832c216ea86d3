<?php

declare(strict_types=1);

namespace App\Saving;

use App\Store\Chunks\ChunksAhead;

/** What a side line becomes with what came in meanwhile. */
final readonly class CarriedLine extends Made
{
    /**
     * @param  int  $number  of the item's version that it starts from then
     * @param  string  $base  the root of that
     * @param  list<string>  $met  what of it others wrote in
     */
    public function __construct(
        ChunksAhead $chunks,
        Written $written,
        ?Compared $compared,
        public int $number,
        public string $base,
        public array $met,
    ) {
        parent::__construct($chunks, $written, $compared);
    }
}
