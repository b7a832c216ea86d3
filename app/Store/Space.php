<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;

/**
 * How many bytes of the file something takes: its newest state, the rest of its history, its pictures and files. Chunks that several states share count once,
 * with the first that is looked at; so what a copy shares with what it was copied from counts there.
 */
final class Space
{
    private const AT_ONCE = 500;

    private readonly HashTree $trees;

    private readonly FileBytes $files;

    /** @var array<string, true> addresses that were counted */
    private array $known = [];

    /** @var array<string, true> addresses that were counted as what another rests on, and not looked into */
    private array $bases = [];

    public function __construct(ChunkStore $chunks)
    {
        $this->trees = new HashTree($chunks);
        $this->files = new FileBytes($chunks);
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
                isset($this->bases[$address]) || $addresses[] = (string) $address;
            }
        }

        return self::bytes([...$addresses, ...$this->bases($addresses)]);
    }

    /**
     * What is kept as its difference from another chunk takes that one, too, and what that is kept as.
     *
     * @param  list<string>  $addresses
     * @return list<string> those that were not counted yet
     */
    private function bases(array $addresses): array
    {
        $bases = [];
        foreach (array_chunk($addresses, self::AT_ONCE) as $some) {
            foreach (DB::select('WITH RECURSIVE needed (id) AS (SELECT base FROM chunks WHERE address IN ('.self::marks($some).') AND base IS NOT NULL UNION SELECT base FROM chunks JOIN needed USING (id) WHERE base IS NOT NULL) SELECT address FROM chunks WHERE id IN needed') as $row) {
                if (! isset($this->known[$row->address]) && ! isset($this->bases[$row->address])) {
                    $this->bases[$row->address] = true;
                    $bases[] = (string) $row->address;
                }
            }
        }

        return $bases;
    }

    private function pictures(Item $item): int
    {
        $addresses = [];
        foreach (DB::table('pictures')->where('item_id', $item->id)->get(['chunk', 'bytes']) as $picture) {
            $own = [(string) hex2bin((string) $picture->chunk), ...($picture->bytes === null ? [] : array_column($this->files->list((string) $picture->chunk)->pieces, 0))];
            foreach ($own as $address) {
                if (! isset($this->known[$address])) {
                    $this->known[$address] = true;
                    $addresses[] = $address;
                }
            }
        }

        return self::bytes($addresses);
    }

    /** @param list<string> $addresses */
    private static function bytes(array $addresses): int
    {
        $bytes = 0;
        foreach (array_chunk($addresses, self::AT_ONCE) as $some) {
            $bytes += (int) DB::select('SELECT sum(length(data)) AS bytes FROM chunks WHERE address IN ('.self::marks($some).')')[0]->bytes;
        }

        return $bytes;
    }

    /** @param list<string> $addresses */
    private static function marks(array $addresses): string
    {
        return implode(',', array_map(fn (string $address) => "x'".bin2hex($address)."'", $addresses));
    }
}
