<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

use MistyAttic\Core\Sequences\Sequences;

/**
 * Finds where two lists differ by walking both trees from the root and leaving out what has the same address. Reads
 * O(differences · log n) nodes; nothing that is equal is read.
 *
 * A pair of stretches that differ is told by the first record and the addresses of its nodes, old and new.
 *
 * @phpstan-type Apart array{int, list<string>, int, list<string>}
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
        $oldHeight = $this->nodes->height($old);
        $newHeight = $this->nodes->height($new);
        $regions = [[0, [$old], 0, [$new]]];
        for ($height = max($oldHeight, $newHeight); $height > 0; $height--) {
            // The lower tree waits for the other one to come down to it.
            [$oldOpens, $newOpens] = [$oldHeight >= $height, $newHeight >= $height];
            $this->nodes->fetch(self::addresses($regions));
            $below = [];
            foreach ($regions as $region) {
                array_push($below, ...$this->below($region, $oldOpens, $newOpens));
            }
            $regions = $below;
        }
        $this->nodes->fetch(self::addresses($regions));
        $found = [];
        foreach ($regions as [$oldFrom, $old, $newFrom, $new]) {
            array_push($found, ...$this->records($oldFrom, $this->all($old), $newFrom, $this->all($new)));
        }

        return $found;
    }

    /**
     * Replaces nodes by the ones below them, and splits them at those that both sides have.
     *
     * @param  Apart  $region
     * @return list<Apart>
     */
    private function below(array $region, bool $oldOpens, bool $newOpens): array
    {
        [$oldFrom, $oldAbove, $newFrom, $newAbove] = $region;
        [$old, $oldCounts] = $oldOpens ? $this->inside($oldAbove) : [$oldAbove, array_map($this->nodes->count(...), $oldAbove)];
        [$new, $newCounts] = $newOpens ? $this->inside($newAbove) : [$newAbove, array_map($this->nodes->count(...), $newAbove)];
        $below = [];
        $oldSeen = $newSeen = 0;
        foreach (Sequences::align($old, $new)->gaps() as [$a, $aEnd, $b, $bEnd]) {
            for (; $oldSeen < $a; $oldSeen++) {
                $oldFrom += $oldCounts[$oldSeen];
            }
            for (; $newSeen < $b; $newSeen++) {
                $newFrom += $newCounts[$newSeen];
            }
            $below[] = [$oldFrom, array_slice($old, $a, $aEnd - $a), $newFrom, array_slice($new, $b, $bEnd - $b)];
        }

        return $below;
    }

    /**
     * @param  list<string>  $nodes  inner ones
     * @return array{list<string>, list<int>} the nodes in them, and how many records each holds
     */
    private function inside(array $nodes): array
    {
        $addresses = $counts = [];
        foreach ($nodes as $node) {
            array_push($addresses, ...$this->nodes->below($node));
            array_push($counts, ...$this->nodes->counts($node));
        }

        return [$addresses, $counts];
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
     * @param  list<string>  $leaves
     * @return list<string>
     */
    private function all(array $leaves): array
    {
        return array_merge(...array_map($this->nodes->records(...), $leaves), ...[[]]);
    }

    /**
     * @param  list<Apart>  $regions
     * @return list<string>
     */
    private static function addresses(array $regions): array
    {
        return array_merge(...array_column($regions, 1), ...array_column($regions, 3));
    }
}
