<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Store\SqliteChunkStore;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * Which versions go so that the states of an item take no more than so many bytes of the file: the oldest first, and never one that is exempt. A state
 * counts for what it holds besides the younger ones, as it lies in the file. Reads all of them, each shared piece once.
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

    /** @var array<int, list<string>> number => addresses of what a state holds besides the younger ones */
    private array $own = [];

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
        $taken = 0;
        foreach (array_chunk(array_values(array_unique($exempt)), self::AT_ONCE) as $some) {
            $taken += array_sum($this->sizes($some));
        }
        $sizes = [];
        foreach (array_chunk($roots, self::AT_ONCE, true) as $some) {
            $sizes += $this->sizes($some);
        }
        $fits = function (int $bytes) use ($sizes): int {
            $at = 0;
            foreach ($sizes as $size) {
                if (($bytes -= $size) < 0) {
                    break;
                }
                $at++;
            }

            return $at;
        };
        $all = $taken + array_sum($sizes);
        $stay = $fits($most - $taken);
        for ($round = 0; $round < self::ROUNDS && $stay < count($sizes); $round++) {
            $go = array_slice($sizes, $stay, null, true);
            $over = $all - $this->rows->freedBy(array_merge(...array_map(fn (int $number): array => $this->own[$number], array_keys($go)))) - $most;
            $fewer = $over > 0 ? $fits(array_sum(array_slice($sizes, 0, $stay)) - $over) : $stay;
            if ($fewer === $stay) {
                break;
            }
            $stay = $fewer;
        }

        return array_keys(array_slice($sizes, $stay, null, true));
    }

    /**
     * @param  array<int, string>  $roots
     * @return array<int, int> bytes of each, besides what was counted before
     */
    private function sizes(array $roots): array
    {
        $of = [];
        foreach ($roots as $at => $root) {
            $this->own[$at] = array_map(strval(...), array_keys(iterator_to_array($this->trees->chunks((string) hex2bin($root), $this->known))));
            $of += array_fill_keys($this->own[$at], $at);
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

        return $sizes;
    }

    private function once(int $chunk, int $bytes): int
    {
        $isNew = ! isset($this->counted[$chunk]);
        $this->counted[$chunk] = true;

        return $isNew ? $bytes : 0;
    }
}
