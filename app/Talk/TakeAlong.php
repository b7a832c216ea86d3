<?php

declare(strict_types=1);

namespace App\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Version;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** What was said about a version goes along with a copy of it, as it stood then, under the names of who said it. */
final readonly class TakeAlong
{
    /** Threads that go along; whoever wants more has a version with less talk. */
    private const MOST = 3_000;

    /** @param bool $onlyOpen without what was settled */
    public function handle(Version $version, Item $copy, PartTree $tree, bool $onlyOpen): void
    {
        $of = ['item_id' => $version->item_id];
        $settled = $onlyOpen ? $this->settled($version) : [];
        $places = DB::table('thread_places')
            ->where($of)
            ->where('number', '<=', $version->number)
            ->orderBy('number')
            ->get()
            ->keyBy('thread_id');
        $last = 0;
        foreach (
            DB::table('threads')->where($of)->where('number', '<=', $version->number)->orderBy('id')->limit(self::MOST)->get() as $thread
        ) {
            $place = $places->get($thread->id);
            $part = $place === null ? (string) $thread->part : (string) $place->part;
            if (isset($settled[(int) $thread->id]) || $thread->version !== null || ($part !== '' && ! $tree->has($part))) {
                continue;
            }
            $id = DB::table('threads')->insertGetId(
                ['key' => Str::lower(Str::random(12)), 'item_id' => $copy->id, 'part' => $part, 'number' => $copy->head]
                    + array_diff_key((array) $thread, ['id' => 1]),
            );
            if ($place !== null) {
                DB::table('thread_places')->insert(['thread_id' => $id, 'item_id' => $copy->id, 'number' => $copy->head] + (array) $place);
            }
            $last = max($last, $this->lines((int) $thread->id, $id, $version->number, $copy));
        }
        $last === 0 || $copy->update(['talked' => $last]);
    }

    /** @return array<int, true> threads that were settled by then */
    private function settled(Version $version): array
    {
        $settled = [];
        foreach (
            $this->said($version->number)
                ->whereIn('thread_id', DB::table('threads')->where('item_id', $version->item_id)->select('id'))
                ->whereIn('deed', [CommentDeed::Settled->value, CommentDeed::Reopened->value])
                ->get(['thread_id', 'deed']) as $line
        ) {
            $settled[(int) $line->thread_id] = $line->deed === CommentDeed::Settled->value;
        }

        return array_filter($settled);
    }

    /** @return int the last line */
    private function lines(int $thread, int $to, int $until, Item $copy): int
    {
        $ids = [];
        $isOpen = true;
        foreach ($this->said($until)->where('thread_id', $thread)->get() as $line) {
            $isOpen = match ($line->deed) {
                CommentDeed::Settled->value => false,
                CommentDeed::Reopened->value => true,
                default => $isOpen,
            };
            $ids[(int) $line->id] = DB::table('comments')->insertGetId(
                ['thread_id' => $to, 'number' => $copy->head, 'of_id' => $line->of_id === null ? null : $ids[(int) $line->of_id]]
                    + array_diff_key((array) $line, ['id' => 1]),
            );
        }
        DB::table('threads')->where('id', $to)->update(['is_open' => $isOpen]);

        return max([0, ...$ids]);
    }

    private function said(int $until): Builder
    {
        return DB::table('comments')->where('number', '<=', $until)->orderBy('id');
    }
}
