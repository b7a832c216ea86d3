<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Keeps and reads whole states of items, and single parts of them, in a hash tree. */
final readonly class TreeStore
{
    private HashTree $hashes;

    public function __construct(ChunkStore $store)
    {
        $this->hashes = new HashTree($store);
    }

    /** @return string the root's address: the same content gives the same one */
    public function keep(PartTree $tree, ?string $near = null): string
    {
        return $this->hashes->write(array_map(fn (Part $part) => $part->record(), $tree->parts), $near);
    }

    /** @throws ChunkMissing */
    public function tree(string $root): PartTree
    {
        return PartTree::of(array_map(Part::fromRecord(...), $this->hashes->read($root)));
    }

    /**
     * The part at a position of the pre-order list; reads the path to it and no more.
     *
     * @throws ChunkMissing
     */
    public function part(string $root, int $position): ?Part
    {
        $records = $this->hashes->read($root, $position, 1);

        return $records === [] ? null : Part::fromRecord($records[0]);
    }

    /**
     * @return \Generator<string, string> address => bytes of every chunk of a state
     *
     * @throws ChunkMissing
     */
    public function chunks(string $root): \Generator
    {
        return $this->hashes->chunks($root);
    }
}
