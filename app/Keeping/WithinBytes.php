<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * Which versions go so that the states of an item take no more than so many bytes of the file: the oldest first, and never one that is exempt. A state
 * counts for what it holds besides the younger ones, as it lies in the file. Reads the states until the bytes are spent, each shared piece once.
 */
final class WithinBytes
{
    /** States of which the sizes are asked for at once. */
    private const AT_ONCE = 100;

    private readonly HashTree $trees;

    /** @var array<string, true> addresses that are counted */
    private array $known = [];

    /** @var array<int, true> ids of chunks that are counted, as a base of others or by themselves */
    private array $counted = [];

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new HashTree($chunks);
    }

    /**
     * @param  list<string>  $exempt  roots that stay in any case
     * @param  array<int, string>  $roots  number => root of the others, the newest first
     * @param  int  $most  bytes
     * @return list<int> numbers of those that go
     */
    public function over(array $exempt, array $roots, int $most): array
    {
        foreach (array_chunk(array_values(array_unique($exempt)), self::AT_ONCE) as $some) {
            $most -= array_sum($this->sizes($some));
        }
        foreach (array_chunk($roots, self::AT_ONCE, true) as $some) {
            foreach ($this->sizes($some) as $number => $bytes) {
                $most -= $bytes;
                if ($most < 0) {
                    return array_values(array_filter(array_keys($roots), fn (int $each) => $each <= $number));
                }
            }
        }

        return [];
    }

    /**
     * @param  array<int, string>  $roots
     * @return array<int, int> bytes of each, besides what was counted before
     */
    private function sizes(array $roots): array
    {
        $addresses = [];
        foreach ($roots as $at => $root) {
            foreach ($this->trees->chunks((string) hex2bin($root), $this->known) as $address => $unused) {
                $addresses[bin2hex((string) $address)] = $at;
            }
        }
        $sizes = array_fill_keys(array_keys($roots), 0);
        foreach (array_chunk(array_keys($addresses), 500) as $some) {
            $marks = implode(',', array_map(fn (string $address) => "x'{$address}'", $some));
            foreach (DB::select("SELECT lower(hex(c.address)) AS address, c.id, length(c.data) AS bytes, c.base, coalesce(length(b.data), 0) AS base_bytes FROM chunks c LEFT JOIN chunks b ON b.id = c.base WHERE c.address IN ({$marks})") as $row) {
                $sizes[$addresses[$row->address]] += $this->once((int) $row->id, (int) $row->bytes) + ($row->base === null ? 0 : $this->once((int) $row->base, (int) $row->base_bytes));
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
