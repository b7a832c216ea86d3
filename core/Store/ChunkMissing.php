<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\CoreException;

/** The store lacks a chunk that something refers to, or a chunk does not have the content its address says. */
final class ChunkMissing extends \RuntimeException implements CoreException
{
    /** @param string $address raw */
    private function __construct(string $message, public readonly string $address)
    {
        parent::__construct($message);
    }

    public static function at(string $address): self
    {
        return new self('Chunk '.bin2hex($address).' is not in the store', $address);
    }

    public static function broken(string $address): self
    {
        return new self('Chunk '.bin2hex($address).' can not be read back', $address);
    }
}
