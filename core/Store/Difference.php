<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Sequences\Sequences;

/**
 * Finds where two lists differ by walking both trees from the root and leaving out what has the same address. Reads
 * O(differences · log n) nodes; nothing that is equal is read.
 */
final readonly class Difference
{
    public function __construct(private Nodes $nodes) {}

    /** @return list<Region> ascending, apart from each other */
    public function between(string $old, string $new): array
    {
        if ($old === $new) {
            return [];
        }
        $height = max($this->nodes->height($old), $this->nodes->height($new));
        $regions = [[0, $this->top($old), 0, $this->top($new)]];
        for (; $height > 0; $height--) {
            $below = [];
            foreach ($this->expanded($regions, $height) as $region) {
                array_push($below, ...$this->apart($region));
            }
            $regions = $below;
        }
        $this->nodes->fetch($this->addresses($regions));
        $found = [];
        foreach ($regions as [$oldFrom, $old, $newFrom, $new]) {
            array_push($found, ...$this->records($oldFrom, $this->all($old), $newFrom, $this->all($new)));
        }

        return $found;
    }

    /** @return list<array{Entry, int}> a node with its height */
    private function top(string $root): array
    {
        return [[new Entry($root, $this->nodes->count($root), 0), $this->nodes->height($root)]];
    }

    /**
     * Replaces the nodes that stand at a height by the ones below them.
     *
     * @param  list<array{int, list<array{Entry, int}>, int, list<array{Entry, int}>}>  $regions
     * @return list<array{int, list<array{Entry, int}>, int, list<array{Entry, int}>}>
     */
    private function expanded(array $regions, int $height): array
    {
        $this->nodes->fetch($this->addresses($regions));

        return array_map(fn (array $region) => [$region[0], $this->below($region[1], $height), $region[2], $this->below($region[3], $height)], $regions);
    }

    /**
     * @param  list<array{Entry, int}>  $nodes
     * @return list<array{Entry, int}>
     */
    private function below(array $nodes, int $height): array
    {
        $below = [];
        foreach ($nodes as [$entry, $at]) {
            if ($at < $height) {
                $below[] = [$entry, $at];

                continue;
            }
            foreach ($this->nodes->entries($entry->address) as $inner) {
                $below[] = [$inner, $height - 1];
            }
        }

        return $below;
    }

    /**
     * Splits a region at the nodes that both sides have.
     *
     * @param  array{int, list<array{Entry, int}>, int, list<array{Entry, int}>}  $region
     * @return list<array{int, list<array{Entry, int}>, int, list<array{Entry, int}>}>
     */
    private function apart(array $region): array
    {
        [$oldAt, $old, $newAt, $new] = $region;
        $alignment = Sequences::align(array_map(fn (array $node) => $node[0]->address, $old), array_map(fn (array $node) => $node[0]->address, $new));
        $oldStarts = self::starts($oldAt, $old);
        $newStarts = self::starts($newAt, $new);

        return array_map(fn (array $gap) => [
            $oldStarts[$gap[0]], array_slice($old, $gap[0], $gap[1] - $gap[0]),
            $newStarts[$gap[2]], array_slice($new, $gap[2], $gap[3] - $gap[2]),
        ], $alignment->gaps());
    }

    /**
     * @param  list<array{Entry, int}>  $nodes
     * @return list<int> the first record of each, and of what comes after the last
     */
    private static function starts(int $at, array $nodes): array
    {
        $starts = [$at];
        foreach ($nodes as [$entry]) {
            $starts[] = $at += $entry->count;
        }

        return $starts;
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @return list<Region>
     */
    private function records(int $oldFrom, array $old, int $newFrom, array $new): array
    {
        return array_map(fn (array $gap) => new Region(
            $oldFrom + $gap[0],
            array_slice($old, $gap[0], $gap[1] - $gap[0]),
            $newFrom + $gap[2],
            array_slice($new, $gap[2], $gap[3] - $gap[2]),
        ), Sequences::align($old, $new)->gaps());
    }

    /**
     * @param  list<array{Entry, int}>  $leaves
     * @return list<string>
     */
    private function all(array $leaves): array
    {
        return array_merge(...array_map(fn (array $leaf) => $this->nodes->records($leaf[0]->address), $leaves), ...[[]]);
    }

    /**
     * @param  list<array{int, list<array{Entry, int}>, int, list<array{Entry, int}>}>  $regions
     * @return list<string>
     */
    private function addresses(array $regions): array
    {
        $addresses = [];
        foreach ($regions as [, $old, , $new]) {
            foreach ([...$old, ...$new] as [$entry]) {
                $addresses[] = $entry->address;
            }
        }

        return array_values(array_unique($addresses));
    }
}
