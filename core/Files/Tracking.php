<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;

/** Who answers for the changes of a comparison, and what is said about its parts. */
interface Tracking
{
    public function of(string $part, ChangeType $type): TrackedBy;

    /** @return list<array{Span, TrackedBy}> the words of a part that is on both sides */
    public function words(MarkedPart $marked): array;

    /** @return list<array{by: TrackedBy, initials: string, text: string}> in the order in which it was said */
    public function said(string $part): array;
}
