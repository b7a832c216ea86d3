<?php

declare(strict_types=1);

namespace App\Talk;

use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\Membership;
use App\Models\Thread;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Says something in a thread, words it otherwise, takes it back, settles the thread or opens it again. */
final readonly class AddComment
{
    /**
     * @param  Comment|null  $of  what is worded otherwise or taken back, by its author
     * @return Comment|null null when there is nothing to do: it is settled already, or open, or taken back
     */
    public function handle(Thread $thread, User $author, CommentDeed $deed, string $text, ?Comment $of = null): ?Comment
    {
        return DB::transaction(function () use ($thread, $author, $deed, $text, $of): ?Comment {
            $thread->refresh();
            $isDone = match ($deed) {
                CommentDeed::Settled => ! $thread->is_open,
                CommentDeed::Reopened => $thread->is_open,
                CommentDeed::Edited, CommentDeed::Withdrew => $of === null
                    || Comment::query()
                        ->where(['of_id' => $of->id, 'deed' => CommentDeed::Withdrew])
                        ->exists(),
                CommentDeed::Said => false,
            };
            if ($isDone) {
                return null;
            }
            $comment = Comment::query()->create([
                'thread_id' => $thread->id,
                'user_id' => $author->id,
                'deed' => $deed,
                'of_id' => $deed->isOfOne() ? $of?->id : null,
                'text' => $text,
                'number' => $thread->item->head,
                'at' => now(),
            ]);
            $thread->item->update(['talked' => $comment->id]);
            match ($deed) {
                CommentDeed::Settled => $thread->update(['is_open' => false]),
                CommentDeed::Reopened => $thread->update(['is_open' => true]),
                default => null,
            };
            $this->mention($comment, $thread, $author);

            return $comment;
        });
    }

    /** Whoever is called by `@` and their name, and sees the item. */
    private function mention(Comment $comment, Thread $thread, User $author): void
    {
        if (! str_contains($comment->text, '@')) {
            return;
        }
        $people = $thread->item->shelf->memberships()->comes()->with('user')->get()->map(fn (Membership $membership) => $membership->user);
        $called = Mentioned::in($comment->text, array_values($people->all()));
        DB::table('mentions')->insert(
            array_map(
                fn (User $person) => ['comment_id' => $comment->id, 'user_id' => $person->id],
                array_values(array_filter($called, fn (User $person) => $person->id !== $author->id && $person->can('talk', $thread->item))),
            ),
        );
    }
}
