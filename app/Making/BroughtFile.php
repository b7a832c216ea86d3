<?php

declare(strict_types=1);

namespace App\Making;

/** A file that somebody brings along. */
readonly class BroughtFile
{
    /** @param string|null $encoding how its letters are written, where it does not say so itself */
    public function __construct(public string $name, public string $bytes, public ?string $encoding = null) {}
}
