<?php

declare(strict_types=1);

namespace App\Making;

use MistyAttic\Core\Formats\Content;

/** What a file holds that can not be read: nothing is made of it before somebody says that it may be left out. */
final readonly class LeftOutOfFile
{
    /** @param array<string, int> $left see {@see Content} */
    public function __construct(public array $left) {}
}
