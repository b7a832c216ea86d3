<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Content\PartTree;

/** The state that somebody started from, the version that it was, and what they made of it, before it was merged with what others did. */
final readonly class MergedFrom
{
    public function __construct(public PartTree $base, public PartTree $mine, public int $number) {}
}
