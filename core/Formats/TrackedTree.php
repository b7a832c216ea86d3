<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\PartTree;

/** What a file becomes with the tracked changes of one author. */
final readonly class TrackedTree
{
    /**
     * @param  string  $by  a name, with an address in angle brackets where the file has one
     * @param  array<string, string>  $pictures  chunk => bytes
     */
    public function __construct(public string $by, public PartTree $tree, public array $pictures) {}
}
