<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/** How much one state of an item may hold. */
final readonly class Limits
{
    public function __construct(
        public int $bytes = 4_194_304,
        public int $parts = 50_000,
        public int $textBytes = 262_144,
        public int $depth = 12,
        public int $problems = 50,
        public int $cells = 2_000_000,
        public int $formulas = 200_000,
    ) {}

    public static function for(Kind $kind): self
    {
        return $kind->grid() === null ? new self : new self(bytes: 33_554_432, parts: 250_000);
    }
}
