<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** Reads a file as parts. The same bytes give the same ids, so that changes made of one reading fit another. */
interface Reader
{
    /** @throws Unreadable */
    public function read(string $bytes, FormatLimits $limits): Content;
}
