<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Thread;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Query\Builder;
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
        $threads = Thread::query()->where('item_id', $item->id)->when($until !== null, fn ($query) => $query->where('number', '<=', $until))->orderBy('id')->limit(self::MOST)->get();
        $said = $this->said($threads);
        $places = $this->places($threads);
        $seen = [];
        foreach ($threads as $thread) {
            $comments = $said[$thread->id] ?? [];
            if ($comments === []) {
                continue;
            }
            $place = $places[$thread->id] ?? null;
            $words = $place === null || $place->from_at === null ? null : [(int) $place->from_at, (int) $place->to_at];
            $seen[] = new ThreadSeen($thread, $comments, $place === null ? $thread->part : (string) $place->part, $words, $place === null || $words !== null ? null : (int) $place->number);
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

    /**
     * @param  Collection<int, Thread>  $threads
     * @return array<int, non-empty-list<CommentSeen>>
     */
    private function said(Collection $threads): array
    {
        $lines = Comment::query()->whereIn('thread_id', self::ids($threads))->when($this->until !== null, fn ($query) => $query->where('number', '<=', $this->until))->orderBy('id')->toBase()->get();
        $people = User::query()->whereIn('id', $lines->pluck('user_id')->unique())->get()->keyBy('id');
        $edits = $withdrawn = $said = [];
        foreach ($lines as $line) {
            match (CommentDeed::from((string) $line->deed)) {
                CommentDeed::Edited => $edits[(int) $line->of_id][] = (string) $line->text,
                CommentDeed::Withdrew => $withdrawn[(int) $line->of_id] = true,
                default => null,
            };
        }
        foreach ($lines as $line) {
            $deed = CommentDeed::from((string) $line->deed);
            $user = $people->get((int) $line->user_id);
            if ($deed->isOfOne() || $user === null) {
                continue;
            }
            $texts = [(string) $line->text, ...$edits[(int) $line->id] ?? []];
            $isWithdrawn = isset($withdrawn[(int) $line->id]);
            $said[(int) $line->thread_id][] = new CommentSeen((int) $line->id, $user, $deed, $isWithdrawn ? '' : $texts[count($texts) - 1], (new Comment)->forceFill(['at' => $line->at])->at, (int) $line->number, $isWithdrawn ? [] : array_slice($texts, 0, -1), $isWithdrawn, $this->since !== null && (int) $line->number > $this->since);
        }

        return $said;
    }

    /**
     * @param  Collection<int, Thread>  $threads
     * @return array<int, \stdClass>
     */
    private function places(Collection $threads): array
    {
        $places = [];
        foreach ($threads->isEmpty() ? [] : DB::table('thread_places')->where('item_id', $this->item->id)->when($this->until !== null, fn ($query) => $query->where('number', '<=', $this->until))->orderBy('number')->get() as $place) {
            $places[(int) $place->thread_id] = $place;
        }

        return $places;
    }

    /**
     * @param  Collection<int, Thread>  $threads
     * @return Builder
     */
    private static function ids(Collection $threads): mixed
    {
        return DB::table('threads')->whereIn('id', $threads->modelKeys())->select('id');
    }
}
