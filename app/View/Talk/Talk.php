<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Thread;
use App\Models\User;
use App\Talk\Spot;
use Illuminate\Support\Facades\DB;

/** What is said about an item, as it stood at one of its versions. A fixed number of queries. */
final readonly class Talk
{
    /** Threads that are read. */
    private const MOST = 3_000;

    /** @var list<ThreadSeen> the earliest first */
    public array $threads;

    /** @param int|null $since what came after this version is told apart */
    public function __construct(private Item $item, private ?int $until = null, private ?int $since = null)
    {
        $threads = array_values(
            DB::table('threads')
                ->where('item_id', $item->id)
                ->when($until !== null, fn ($query) => $query->where('number', '<=', $until))
                ->orderBy('id')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
        $said = $this->said();
        $places = $threads === [] ? [] : $this->places();
        $seen = [];
        foreach ($threads as $thread) {
            $id = (int) $thread->id;
            if (! isset($said[$id])) {
                continue;
            }
            $place = $places[$id] ?? null;
            $words = $place === null || $place->from_at === null ? null : [(int) $place->from_at, (int) $place->to_at];
            $seen[] = new ThreadSeen(
                (string) $thread->key,
                (string) $thread->part,
                (string) $thread->field,
                $thread->also === null ? null : array_values(array_map(strval(...), (array) json_decode((string) $thread->also, true))),
                $thread->version === null ? null : (int) $thread->version,
                (int) $thread->number,
                (string) $thread->quote,
                $said[$id],
                $place === null ? (string) $thread->part : (string) $place->part,
                $words,
                $place === null || $words !== null ? null : (int) $place->number,
                Spot::fromJson($thread->spot === null ? null : (string) $thread->spot),
            );
        }
        $this->threads = $seen;
    }

    /** How many threads of an item are open now. */
    public static function open(Item $item): int
    {
        return Thread::query()->where(['item_id' => $item->id, 'is_open' => true])->count();
    }

    public function countOpen(): int
    {
        return count(array_filter($this->threads, fn (ThreadSeen $seen) => $seen->isOpen()));
    }

    /** @return array<int, non-empty-list<CommentSeen>> by thread */
    private function said(): array
    {
        $lines = DB::table('comments')
            ->whereIn('thread_id', DB::table('threads')->where('item_id', $this->item->id)->select('id'))
            ->when($this->until !== null, fn ($query) => $query->where('number', '<=', $this->until))
            ->orderBy('id')
            ->get();
        $people = User::query()
            ->whereIn('id', $lines->pluck('user_id')->unique())
            ->get()
            ->keyBy('id')
            ->all();
        $edits = $withdrawn = $said = [];
        foreach ($lines as $line) {
            match ($line->deed) {
                CommentDeed::Edited->value => $edits[(int) $line->of_id][] = (string) $line->text,
                CommentDeed::Withdrew->value => $withdrawn[(int) $line->of_id] = true,
                default => null,
            };
        }
        foreach ($lines as $line) {
            [$id, $by] = [(int) $line->id, (int) $line->user_id];
            if ($line->of_id !== null || ! isset($people[$by])) {
                continue;
            }
            $texts = [(string) $line->text, ...$edits[$id] ?? []];
            $isWithdrawn = isset($withdrawn[$id]);
            $said[(int) $line->thread_id][] = new CommentSeen(
                $id,
                $by,
                $people[$by],
                CommentDeed::from((string) $line->deed),
                $isWithdrawn ? '' : $texts[count($texts) - 1],
                (int) strtotime("{$line->at} UTC"),
                (int) $line->number,
                $isWithdrawn ? [] : array_slice($texts, 0, -1),
                $isWithdrawn,
                $this->since !== null && (int) $line->number > $this->since,
            );
        }

        return $said;
    }

    /** @return array<int, \stdClass> by thread, the last of each */
    private function places(): array
    {
        $places = [];
        foreach (
            DB::table('thread_places')
                ->where('item_id', $this->item->id)
                ->when($this->until !== null, fn ($query) => $query->where('number', '<=', $this->until))
                ->orderBy('number')
                ->get() as $place
        ) {
            $places[(int) $place->thread_id] = $place;
        }

        return $places;
    }
}
