<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/** How a chunk's bytes are kept. */
enum ChunkForm: int
{
    /** As they are: already compressed content, such as pictures. */
    case Plain = 0;

    /** Raw deflate (RFC 1951). */
    case Deflated = 1;

    /** Raw deflate with the bytes of another chunk as preset dictionary; that chunk is never a delta itself. */
    case Delta = 2;
}
