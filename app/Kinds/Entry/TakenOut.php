<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

/** How many entries something was taken out of, and what of it stayed. */
final readonly class TakenOut
{
    /** @param list<array{string, string, string, string}> $stayed address and name of the entry, the part, and why */
    public function __construct(public int $done, public array $stayed) {}
}
