<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\CoreException;

/** A text whose bytes may be read in several ways, of which it does not say which is right. */
final class UnknownEncoding extends \RuntimeException implements CoreException
{
    /** @param list<string> $possible names of encodings, the likeliest first */
    public function __construct(public readonly array $possible)
    {
        parent::__construct('it does not say how its letters are written');
    }
}
