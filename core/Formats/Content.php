<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** What a file holds. */
final readonly class Content
{
    /**
     * @param  array<string, string>  $pictures  chunk (hexadecimal address) => bytes of the pictures that the parts refer to
     * @param  array<string, int>  $left  what the file holds besides and was left out: {@see LeftOut}
     */
    public function __construct(public Kind $kind, public PartTree $tree, public array $pictures = [], public array $left = []) {}
}
