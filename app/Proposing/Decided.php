<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Saving\Compared;
use App\Saving\Made;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;

/** What becomes of a proposal by an answer. */
final readonly class Decided extends Made
{
    /**
     * @param  string  $base  the root of the newest state when it was answered
     * @param  string  $answered  the root of that with what was answered
     * @param  string  $rest  what the side line holds from then on
     * @param  bool  $isPart  whether some of the proposal waits still
     * @param  list<string>  $met
     */
    public function __construct(
        ChunksAhead $chunks,
        Written $written,
        ?Compared $compared,
        public string $base,
        public string $answered,
        public string $rest,
        public bool $isPart,
        public array $met,
    ) {
        parent::__construct($chunks, $written, $compared);
    }
}
