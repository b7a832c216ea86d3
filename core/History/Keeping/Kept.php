<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/** A version, as far as the keeping rules need to know it. */
final readonly class Kept
{
    /** @param int $time when it was saved, in seconds since 1970 */
    public function __construct(public int $number, public int $time, public ?Exemption $exempt = null) {}
}
