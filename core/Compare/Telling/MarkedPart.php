<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\Spot;
use MistyAttic\Core\Content\Part;

/** A part as it is in a comparison laid out for reading, with what is below it. */
final readonly class MarkedPart
{
    /**
     * @param  ChangeType|null  $state  added or removed; null when the part is on both sides
     * @param  Part|null  $before  the part on the earlier side, when it is on both
     * @param  Part  $part  the later side, or the earlier one of what was removed
     * @param  Spot|null  $movedFrom
     * @param  list<self>  $children
     */
    public function __construct(
        public ?ChangeType $state,
        public Part $part,
        public ?Part $before,
        public bool $edited,
        public ?Spot $movedFrom,
        public array $children,
        /** Whether it is not there, but stood there before it moved. */
        public bool $isTrace = false,
    ) {}
}
