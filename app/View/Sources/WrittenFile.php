<?php

declare(strict_types=1);

namespace App\View\Sources;

/** An item as a file of some format. */
final readonly class WrittenFile
{
    /**
     * @param  string|iterable<string>  $bytes  all of them, or piece by piece
     * @param  string|null  $name  of the file, if it has one of its own
     */
    public function __construct(public string $mediaType, public string|iterable $bytes, public ?string $name = null) {}
}
