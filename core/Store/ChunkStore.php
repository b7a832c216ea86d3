<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Address;

/** Where chunks are kept, by the address of their content. Addresses are raw, {@see Address::BYTES} long. */
interface ChunkStore
{
    /**
     * @param  list<string>  $addresses
     * @return array<string, string> address => bytes; what is not held is left out
     */
    public function read(array $addresses): array;

    /**
     * @param  list<string>  $addresses
     * @return list<string> those that are not held
     */
    public function missing(array $addresses): array;

    /**
     * Keeps chunks that are not held yet.
     *
     * @param  array<string, string>  $chunks  address => bytes
     * @param  array<string, string>  $like  address => address of a held chunk with much the same content, if any
     */
    public function write(array $chunks, array $like = []): void;
}
