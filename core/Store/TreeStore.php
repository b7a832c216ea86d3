<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;

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

    /**
     * Keeps what a stored state became; parts that are the very same objects are not written again.
     *
     * @param  PartTree  $old  the state at the root, as it was read
     * @return string the root's address: the same as keeping the whole tree would give
     *
     * @throws ChunkMissing
     */
    public function keepChanged(string $root, PartTree $old, PartTree $new): string
    {
        [$before, $after] = [$old->parts, $new->parts];
        [$one, $two] = [count($before), count($after)];
        $edits = [];
        if ($one === $two) {
            for ($at = 0; $at < $one; $at++) {
                if ($before[$at] !== $after[$at]) {
                    for ($end = $at + 1; $end < $one && $before[$end] !== $after[$end]; $end++);
                    $edits[] = [$at, $end, array_slice($after, $at, $end - $at)];
                    $at = $end;
                }
            }
        } else {
            for ($head = 0; $head < min($one, $two) && $before[$head] === $after[$head]; $head++);
            for ($tail = 0; $tail < min($one, $two) - $head && $before[$one - 1 - $tail] === $after[$two - 1 - $tail]; $tail++);
            $edits[] = [$head, $one - $tail, array_slice($after, $head, $two - $tail - $head)];
        }

        return $edits === [] ? $root : $this->splice($root, $edits);
    }

    /** @throws ChunkMissing */
    public function tree(string $root): PartTree
    {
        return PartTree::of(Part::deferred($this->hashes->read($root)));
    }

    /**
     * A state as the JSON list of its parts, as it is kept: nothing is decoded.
     *
     * @throws ChunkMissing
     */
    public function json(string $root): string
    {
        return '['.implode(',', $this->hashes->read($root)).']';
    }

    /**
     * The part at a position of the pre-order list; reads the path to it and no more.
     *
     * @throws ChunkMissing
     */
    public function part(string $root, int $position): ?Part
    {
        return $this->partsAt([[$root, $position]], $this->nodes())[0];
    }

    /**
     * Parts of several states at once; reads the paths to them and no more.
     *
     * @param  list<array{string, int}>  $places  root and position of the pre-order list
     * @return list<Part|null> null where a state ends before
     *
     * @throws ChunkMissing
     */
    public function partsAt(array $places, Nodes $nodes): array
    {
        return array_map(fn (?string $record) => $record === null ? null : Part::fromRecord($record), $this->hashes->at($places, $nodes));
    }

    /** For many parts of states that have much in common: what one of them reads is there for the others. */
    public function nodes(): Nodes
    {
        return $this->hashes->nodes();
    }

    /**
     * A stretch of the pre-order list; reads the paths to it and no more.
     *
     * @return list<Part>
     *
     * @throws ChunkMissing
     */
    public function window(string $root, int $from, int $length): array
    {
        return Part::fromRecords($this->hashes->read($root, $from, $length));
    }

    /**
     * The parts at the top, such as the tabs of a spreadsheet; reads the paths to them and no more.
     *
     * @return array<int, Part> by position
     *
     * @throws ChunkMissing
     */
    public function tops(string $root): array
    {
        return array_map(Part::fromRecord(...), $this->hashes->tops($root));
    }

    /**
     * A stretch of the records, as they are kept.
     *
     * @return list<string>
     *
     * @throws ChunkMissing
     */
    public function records(string $root, int $from, int $length): array
    {
        return $this->hashes->read($root, $from, $length);
    }

    /** How many parts a state has. */
    public function count(string $root): int
    {
        return $this->hashes->count($root);
    }

    /**
     * Keeps what a state becomes by a few edits, at a cost that does not grow with the item.
     *
     * @param  list<array{int, int, list<Part>}>  $edits  positions from, to (half-open, of the state at the root) and the parts that are
     *     there now; ascending, apart from each other
     * @return string the new root's address: the same as keeping the whole tree would give
     *
     * @throws ChunkMissing
     */
    public function splice(string $root, array $edits): string
    {
        return $this->hashes->splice(
            $root,
            array_map(fn (array $edit) => [$edit[0], $edit[1], array_map(fn (Part $part) => $part->record(), $edit[2])], $edits),
        );
    }

    /**
     * Where two states differ. Each stretch begins with the parts that are open before it, and goes on for
     * as long as what follows hangs below different parts on the two sides.
     *
     * @return list<Stretch>
     *
     * @throws ChunkMissing
     */
    public function compare(string $old, string $new): array
    {
        $nodes = $this->hashes->nodes();
        $regions = $this->hashes->compare($old, $new, $nodes);
        $stretches = [];
        for ($at = 0; isset($regions[$at]); $at++) {
            $region = $regions[$at];
            // The same parts are open on both sides: a stretch goes on until that is so.
            $stretch = new Stretch(
                $this->open($old, $region->oldFrom, $nodes),
                $this->parts($region->old),
                $this->parts($region->new),
                $region->oldFrom,
                $region->newFrom,
            );
            for ($to = $region->newTo(); ; $to = $next->newTo()) {
                $next = $regions[$at + 1] ?? null;
                $hanging = $this->hanging($new, $to, $next->newFrom ?? PHP_INT_MAX, $stretch->differsFrom());
                $stretch = $stretch->with($hanging, $hanging);
                if ($next === null || $to + count($hanging) < $next->newFrom) {
                    break;
                }
                $stretch = $stretch->with($this->parts($next->old), $this->parts($next->new));
                $at++;
            }
            $stretches[] = $stretch;
        }

        return $stretches;
    }

    /**
     * @param  array<string, true>  $known  see {@see HashTree::chunks}
     * @return \Generator<string, string> address => bytes of every chunk of a state
     *
     * @throws ChunkMissing
     */
    public function chunks(string $root, array &$known = []): \Generator
    {
        return $this->hashes->chunks($root, $known);
    }

    /**
     * The parts from a position on that are deeper than a depth.
     *
     * @return list<Part>
     */
    private function hanging(string $root, int $from, int $to, ?int $depth): array
    {
        $hanging = [];
        // One at first, since most often that one is not; then more at a time.
        for ($length = 1; $depth !== null && $from < $to; $length = 256) {
            $window = $this->window($root, $from, min($length, $to - $from));
            foreach ($window as $part) {
                if ($part->depth <= $depth) {
                    return $hanging;
                }
                $hanging[] = $part;
            }
            if (count($window) < min($length, $to - $from)) {
                break;
            }
            $from += count($window);
        }

        return $hanging;
    }

    /**
     * @param  list<string>  $records
     * @return list<Part>
     */
    private function parts(array $records): array
    {
        return Part::deferred($records);
    }

    /** @return list<string> ids of the parts that are open before a position, by depth */
    private function open(string $root, int $position, Nodes $nodes): array
    {
        return array_column(Part::deferred($this->hashes->open($root, $position, $nodes)), 'id');
    }
}
