<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * A list of records (canonical JSON texts) kept as a tree of chunks. The list is cut into leaves at boundaries that the
 * content defines, and nodes of nodes likewise, so that the same list has the same root whatever the way there, and an
 * edit, insertion or removal makes new chunks on the path to the root and no others.
 *
 * A leaf is `L` and its records, each ended by a line feed. An inner node is `N` and its entries: the address of a
 * node below and the number of records under it (32 bits, big-endian). The empty list is the leaf `L`.
 *
 * @phpstan-type Entry array{address: string, count: int}
 */
final readonly class HashTree
{
    private const LEAF_LEAST = 10;

    private const LEAF_MOST = 96;

    private const LEAF_BYTES = 28_672;

    /** One record in this many ends a leaf that has the least number: about 32 records a leaf. */
    private const LEAF_DIVISOR = 23;

    private const NODE_LEAST = 5;

    private const NODE_MOST = 48;

    private const NODE_DIVISOR = 12;

    private const ENTRY_BYTES = Address::BYTES + 4;

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
        $chunks = [];
        $levels = [$this->leaves($records, $chunks)];
        while (count($levels[array_key_last($levels)]) > 1) {
            $levels[] = $this->nodes($levels[array_key_last($levels)], $chunks);
        }
        $new = array_intersect_key($chunks, array_flip($this->store->missing(array_keys($chunks))));
        if ($new !== []) {
            $this->store->write($new, $near === null ? [] : $this->alike($levels, $this->levels($near), $new));
        }

        return $levels[array_key_last($levels)][0]['address'];
    }

    /**
     * @return list<string> the records from a position on
     *
     * @throws ChunkMissing
     */
    public function read(string $root, int $from = 0, int $length = PHP_INT_MAX): array
    {
        $wanted = [['address' => $root, 'skip' => $from]];
        while (true) {
            $held = $this->fetch(array_column($wanted, 'address'));
            if ($wanted === [] || $held[$wanted[0]['address']][0] === 'L') {
                break;
            }
            $below = [];
            $left = $length;
            foreach ($wanted as $node) {
                $skip = $node['skip'];
                foreach ($this->entries($held[$node['address']]) as $entry) {
                    if ($left <= 0) {
                        break;
                    }
                    if ($skip >= $entry['count']) {
                        $skip -= $entry['count'];

                        continue;
                    }
                    $below[] = ['address' => $entry['address'], 'skip' => $skip];
                    $left -= $entry['count'] - $skip;
                    $skip = 0;
                }
            }
            $wanted = $below;
        }
        $records = [];
        foreach ($wanted as $leaf) {
            $lines = explode("\n", substr($held[$leaf['address']], 1), -1);
            array_push($records, ...($leaf['skip'] === 0 ? $lines : array_slice($lines, $leaf['skip'])));
        }

        return $length < count($records) ? array_slice($records, 0, $length) : $records;
    }

    /**
     * Every chunk of a list, level by level from the root: address => bytes.
     *
     * @return \Generator<string, string>
     *
     * @throws ChunkMissing
     */
    public function chunks(string $root): \Generator
    {
        $wanted = [$root];
        while ($wanted !== []) {
            $below = [];
            foreach ($this->fetch($wanted) as $address => $bytes) {
                yield $address => $bytes;
                if ($bytes[0] === 'N') {
                    array_push($below, ...array_column($this->entries($bytes), 'address'));
                }
            }
            $wanted = array_values(array_unique($below));
        }
    }

    /**
     * @param  iterable<string>  $records
     * @param  array<string, string>  $chunks  gets the new nodes
     * @return non-empty-list<Entry>
     */
    private function leaves(iterable $records, array &$chunks): array
    {
        $entries = [];
        $leaf = 'L';
        $count = 0;
        foreach ($records as $record) {
            $leaf .= $record."\n";
            $count++;
            if ($count >= self::LEAF_MOST || strlen($leaf) >= self::LEAF_BYTES || ($count >= self::LEAF_LEAST && crc32($record) % self::LEAF_DIVISOR === 0)) {
                $entries[] = $this->entry($leaf, $count, $chunks);
                $leaf = 'L';
                $count = 0;
            }
        }
        if ($count > 0 || $entries === []) {
            $entries[] = $this->entry($leaf, $count, $chunks);
        }

        return $entries;
    }

    /**
     * @param  list<Entry>  $below
     * @param  array<string, string>  $chunks
     * @return non-empty-list<Entry>
     */
    private function nodes(array $below, array &$chunks): array
    {
        $entries = [];
        $node = 'N';
        $count = $records = 0;
        foreach ($below as $position => $entry) {
            $node .= $entry['address'].pack('N', $entry['count']);
            $records += $entry['count'];
            $count++;
            if ($count >= self::NODE_MOST || ($count >= self::NODE_LEAST && crc32($entry['address']) % self::NODE_DIVISOR === 0) || $position === array_key_last($below)) {
                $entries[] = $this->entry($node, $records, $chunks);
                $node = 'N';
                $count = $records = 0;
            }
        }
        if ($entries === []) {
            throw new \LogicException('A level has at least one node');
        }

        return $entries;
    }

    /**
     * @param  array<string, string>  $chunks
     * @return Entry
     */
    private function entry(string $bytes, int $count, array &$chunks): array
    {
        $address = Address::of($bytes);
        $chunks[$address] = $bytes;

        return ['address' => $address, 'count' => $count];
    }

    /**
     * For each new node the one of the near tree that holds the same position on the same level.
     *
     * @param  list<list<Entry>>  $levels  leaves first
     * @param  list<list<Entry>>  $near
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
                while (isset($others[$other]) && $otherEnd + $others[$other]['count'] <= $start) {
                    $otherEnd += $others[$other]['count'];
                    $other++;
                }
                if (isset($others[$other], $new[$entry['address']])) {
                    $like[$entry['address']] = $others[$other]['address'];
                }
                $start += $entry['count'];
            }
        }

        return $like;
    }

    /** @return list<list<Entry>> the entries of every level, leaves first */
    private function levels(string $root): array
    {
        $top = $this->fetch([$root])[$root];
        $levels = [[['address' => $root, 'count' => $top[0] === 'L' ? substr_count($top, "\n") : array_sum(array_column($this->entries($top), 'count'))]]];
        $nodes = $top[0] === 'N' ? [$top] : [];
        while ($nodes !== []) {
            $below = array_merge(...array_map($this->entries(...), $nodes));
            array_unshift($levels, $below);
            // A first look at one node tells whether this level is made of leaves, which need not be read.
            $first = $this->fetch([$below[0]['address']])[$below[0]['address']];
            $nodes = $first[0] === 'N' ? array_values($this->fetch(array_column($below, 'address'))) : [];
        }

        return $levels;
    }

    /** @return list<Entry> */
    private function entries(string $node): array
    {
        $entries = [];
        for ($at = 1, $end = strlen($node); $at < $end; $at += self::ENTRY_BYTES) {
            $count = unpack('N', $node, $at + Address::BYTES);
            $entries[] = ['address' => substr($node, $at, Address::BYTES), 'count' => $count === false ? 0 : $count[1]];
        }

        return $entries;
    }

    /**
     * @param  list<string>  $addresses
     * @return array<string, string>
     *
     * @throws ChunkMissing
     */
    private function fetch(array $addresses): array
    {
        $held = $this->store->read($addresses);
        foreach ($addresses as $address) {
            isset($held[$address]) || throw ChunkMissing::at($address);
        }

        return $held;
    }
}
