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

    /** What another chunk has as well, and what it has not. See {@see Packing}. */
    case Delta = 2;
}
