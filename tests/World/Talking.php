<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Thread;
use Illuminate\Support\Facades\DB;

/** People talk about parts, words, cells and versions, and those who may not are kept out. */
final readonly class Talking
{
    public function __construct(private World $world) {}

    public function talk(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $may = $this->world->mayWrite($step->who) && ! $this->world->isLost($step->item);
        $thread = $chance->once(2) ? $this->one($item, $chance) : null;
        $before = DB::table('comments')->count();
        $sent = $thread === null ? $this->beginning($step, $chance) : $this->going($step, $thread, $chance);
        $answer = $this->world
            ->as($step->who)
            ->postJson($thread === null ? route('talk.begin', $item) : route('talk.say', [$item, $thread]), $sent);
        if ($may) {
            $this->world->allowed($answer, 'talking');
        } else {
            (in_array($answer->getStatusCode(), [403, 404], true) && DB::table('comments')->count() === $before)
                || throw Broken::law('Only who may comment comments', "{$step->who} was answered {$answer->getStatusCode()}");
        }
        if ($this->world->sees($step->who, $step->item)) {
            $this->world->allowed($this->world->as($step->who)->get(route('talk', [$item, 'show' => 'all'])), 'looking at the talk');
        }
    }

    private function one(Item $item, Chance $chance): ?Thread
    {
        $threads = Thread::query()->where('item_id', $item->id)->orderBy('id')->get()->all();

        return $threads === [] ? null : $chance->of(array_values($threads));
    }

    /** @return array<string, mixed> */
    private function beginning(Step $step, Chance $chance): array
    {
        $said = ['text' => "Said by {$step->who}, {$chance->under(1_000)}"];
        $parts = $this->world->tree($step->item)->parts;
        if ($parts === [] || $chance->once(5)) {
            return $said + ['version' => $chance->of($this->world->kept($this->world->items[$step->item]))];
        }
        $part = $chance->of($parts);
        $text = isset($part->fields['text']) && ! is_string($part->fields['text']) ? $part->richText()->text() : '';
        if ($text === '' || $chance->once(4)) {
            return $said + ['part' => $part->id];
        }
        $from = $chance->under(mb_strlen($text));
        $to = $from + 1 + $chance->under(mb_strlen($text) - $from);

        return $said + ['part' => $part->id, 'from' => $from, 'to' => $to, 'quote' => mb_substr($text, $from, $to - $from)];
    }

    /** @return array<string, mixed> */
    private function going(Step $step, Thread $thread, Chance $chance): array
    {
        $deed = $chance->of([CommentDeed::Said, CommentDeed::Settled, CommentDeed::Reopened, CommentDeed::Edited, CommentDeed::Withdrew]);
        $mine = Comment::query()
            ->where(['thread_id' => $thread->id, 'user_id' => $this->world->people[$step->who]->id, 'deed' => CommentDeed::Said])
            ->orderBy('id')
            ->value('id');
        if ($deed->isOfOne() && $mine === null) {
            $deed = CommentDeed::Said;
        }

        return ['deed' => $deed->value, 'text' => "Goes on, {$chance->under(1_000)}"] + ($deed->isOfOne() ? ['of' => $mine] : []);
    }

    /** A comment is where its words are; where it says that they are gone, they are not in its part. */
    public function hold(): void
    {
        foreach ($this->world->items as $kind => $item) {
            $tree = $this->world->states->tree($item->refresh()->root);
            $last = DB::table('thread_places')->where('item_id', $item->id)->orderBy('number')->get()->keyBy('thread_id');
            foreach ($last as $place) {
                $text = $tree->find($place->part)?->richText()->text();
                $is = $place->from_at === null
                    ? $text === null || ! str_contains($text, (string) $place->words)
                    : $text !== null
                        && mb_substr($text, (int) $place->from_at, (int) $place->to_at - (int) $place->from_at) === $place->words
                        && $place->words !== '';
                $is
                    || throw Broken::law(
                        'A comment is where its words are',
                        "“{$place->words}” of the {$kind}, "
                            .($place->from_at === null ? 'gone' : "{$place->from_at} to {$place->to_at}")
                            .' in '
                            .($text ?? 'nothing'),
                    );
            }
            $open = Thread::query()
                ->where('item_id', $item->id)
                ->get()
                ->filter(
                    fn (Thread $thread) => Comment::query()
                        ->where('thread_id', $thread->id)
                        ->whereIn('deed', [CommentDeed::Settled, CommentDeed::Reopened])
                        ->latest('id')
                        ->first()?->deed !== CommentDeed::Settled,
                )
                ->pluck('id')
                ->sort()
                ->values()
                ->all();
            $open
                === Thread::query()
                    ->where(['item_id' => $item->id, 'is_open' => true])
                    ->orderBy('id')
                    ->pluck('id')
                    ->all() || throw Broken::law('What was settled is settled until it is opened again', $kind);
        }
    }
}
