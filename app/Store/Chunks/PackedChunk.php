<?php

declare(strict_types=1);

namespace App\Store\Chunks;

use MistyAttic\Core\Store\Packing;

/** A chunk as it is to be put in. */
final readonly class PackedChunk
{
    /** @param int|null $base the row that it is a delta of */
    public function __construct(public string $address, public string $bytes, public Packing $packed, public ?int $base) {}
}
