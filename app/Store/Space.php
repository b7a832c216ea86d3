<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Store\Chunks\SqliteChunkStore;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * How many bytes of the file something takes: its newest state, the rest of its history, its pictures and files. Chunks that several states
 * share count once, with the first that is looked at; so what a copy shares with what it was copied from counts there.
 */
final class Space
{
    private readonly HashTree $trees;

    private readonly FileBytes $files;

    /** @var array<string, true> addresses that were counted */
    private array $known = [];

    /** @var array<int, true> rows that were counted, by themselves or as what another rests on */
    private array $counted = [];

    private readonly SqliteChunkStore $rows;

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new HashTree($chunks);
        $this->files = new FileBytes($chunks);
        $this->rows = new SqliteChunkStore(DB::connection());
    }

    /** @return array{newest: int, history: int, files: int} bytes of what was not counted yet */
    public function of(Item $item): array
    {
        $newest = $this->states([$item->root]);
        $history = $this->states(DB::table('versions')->where('item_id', $item->id)->orderByDesc('number')->pluck('root')->unique()->all());

        return ['newest' => $newest, 'history' => $history, 'files' => $this->pictures($item)];
    }

    /** @return int bytes of the whole file, as the system sees it */
    public static function file(): int
    {
        return (int) DB::select('SELECT page_count * page_size AS bytes FROM pragma_page_count(), pragma_page_size()')[0]->bytes;
    }

    /** @param array<mixed> $roots hexadecimal */
    private function states(array $roots): int
    {
        $addresses = [];
        foreach ($roots as $root) {
            foreach ($this->trees->chunks((string) hex2bin((string) $root), $this->known) as $address => $unused) {
                $addresses[] = (string) $address;
            }
        }

        return $this->bytes($addresses);
    }

    private function pictures(Item $item): int
    {
        $addresses = [];
        foreach (
            DB::table('pictures')
                ->where('item_id', $item->id)
                ->get(['chunk', 'bytes']) as $picture
        ) {
            $own = [
                (string) hex2bin((string) $picture->chunk),
                ...$picture->bytes === null ? [] : array_column($this->files->list((string) $picture->chunk)->pieces, 0),
            ];
            foreach ($own as $address) {
                if (! isset($this->known[$address])) {
                    $this->known[$address] = true;
                    $addresses[] = $address;
                }
            }
        }

        return $this->bytes($addresses);
    }

    /** @param list<string> $addresses */
    private function bytes(array $addresses): int
    {
        $new = array_diff_key($this->rows->withBases($addresses), $this->counted);
        $this->counted += array_fill_keys(array_keys($new), true);

        return array_sum(array_column($new, 'bytes'));
    }
}
