<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/**
 * A file as the pieces that it was cut into, in order. As a chunk: `P`, then for each its address and its length in four bytes
 * (big-endian).
 */
final readonly class PieceList
{
    /** @param list<array{string, int}> $pieces address (raw) and length */
    public function __construct(public array $pieces = []) {}

    public static function read(string $chunk): self
    {
        if (($chunk[0] ?? '') !== 'P' || (strlen($chunk) - 1) % (Address::BYTES + 4) !== 0) {
            throw ChunkMissing::broken(Address::of($chunk));
        }
        $pieces = [];
        for ($at = 1; $at < strlen($chunk); $at += Address::BYTES + 4) {
            $length = unpack('N', $chunk, $at + Address::BYTES);
            $pieces[] = [substr($chunk, $at, Address::BYTES), is_array($length) ? (int) $length[1] : 0];
        }

        return new self($pieces);
    }

    public function chunk(): string
    {
        return 'P'.implode('', array_map(fn (array $piece) => $piece[0].pack('N', $piece[1]), $this->pieces));
    }

    public function bytes(): int
    {
        return array_sum(array_column($this->pieces, 1));
    }

    /** How many bytes of this one another has as well. */
    public function inCommon(self $other): int
    {
        $left = array_count_values(array_map(fn (array $piece) => bin2hex($piece[0]), $other->pieces));
        $bytes = 0;
        foreach ($this->pieces as [$address, $length]) {
            if (($left[bin2hex($address)] ?? 0) > 0) {
                $left[bin2hex($address)]--;
                $bytes += $length;
            }
        }

        return $bytes;
    }
}
