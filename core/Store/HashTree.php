<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * A list of records (canonical JSON texts) kept as a tree of chunks. The list is cut into leaves at boundaries that the
 * content defines, and nodes of nodes likewise, so that the same list has the same root whatever the way there, and an
 * edit, insertion or removal makes new chunks on the path to the root and no others.
 *
 * A leaf is `L` and its records, each ended by a line feed. An inner node is `N` and its entries ({@see NodeChild::in}). The
 * empty list is the leaf `L`.
 */
final readonly class HashTree
{
    public function __construct(private ChunkStore $store) {}

    /**
     * Keeps a list; chunks that are held already are not written again.
     *
     * @param  iterable<string>  $records  none holds a line feed
     * @param  string|null  $near  the root of a list with much the same content, to pack against
     * @return string the root's address
     */
    public function write(iterable $records, ?string $near = null): string
    {
        $cutter = new Cutter;
        foreach ($records as $record) {
            $cutter->record($record);
        }
        $cutter->finish();
        if ($cutter->done === []) {
            $cutter->keepEmpty();
        }
        $chunks = $cutter->chunks;
        $levels = [$cutter->done];
        while (count($cutter->done) > 1) {
            $below = $cutter->done;
            $cutter = new Cutter;
            array_map($cutter->entry(...), $below);
            $cutter->finish();
            $chunks += $cutter->chunks;
            $levels[] = $cutter->done;
        }
        $new = array_intersect_key($chunks, array_flip($this->store->missing(array_keys($chunks))));
        if ($new !== []) {
            $this->store->write($new, $near === null ? [] : $this->alike($levels, (new Nodes($this->store))->levels($near), $new));
        }

        return $cutter->done[0]->address;
    }

    /**
     * Keeps what a list becomes by a few edits, at a cost that does not grow with the list.
     *
     * @param  list<array{int, int, list<string>}>  $edits  records from, to (half-open, of the list at the root) and what is there now;
     *     ascending, apart from each other
     * @return string the new root's address: the same as writing the whole list would give
     *
     * @throws ChunkMissing
     */
    public function splice(string $root, array $edits): string
    {
        $splice = new Splice(new Nodes($this->store), $root);
        $address = $splice->apply($edits);
        $new = array_intersect_key($splice->chunks, array_flip($this->store->missing(array_keys($splice->chunks))));
        if ($new !== []) {
            $this->store->write($new, array_intersect_key($splice->like, $new));
        }

        return $address;
    }

    /**
     * @return list<string> the records from a position on
     *
     * @throws ChunkMissing
     */
    public function read(string $root, int $from = 0, int $length = PHP_INT_MAX): array
    {
        $nodes = $this->nodes();
        $wanted = [[$root, $from]];
        while ($wanted !== [] && ! $nodes->isLeaf($wanted[0][0])) {
            $nodes->fetch(array_column($wanted, 0));
            $below = [];
            $left = $length;
            foreach ($wanted as [$address, $skip]) {
                foreach ($nodes->entries($address) as $entry) {
                    if ($left <= 0) {
                        break;
                    }
                    if ($skip >= $entry->count) {
                        $skip -= $entry->count;

                        continue;
                    }
                    $below[] = [$entry->address, $skip];
                    $left -= $entry->count - $skip;
                    $skip = 0;
                }
            }
            $wanted = $below;
        }
        $nodes->fetch(array_column($wanted, 0));
        $records = [];
        foreach ($wanted as [$address, $skip]) {
            $lines = $nodes->records($address);
            array_push($records, ...($skip === 0 ? $lines : array_slice($lines, $skip)));
        }

        return $length < count($records) ? array_slice($records, 0, $length) : $records;
    }

    /**
     * Single records of several lists, read level by level, all of a level at once.
     *
     * @param  list<array{string, int}>  $places  root and position
     * @return list<string|null> null where a list ends before
     *
     * @throws ChunkMissing
     */
    public function at(array $places, Nodes $nodes): array
    {
        $found = array_fill(0, count($places), null);
        for ($wanted = $places; $wanted !== [];) {
            $nodes->fetch(array_column($wanted, 0));
            foreach ($wanted as $place => [$address, $position]) {
                unset($wanted[$place]);
                if ($nodes->isLeaf($address)) {
                    $found[$place] = $nodes->records($address)[$position] ?? null;

                    continue;
                }
                foreach ($nodes->entries($address) as $entry) {
                    if ($position < $entry->count) {
                        $wanted[$place] = [$entry->address, $position];

                        break;
                    }
                    $position -= $entry->count;
                }
            }
        }

        return array_values($found);
    }

    /** @throws ChunkMissing */
    public function count(string $root): int
    {
        return (new Nodes($this->store))->count($root);
    }

    /**
     * Where two lists differ, without reading what is equal.
     *
     * @return list<Region> ascending, apart from each other
     *
     * @throws ChunkMissing
     */
    public function compare(string $old, string $new, ?Nodes $nodes = null): array
    {
        return (new Difference($nodes ?? $this->nodes()))->between($old, $new);
    }

    /** For several readings that are one piece of work. */
    public function nodes(): Nodes
    {
        return new Nodes($this->store);
    }

    /**
     * The records that are open before a position, by depth: the last one of each depth that no shallower one follows.
     * So the first tells the part that is at the top, and the last the one right before.
     *
     * @return list<string>
     *
     * @throws ChunkMissing
     */
    public function open(string $root, int $before, ?Nodes $nodes = null): array
    {
        $nodes ??= $this->nodes();
        $open = [];
        for ($depth = 256; $depth > 0 && ($found = $this->lastBelow($nodes, $root, 0, $before, $depth)) !== null;) {
            array_unshift($open, $found[1]);
            [$before] = $found;
            $depth = NodeChild::depth($found[1]);
        }

        return $open;
    }

    /**
     * The records of depth 0.
     *
     * @return array<int, string> by position
     *
     * @throws ChunkMissing
     */
    public function tops(string $root): array
    {
        $nodes = $this->nodes();
        $tops = [];
        $open = [[$root, 0]];
        while ($open !== []) {
            [$address, $start] = array_pop($open);
            if ($nodes->isLeaf($address)) {
                foreach ($nodes->records($address) as $at => $record) {
                    if (NodeChild::depth($record) === 0) {
                        $tops[$start + $at] = $record;
                    }
                }

                continue;
            }
            foreach ($nodes->entries($address) as $entry) {
                if ($entry->least === 0) {
                    $open[] = [$entry->address, $start];
                }
                $start += $entry->count;
            }
        }
        ksort($tops);

        return $tops;
    }

    /**
     * Every chunk of a list, level by level from the root: address => bytes.
     *
     * @param  array<string, true>  $known  nodes that need not be looked into, by address; grows by what was seen
     * @return \Generator<string, string>
     *
     * @throws ChunkMissing
     */
    public function chunks(string $root, array &$known = []): \Generator
    {
        $wanted = isset($known[$root]) ? [] : [$root];
        while ($wanted !== []) {
            $nodes = new Nodes($this->store);
            $nodes->fetch($wanted);
            $below = [];
            foreach ($wanted as $address) {
                $known[$address] = true;
                yield $address => $nodes->bytes($address);
                foreach ($nodes->isLeaf($address) ? [] : $nodes->entries($address) as $entry) {
                    if (! isset($known[$entry->address])) {
                        $below[$entry->address] = $entry->address;
                    }
                }
            }
            $wanted = array_values($below);
        }
    }

    /**
     * The last record before a position that is less deep than a depth.
     *
     * @return array{int, string}|null its position and itself
     */
    private function lastBelow(Nodes $nodes, string $address, int $start, int $before, int $depth): ?array
    {
        if ($nodes->isLeaf($address)) {
            $records = $nodes->records($address);
            for ($at = min(count($records), $before - $start) - 1; $at >= 0; $at--) {
                if (NodeChild::depth($records[$at]) < $depth) {
                    return [$start + $at, $records[$at]];
                }
            }

            return null;
        }
        $below = $nodes->below($address);
        $leasts = $nodes->leasts($address);
        $starts = [];
        foreach ($nodes->counts($address) as $count) {
            $starts[] = $start;
            $start += $count;
        }
        for ($at = count($starts) - 1; $at >= 0; $at--) {
            if ($starts[$at] < $before && $leasts[$at] < $depth) {
                $found = $this->lastBelow($nodes, $below[$at], $starts[$at], $before, $depth);
                if ($found !== null) {
                    return $found;
                }
            }
        }

        return null;
    }

    /**
     * For each new node the one of the near tree that holds the same position on the same level.
     *
     * @param  list<list<NodeChild>>  $levels  leaves first
     * @param  list<list<NodeChild>>  $near
     * @param  array<string, string>  $new
     * @return array<string, string>
     */
    private function alike(array $levels, array $near, array $new): array
    {
        $like = [];
        foreach ($levels as $height => $entries) {
            $others = $near[$height] ?? [];
            $other = $otherEnd = $start = 0;
            foreach ($entries as $entry) {
                while (isset($others[$other]) && $otherEnd + $others[$other]->count <= $start) {
                    $otherEnd += $others[$other]->count;
                    $other++;
                }
                if (isset($others[$other], $new[$entry->address])) {
                    $like[$entry->address] = $others[$other]->address;
                }
                $start += $entry->count;
            }
        }

        return $like;
    }
}
