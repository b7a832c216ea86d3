<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Item;
use App\Store\Chunks\ChunksAhead;
use App\Store\Chunks\SqliteChunkStore;
use Closure;
use Illuminate\Support\Facades\DB;

/** Works a state out while others may write, so that nobody waits but for the rows that are written. */
final readonly class WorkAhead
{
    /** Times that a state is worked out aside, before it is worked out while nobody else may write. */
    private const TRIES = 4;

    public function __construct(private SqliteChunkStore $chunks) {}

    /**
     * @template M of Made
     * @template Other of UnknownBase|Unfit|null
     * @template Result
     *
     * @param  Item  $item  read again each time
     * @param  Closure(ChunksAhead): (M|Other)  $work  done once more when the newest state or the title is another by the time of writing
     * @param  Closure(M): Result  $write  in the transaction
     * @return Other|Result
     */
    public function handle(Item $item, Closure $work, Closure $write): mixed
    {
        $state = function () use ($item): array {
            $item->refresh();

            return [$item->head, $item->root, $item->title];
        };
        for ($try = 1; $try < self::TRIES; $try++) {
            $stood = $state();
            $made = $work(new ChunksAhead($this->chunks));
            if (! $made instanceof Made) {
                return $made;
            }
            $made->chunks->writeMost();
            $done = DB::transaction(fn (): ?array => $state() === $stood && $made->chunks->flush() ? [$write($made)] : null);
            if ($done !== null) {
                return $done[0];
            }
        }

        return DB::transaction(function () use ($state, $work, $write): mixed {
            $state();
            $made = $work(new ChunksAhead($this->chunks));
            if (! $made instanceof Made) {
                return $made;
            }
            $made->chunks->flush();

            return $write($made);
        });
    }

    /**
     * For an item that is not there yet.
     *
     * @template Result
     *
     * @param  Closure(ChunksAhead): Made  $work
     * @param  Closure(Made): Result  $write  in the transaction
     * @return Result
     */
    public function forNew(Closure $work, Closure $write): mixed
    {
        do {
            $made = $work(new ChunksAhead($this->chunks));
            $made->chunks->writeMost();
            $done = DB::transaction(fn (): ?array => $made->chunks->flush() ? [$write($made)] : null);
        } while ($done === null);

        return $done[0];
    }
}
