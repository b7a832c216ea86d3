<?php

declare(strict_types=1);

namespace App\Store\Chunks;

use LogicException;
use MistyAttic\Core\Store\ChunkStore;

/** The store for who only looks: to whom nothing is missing, so that nothing is written. */
final readonly class WritesNothing implements ChunkStore
{
    public function __construct(private ChunkStore $chunks) {}

    public function read(array $addresses): array
    {
        return $this->chunks->read($addresses);
    }

    public function missing(array $addresses): array
    {
        return [];
    }

    public function write(array $chunks, array $like = []): void
    {
        $chunks === [] || throw new LogicException('Whoever only looks writes nothing');
    }
}
