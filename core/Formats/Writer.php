<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\PartTree;

/** Writes an item's content in an open format. */
interface Writer
{
    /**
     * @param  \Closure(string): ?string  $picture  gives the `data:` address of a picture, by its chunk's address in hexadecimal
     */
    public function write(string $title, PartTree $tree, \Closure $picture): string;

    public function mediaType(): string;
}
