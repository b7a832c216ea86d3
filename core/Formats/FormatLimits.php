<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** How much a file may be. */
final readonly class FormatLimits
{
    public function __construct(
        public int $bytes = 67_108_864,
        /** All files of an archive together, unpacked. */
        public int $unpacked = 268_435_456,
        public int $entries = 10_000,
        /** One XML or HTML text that is read as a whole tree: it takes about ten times its size in memory. */
        public int $tree = 16_777_216,
        public int $depth = 200,
        public int $lines = 1_500_000,
        public int $parts = 1_000_000,
        public int $cells = 2_500_000,
        public int $columns = 16_384,
    ) {}
}
