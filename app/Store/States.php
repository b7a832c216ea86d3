<?php

declare(strict_types=1);

namespace App\Store;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\Nodes;
use MistyAttic\Core\Store\TreeStore;

/** States of items by the hexadecimal address of their root: where the application's texts meet the core's raw bytes. */
final readonly class States
{
    private TreeStore $trees;

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new TreeStore($chunks);
    }

    public function keep(PartTree $tree, ?string $near = null): string
    {
        return bin2hex($this->trees->keep($tree, $near === null ? null : (string) hex2bin($near)));
    }

    /** Keeps what the state at a root became: see {@see TreeStore::keepChanged}. */
    public function keepChanged(string $root, PartTree $old, PartTree $new): string
    {
        return bin2hex($this->trees->keepChanged((string) hex2bin($root), $old, $new));
    }

    public function tree(string $root): PartTree
    {
        return $this->trees->tree((string) hex2bin($root));
    }

    /** The JSON list of all parts. */
    public function json(string $root): string
    {
        return $this->trees->json((string) hex2bin($root));
    }

    public function part(string $root, int $position): ?Part
    {
        return $this->trees->part((string) hex2bin($root), $position);
    }

    /**
     * @param  list<array{string, int}>  $places  see {@see TreeStore::partsAt}
     * @return list<Part|null>
     */
    public function partsAt(array $places, Nodes $nodes): array
    {
        return $this->trees->partsAt(array_map(fn (array $place) => [(string) hex2bin($place[0]), $place[1]], $places), $nodes);
    }

    /** See {@see TreeStore::nodes}. */
    public function nodes(): Nodes
    {
        return $this->trees->nodes();
    }

    public function count(string $root): int
    {
        return $this->trees->count((string) hex2bin($root));
    }

    /** @return array<int, Part> the parts at the top, by position */
    public function tops(string $root): array
    {
        return $this->trees->tops((string) hex2bin($root));
    }

    /** @return list<Part> */
    public function window(string $root, int $from, int $length): array
    {
        return $this->trees->window((string) hex2bin($root), $from, $length);
    }

    /** @return list<string> see {@see TreeStore::records} */
    public function records(string $root, int $from, int $length): array
    {
        return $this->trees->records((string) hex2bin($root), $from, $length);
    }

    /** @return list<Stretch> where two states differ */
    public function compare(string $old, string $new): array
    {
        return $this->trees->compare((string) hex2bin($old), (string) hex2bin($new));
    }

    /** @param list<array{int, int, list<Part>}> $edits see {@see TreeStore::splice} */
    public function splice(string $root, array $edits): string
    {
        return bin2hex($this->trees->splice((string) hex2bin($root), $edits));
    }

    /**
     * @param  array<string, true>  $known  see {@see TreeStore::chunks}
     * @return \Generator<string, string>
     */
    public function chunks(string $root, array &$known = []): \Generator
    {
        return $this->trees->chunks((string) hex2bin($root), $known);
    }
}
