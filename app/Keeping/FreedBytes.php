<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Store\Chunks\SqliteChunkStore;
use App\Store\LiveRoots;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * What letting versions go really gives back: chunks that they need and nothing else in the place does, as they lie in the file. Reads
 * every state of the place once, each shared piece of them once, as a sweep does. What a window may still be on comes back when it is
 * closed, and counts.
 */
final readonly class FreedBytes
{
    /** Rows that are asked for at once. */
    private const AT_ONCE = 500;

    private HashTree $trees;

    private SqliteChunkStore $rows;

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new HashTree($chunks);
        $this->rows = new SqliteChunkStore(DB::connection());
    }

    /**
     * @param  list<int>  $versions  ids
     * @return int bytes
     */
    public function of(array $versions): int
    {
        return $this->each([$versions])[0];
    }

    /**
     * What is given back by each of several that go together; what two of them share counts for the first.
     *
     * @template T of array-key
     *
     * @param  array<T, list<int>>  $versions  ids
     * @return array<T, int> bytes
     */
    public function each(array $versions): array
    {
        $all = array_merge([], ...array_values($versions));
        $known = [];
        foreach ($all === [] ? [] : (new LiveRoots(array_fill_keys($all, true), windows: false))->next() as $root) {
            $this->mark((string) hex2bin($root), $known);
        }

        return array_map(function (array $ids) use (&$known): int {
            $addresses = [];
            foreach (array_chunk($ids, self::AT_ONCE) as $some) {
                foreach (DB::table('versions')->whereIn('id', $some)->distinct()->pluck('root') as $root) {
                    array_push($addresses, ...$this->mark((string) hex2bin((string) $root), $known));
                }
            }

            return $this->rows->freedBy($addresses);
        }, $versions);
    }

    /**
     * @param  array<string, true>  $known
     * @return list<string> the addresses that were not known
     */
    private function mark(string $root, array &$known): array
    {
        $new = [];
        foreach ($this->trees->chunks($root, $known) as $address => $unused) {
            $new[] = (string) $address;
        }

        return $new;
    }
}
