<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/** Chunks in memory, for tests and for comparing what was never stored. */
final class MemoryChunkStore implements ChunkStore
{
    /** @var array<string, string> */
    private array $chunks = [];

    public int $reads = 0;

    public function read(array $addresses): array
    {
        $this->reads += count($addresses);
        $found = [];
        foreach ($addresses as $address) {
            if (isset($this->chunks[$address])) {
                $found[$address] = $this->chunks[$address];
            }
        }

        return $found;
    }

    public function missing(array $addresses): array
    {
        return array_values(array_filter($addresses, fn (string $address) => ! isset($this->chunks[$address])));
    }

    public function write(array $chunks, array $like = []): void
    {
        $this->chunks += $chunks;
    }

    public function count(): int
    {
        return count($this->chunks);
    }
}
