<?php

declare(strict_types=1);

use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\Packing;

/** Counts what the chunks would take in storage, packed as the application packs them. */
final class CountingChunkStore implements ChunkStore
{
    public int $bytes = 0;

    /** @var array<string, string> delta => its base, of all that were written so far */
    private static array $bases = [];

    public function __construct(private readonly MemoryChunkStore $chunks) {}

    public function read(array $addresses): array
    {
        return $this->chunks->read($addresses);
    }

    public function missing(array $addresses): array
    {
        return $this->chunks->missing($addresses);
    }

    public function write(array $chunks, array $like = []): void
    {
        foreach ($chunks as $address => $bytes) {
            $base = isset($like[$address]) ? (self::$bases[$like[$address]] ?? $like[$address]) : null;
            $packed = Packing::pack($bytes, $base === null ? null : $this->chunks->read([$base])[$base] ?? null);
            if ($packed->form === ChunkForm::Delta) {
                self::$bases[$address] = (string) $base;
            }
            $this->bytes += strlen($packed->data);
        }
        $this->chunks->write($chunks);
    }
}
