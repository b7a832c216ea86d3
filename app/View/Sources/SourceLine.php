<?php

declare(strict_types=1);

namespace App\View\Sources;

/** A line of the source that an item has as an open format. */
final readonly class SourceLine
{
    /** @param 'same'|'added'|'removed'|'gap' $state */
    public function __construct(public string $state, public ?int $old, public ?int $new, public string $text) {}
}
