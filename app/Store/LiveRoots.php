<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\PieceList;

/** The root of every state that something rests on, and the chunks that are pictures and files. */
final class LiveRoots
{
    /** A clock that is told in seconds may be one behind. */
    private const SLACK = 2;

    /** Rows that are read at once: a cursor that stays open is on an old state, from which nobody may write. */
    private const PAGE = 2_000;

    /**
     * @param  array<int, true>  $without  versions that are looked at as if they were gone, by their ids
     * @param  bool  $windows  whether states count that only windows are on
     */
    public function __construct(private readonly array $without = [], private readonly bool $windows = true) {}

    /** Up to which rows, and which second, was looked already. */
    private int $versions = 0;

    private int $held = 0;

    private int $pictures = 0;

    private int $at = 0;

    /** @return iterable<string> hexadecimal, some of them several times: all at first, then those that came since the last time */
    public function next(): iterable
    {
        $at = now()->getTimestamp();
        yield from $this->since('versions', 'root', $this->versions, $this->without);
        yield from $this->since('held_edits', 'root', $this->held);
        if (! $this->windows) {
            yield from self::texts(DB::table('items')->select('root'));
            yield from $this->proposed();

            return;
        }
        // A version that grows leaves what it was behind: so it is known which items moved on.
        $since = $this->at - self::SLACK;
        $handed = fn (): Builder => DB::table('handed_roots')->where('at', '>=', $since);
        yield from self::texts($handed()->select('root'));
        yield from self::texts(
            DB::table('items')
                ->when($this->at > 0, fn (Builder $query) => $query->whereIn('id', $handed()->select('item_id')))
                ->select('root'),
        );
        foreach (['root', 'base', 'answer'] as $column) {
            yield from self::texts(DB::table('sendings')->where('at', '>=', $since)->whereNotNull($column)->select($column));
        }
        yield from $this->proposed();
        $this->at = $at;
    }

    /** @return iterable<string> there are few of these */
    private function proposed(): iterable
    {
        foreach (['base', 'root'] as $column) {
            yield from self::texts(DB::table('proposals')->select($column));
            yield from self::texts(DB::table('proposal_states')->select($column));
        }
        yield from self::texts(DB::table('source_steps')->whereNotNull('root')->select('root'));
    }

    /**
     * @return iterable<array{string, bool}> hexadecimal addresses of chunks, and whether such a one lists pieces: all at first, then those
     *     that came since the last time
     */
    public function pictures(): iterable
    {
        foreach (DB::table('pictures')->where('id', '>', $this->pictures)->select('id', 'chunk', 'bytes')->lazyById(self::PAGE) as $row) {
            $this->pictures = (int) $row->id;
            yield [(string) $row->chunk, $row->bytes !== null];
        }
    }

    /** @return iterable<PieceList> what came in so far of files that are on their way */
    public function uploads(): iterable
    {
        foreach (DB::table('uploads')->pluck('pieces') as $pieces) {
            yield PieceList::read((string) $pieces);
        }
    }

    /**
     * @param  array<int, true>  $without
     * @return iterable<string>
     */
    private function since(string $table, string $column, int &$last, array $without = []): iterable
    {
        foreach (DB::table($table)->where('id', '>', $last)->select('id', $column)->lazyById(self::PAGE) as $row) {
            $last = (int) $row->id;
            if (! isset($without[$last])) {
                yield (string) $row->{$column};
            }
        }
    }

    /** @return iterable<string> */
    private static function texts(Builder $query): iterable
    {
        foreach ($query->distinct()->get() as $row) {
            yield (string) current((array) $row);
        }
    }
}
