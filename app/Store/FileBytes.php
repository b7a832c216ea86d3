<?php

declare(strict_types=1);

namespace App\Store;

use Generator;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\PieceList;

/** The bytes of files that lie in pieces. */
final readonly class FileBytes
{
    /** Pieces that are read at once: one to four megabytes. */
    private const AT_ONCE = 16;

    public function __construct(private ChunkStore $chunks) {}

    /**
     * @param  string  $chunk  hexadecimal address of the list
     *
     * @throws ChunkMissing
     */
    public function list(string $chunk): PieceList
    {
        $address = (string) hex2bin($chunk);

        return PieceList::read($this->chunks->read([$address])[$address] ?? throw ChunkMissing::at($address));
    }

    /**
     * @return Generator<string>
     *
     * @throws ChunkMissing
     */
    public function stream(PieceList $list): Generator
    {
        foreach (array_chunk(array_column($list->pieces, 0), self::AT_ONCE) as $addresses) {
            $found = $this->chunks->read($addresses);
            foreach ($addresses as $address) {
                yield $found[$address] ?? throw ChunkMissing::at($address);
            }
        }
    }

    /** All of it. */
    public function whole(PieceList $list): string
    {
        return implode('', iterator_to_array($this->stream($list), false));
    }
}
