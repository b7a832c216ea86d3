<?php

declare(strict_types=1);

namespace App\Store;

use App\Store\Chunks\SqliteChunkStore;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;
use MistyAttic\Core\Store\PieceList;

/**
 * Gives back chunks that no state needs any more, and then the pages of the file, in steps that hold the lock for moments. What somebody
 * saves meanwhile is looked at in every step before anything goes, so that a chunk that is wanted again stays; a process that is killed
 * leaves a place that is whole, and the next one begins again.
 */
final class Sweep
{
    /** Seconds that a chunk has before it may go, since a file is sent before it is said what should become of it. */
    private const GRACE = 86_400;

    /** Chunks that one step drops, and pages of the file that one gives back. */
    private const STEP = 100;

    /** @var array<string, true> addresses of what is needed */
    private array $live = [];

    private readonly HashTree $trees;

    private readonly SqliteChunkStore $chunks;

    private readonly FileBytes $files;

    public function __construct(ChunkStore $chunks, private readonly LiveRoots $roots)
    {
        $this->trees = new HashTree($chunks);
        $this->files = new FileBytes($chunks);
        $this->chunks = new SqliteChunkStore(DB::connection());
    }

    /**
     * @param  bool  $atOnce  also what came within the last day
     * @return array{int, int} chunks and bytes of their data
     *
     * @throws ChunkMissing when something that is needed is damaged: then nothing goes
     */
    public function handle(bool $atOnce = false): array
    {
        $now = now()->getTimestamp();
        $newest = (int) DB::table('chunks')->max('id');
        DB::table('sweeps')->where('at', '<', $now - 7 * self::GRACE)->delete();
        DB::table('sweeps')->upsert(['at' => $now, 'newest' => $newest], ['at'], ['newest']);
        $until = $atOnce ? $newest : (int) DB::table('sweeps')->where('at', '<=', $now - self::GRACE)->max('newest');
        $this->mark();
        $chunks = $bytes = 0;
        for ($at = $until + 1; $at > 0;) {
            // Deltas are younger than what they are deltas of, and go first.
            $page = DB::table('chunks')->where('id', '<', $at)->orderByDesc('id')->limit(10 * self::STEP)->pluck('address', 'id')->all();
            $at = $page === [] ? 0 : (int) array_key_last($page);
            $idle = array_filter($page, fn (string $address) => ! isset($this->live[$address]));
            foreach (array_chunk(array_keys($idle), self::STEP) as $ids) {
                [$dropped, $size] = $this->drop($ids, $idle);
                $chunks += $dropped;
                $bytes += $size;
            }
        }
        $this->shrink();

        return [$chunks, $bytes];
    }

    private function mark(): void
    {
        foreach ($this->roots->pictures() as [$chunk, $isList]) {
            $this->live[(string) hex2bin($chunk)] = true;
            $isList && $this->pieces($this->files->list($chunk));
        }
        foreach ($this->roots->uploads() as $list) {
            $this->pieces($list);
        }
        foreach ($this->roots->next() as $root) {
            $address = (string) hex2bin($root);
            if (! isset($this->live[$address])) {
                foreach ($this->trees->chunks($address, $this->live) as $unused);
            }
        }
    }

    private function pieces(PieceList $list): void
    {
        foreach ($list->pieces as [$address]) {
            $this->live[$address] = true;
        }
    }

    /**
     * @param  list<int>  $ids
     * @param  array<int, string>  $addresses
     * @return array{int, int}
     */
    private function drop(array $ids, array $addresses): array
    {
        return DB::transaction(function () use ($ids, $addresses): array {
            $this->mark();
            $ids = array_values(array_filter($ids, fn (int $id) => ! isset($this->live[$addresses[$id]])));

            return $this->chunks->drop($ids);
        });
    }

    /** Gives the pages that are free back to the system. */
    private function shrink(): void
    {
        do {
            $free = (int) DB::select('PRAGMA freelist_count')[0]->freelist_count;
            // A page is given back for each row that is asked for.
            $free === 0 || DB::select('PRAGMA incremental_vacuum('.self::STEP.')');
        } while ($free > self::STEP);
    }
}
