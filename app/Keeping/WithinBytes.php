<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Store\Chunks\SqliteChunkStore;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * Which versions go so that the states of an item take no more than so many bytes of the file: the oldest first, and never one that is
 * exempt. A state counts for what it holds besides the younger ones, as it lies in the file. Reads the states until the bytes are spent,
 * each shared piece once.
 */
final class WithinBytes
{
    /** States of which the sizes are asked for at once. */
    private const AT_ONCE = 100;

    /** How often it is looked at what would be left, which may lie further apart then than it does. */
    private const ROUNDS = 6;

    private readonly HashTree $trees;

    private readonly SqliteChunkStore $rows;

    /** @var array<string, true> addresses that are counted */
    private array $known = [];

    /** @var array<int, true> ids of chunks that are counted, as a base of others or by themselves */
    private array $counted = [];

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new HashTree($chunks);
        $this->rows = new SqliteChunkStore(DB::connection());
    }

    /**
     * @param  list<string>  $exempt  roots that stay in any case
     * @param  array<int, string>  $roots  number => root of the others, the newest first
     * @param  int  $most  bytes
     * @return list<int> numbers of those that go
     */
    public function over(array $exempt, array $roots, int $most): array
    {
        $left = $most;
        $sizes = $always = $own = [];
        foreach (array_chunk(array_values(array_unique($exempt)), self::AT_ONCE) as $some) {
            [$bytes, $addresses] = $this->sizes($some);
            $left -= array_sum($bytes);
            array_push($always, ...array_merge(...$addresses));
        }
        foreach (array_chunk($roots, self::AT_ONCE, true) as $some) {
            if (array_sum($sizes) > $left) {
                break;
            }
            [$bytes, $addresses] = $this->sizes($some);
            $sizes += $bytes;
            $own += $addresses;
        }
        for ($stay = self::fitting($sizes, $left), $round = 0; $round < self::ROUNDS && $stay < count($roots); $round++) {
            $kept = array_slice($sizes, 0, $stay, true);
            $over = $this->rows->alone(array_merge($always, ...array_values(array_intersect_key($own, $kept)))) - $most;
            $fewer = $over > 0 ? self::fitting($kept, array_sum($kept) - $over) : $stay;
            if ($fewer === $stay) {
                break;
            }
            $stay = $fewer;
        }

        return array_keys(array_slice($roots, $stay, null, true));
    }

    /**
     * @param  array<int, int>  $sizes
     * @return int how many of them, from the first on, take no more than so many bytes
     */
    private static function fitting(array $sizes, int $bytes): int
    {
        $at = 0;
        foreach ($sizes as $size) {
            if (($bytes -= $size) < 0) {
                break;
            }
            $at++;
        }

        return $at;
    }

    /**
     * @param  array<int, string>  $roots
     * @return array{array<int, int>, array<int, list<string>>} bytes of each, besides what was counted before, and the addresses of that
     */
    private function sizes(array $roots): array
    {
        $of = $own = [];
        foreach ($roots as $at => $root) {
            $own[$at] = array_map(strval(...), array_keys(iterator_to_array($this->trees->chunks((string) hex2bin($root), $this->known))));
            $of += array_fill_keys($own[$at], $at);
        }
        $sizes = array_fill_keys(array_keys($roots), 0);
        foreach (array_chunk(array_map(strval(...), array_keys($of)), 500) as $some) {
            $rows = $this->rows->withBases($some);
            // What is kept as its difference from another takes that one, too, and what that is kept as.
            foreach ($rows as $id => $row) {
                for ($at = $of[$row['address']] ?? null; $at !== null && isset($rows[$id]); $id = (int) $rows[$id]['base']) {
                    $sizes[$at] += $this->once($id, $rows[$id]['bytes']);
                }
            }
        }

        return [$sizes, $own];
    }

    private function once(int $chunk, int $bytes): int
    {
        $isNew = ! isset($this->counted[$chunk]);
        $this->counted[$chunk] = true;

        return $isNew ? $bytes : 0;
    }
}
