<?php

declare(strict_types=1);

namespace App\Store\Chunks;

use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;

/**
 * Chunks of a state that is worked out before it is written: cut, addressed and packed while others may write, and put in by {@see flush}
 * inside the transaction that makes them part of something.
 */
final class ChunksAhead implements ChunkStore
{
    /** Chunks that are put in within some milliseconds. */
    private const STEP = 50;

    /** @var array<string, string> address => bytes */
    private array $bytes = [];

    /** @var list<PackedChunk> */
    private array $packed = [];

    /** @var array<string, true> addresses of what was held already, and is counted on */
    private array $held = [];

    public function __construct(private readonly SqliteChunkStore $chunks) {}

    public function read(array $addresses): array
    {
        $own = array_intersect_key($this->bytes, array_flip($addresses));
        $others = array_values(array_filter($addresses, fn (string $address) => ! isset($own[$address])));

        return $own + ($others === [] ? [] : $this->chunks->read($others));
    }

    public function missing(array $addresses): array
    {
        $asked = array_values(array_filter($addresses, fn (string $address) => ! isset($this->bytes[$address])));
        $missing = $this->chunks->missing($asked);
        $this->held += array_fill_keys(array_diff($asked, $missing), true);

        return $missing;
    }

    public function write(array $chunks, array $like = []): void
    {
        $new = array_diff_key($chunks, $this->bytes);
        array_push($this->packed, ...$this->chunks->pack($new, $like));
        $this->bytes += $new;
    }

    /**
     * What makes up most of a large state is put in before it is part of anything, a little at a time; should nothing come of it, it is
     * given back in a day.
     */
    public function writeMost(): void
    {
        while (count($this->packed) > self::STEP) {
            $some = array_splice($this->packed, 0, self::STEP);
            DB::transaction(fn () => $this->chunks->insert($some));
            $this->held += array_fill_keys(array_column($some, 'address'), true);
        }
    }

    /** @return bool false when something that was held is gone, so that all has to be worked out once more */
    public function flush(): bool
    {
        if (! $this->chunks->holds(array_map(strval(...), array_keys($this->held)))) {
            return false;
        }
        $this->chunks->insert($this->packed);
        $this->packed = [];

        return true;
    }
}
