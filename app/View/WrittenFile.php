<?php

declare(strict_types=1);

namespace App\View;

/** An item as a file of some format. */
final readonly class WrittenFile
{
    public function __construct(public string $mediaType, public string $bytes) {}
}
