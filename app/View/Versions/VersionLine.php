<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\Version;

/** A version in the list of all. */
final readonly class VersionLine
{
    /**
     * @param  string  $sentence  what it did
     * @param  string|null  $unusual  what of it is worth a look
     * @param  list<string>  $steps  how it was accepted and published
     * @param  int  $from  the version that it is compared with
     */
    public function __construct(
        public Version $version,
        public string $sentence,
        public ?string $unusual,
        public array $steps,
        public int $from,
    ) {}
}
