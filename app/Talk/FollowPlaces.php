<?php

declare(strict_types=1);

namespace App\Talk;

use App\Models\Item;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Talk\WordsFollowed;

/**
 * Threads follow their words, with each version that touched them: through edits, into another part that they were carried to, and back
 * when they come back. Where they are gone a place says so, and since when. Costs nothing where nobody talks.
 */
final readonly class FollowPlaces
{
    public function handle(Item $item, int $number, ChangeSet $changes, PartTree $before, PartTree $after): void
    {
        // A version that grows is followed again.
        DB::table('thread_places')->where(['item_id' => $item->id, 'number' => $number])->delete();
        $places = $this->places($item, $number);
        if ($places === []) {
            return;
        }
        $touched = $changes->touched();
        $carried = [];
        foreach (DB::table('carried')->where(['item_id' => $item->id, 'number' => $number])->get(['part', 'source_part']) as $row) {
            $carried[(string) $row->source_part][] = (string) $row->part;
        }
        $words = new WordsFollowed(new Words);
        foreach ($places as $place) {
            $from = $place->from_at === null ? null : (int) $place->from_at;
            if (! isset($touched[$place->part]) && ! isset($carried[$place->part])) {
                continue;
            }
            $now = $from === null ? null : $this->within($words, $before, $after, $place);
            foreach ($now === null ? array_unique([(string) $place->part, ...$carried[$place->part] ?? []]) : [] as $part) {
                $found = WordsFollowed::find((string) $place->words, $after->find($part)?->richText()->text() ?? '', (int) $place->from_at);
                $now ??= $found === null ? null : [$part, ...$found];
            }
            if ($now === null ? $from !== null : [$place->part, $from, (int) $place->to_at] !== $now) {
                $text = $now === null ? '' : $after->get($now[0])->richText()->text();
                DB::table('thread_places')->insert([
                    'thread_id' => $place->thread_id,
                    'number' => $number,
                    'item_id' => $item->id,
                    'part' => $now[0] ?? $place->part,
                    'from_at' => $now[1] ?? null,
                    'to_at' => $now[2] ?? null,
                    'words' => $now === null ? $place->words : mb_substr($text, $now[1], $now[2] - $now[1]),
                ]);
            }
        }
    }

    /** @return list<\stdClass> the last place of each thread */
    private function places(Item $item, int $number): array
    {
        $last = DB::table('thread_places')
            ->where('item_id', $item->id)
            ->where('number', '<', $number)
            ->groupBy('thread_id')
            ->selectRaw('thread_id, MAX(number) AS number');

        return array_values(
            DB::table('thread_places')
                ->joinSub(
                    $last,
                    'last',
                    fn ($join) => $join
                        ->on('last.thread_id', '=', 'thread_places.thread_id')
                        ->on('last.number', '=', 'thread_places.number'),
                )
                ->get(['thread_places.*'])
                ->all(),
        );
    }

    /** @return array{string, int, int}|null */
    private function within(WordsFollowed $words, PartTree $before, PartTree $after, \stdClass $place): ?array
    {
        [$old, $new] = [$before->find($place->part), $after->find($place->part)];
        $into = $old === null || $new === null
            ? null
            : $words->into($old->richText()->text(), $new->richText()->text(), (int) $place->from_at, (int) $place->to_at);

        return $into === null ? null : [(string) $place->part, ...$into];
    }
}
