<?php

declare(strict_types=1);

namespace App\View\ForYou;

use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\Task;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use App\View\Plans\HeldEditView;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;

/** What waits for somebody, each in words. */
final readonly class NoticeWords
{
    public function __construct(private User $person, private Phrases $phrases) {}

    public function held(HeldEdit $held): Notice
    {
        return new Notice(
            'held',
            "held {$held->id}",
            HeldEditView::title($held, $this->person).', '.__('for-you.met', ['who' => HeldEditView::whose($held)]),
            self::where($held->item),
            $held->created_at->toImmutable(),
            route('held', [$held->item, $held]),
            __('for-you.do.held'),
        );
    }

    public function wish(Publishing $wish): Notice
    {
        $values = ['who' => $wish->user->firstName(), 'number' => (string) $wish->version->number, 'note' => self::quoted($wish->note)];
        $address = route('wish', [$wish->item, $wish]);

        return new Notice('wish', "wish {$wish->id}", __('for-you.wish', $values), self::where($wish->item), $wish->asked_at, $address, __('for-you.do.wish'));
    }

    public function answer(Publishing $wish): Notice
    {
        $values = ['decider' => (string) $wish->decider?->firstName(), 'number' => (string) $wish->version->number];

        return new Notice(
            'answer',
            "answer {$wish->id}",
            __("publishing.told.{$wish->state->value}", $values).self::quoted($wish->answer),
            self::where($wish->item),
            $wish->decided_at ?? $wish->asked_at,
            route('wish', [$wish->item, $wish]),
            __('for-you.do.answer'),
        );
    }

    /** @param stdClass $form with how many changes to its entries wait */
    public function entries(stdClass $form): Notice
    {
        return new Notice(
            'proposals',
            "proposals {$form->key}",
            trans_choice('agreeing.waiting', (int) $form->count),
            (string) $form->title,
            CarbonImmutable::parse($form->at),
            route('entries.waiting', $form->key),
            __('for-you.do.wish'),
        );
    }

    public function unusual(Version $version): Notice
    {
        $what = $this->phrases->unusual($version->unusual ?? []);

        return new Notice(
            'unusual',
            "unusual {$version->id}",
            __('for-you.unusual', ['who' => $version->user->firstName(), 'what' => $what, 'number' => (string) $version->number]),
            self::where($version->item),
            $version->saved_at,
            self::changed($version),
            __('for-you.do.unusual'),
            isAside: true,
        );
    }

    public function restored(Version $version): Notice
    {
        $values = ['who' => $version->user->firstName(), 'source' => (string) $version->source, 'number' => (string) $version->number];

        return new Notice(
            'restored',
            "restored {$version->id}",
            __("for-you.restored.{$version->cause->value}", $values),
            self::where($version->item),
            $version->saved_at,
            self::changed($version),
            __('for-you.do.restored'),
            isAside: true,
            backTo: route('restore', [$version->item, max(1, $version->number - 1)]),
        );
    }

    public function failed(Task $task): Notice
    {
        return new Notice(
            'failed',
            "task {$task->id}",
            __('for-you.failed', ['name' => $task->name]),
            '',
            $task->done_at ?? $task->created_at,
            route('work', $task),
            __('for-you.do.failed'),
            isAside: true,
        );
    }

    public function decided(Proposal $proposal): Notice
    {
        return new Notice(
            'answer',
            "declined {$proposal->id}",
            __("for-you.{$proposal->state->value}", ['who' => (string) $proposal->decider?->firstName()]).self::quoted($proposal->word),
            self::where($proposal->item),
            $proposal->decided_at ?? $proposal->proposed_at,
            route('proposal', [$proposal->item, $proposal]),
            __('for-you.do.answer'),
        );
    }

    public function proposed(Proposal $proposal): Notice
    {
        return new Notice(
            'proposed',
            "proposal {$proposal->id}",
            (string) __('for-you.proposed', ['who' => $proposal->name()]),
            self::where($proposal->item),
            $proposal->proposed_at,
            route('proposals', [$proposal->item, 'of' => $proposal->id]),
            (string) __('for-you.do.proposed'),
            isAside: true,
        );
    }

    public function comment(Comment $comment): Notice
    {
        $thread = $comment->thread;
        $why = match (true) {
            DB::table('mentions')->where(['comment_id' => $comment->id, 'user_id' => $this->person->id])->exists() => 'called',
            $comment->deed === CommentDeed::Said => 'answered',
            default => $comment->deed->value,
        };
        $values = [
            'who' => $comment->user->firstName(),
            'quote' => $thread->quote === '' ? '' : ' on “'.Str::limit(Str::squish($thread->quote), 60).'”',
            'text' => $comment->text === '' ? '' : ': “'.Str::limit(Str::squish($comment->text), 120).'”',
        ];

        return new Notice(
            'talk',
            "comment {$comment->id}",
            (string) __("for-you.talk.{$why}", $values),
            self::where($thread->item),
            $comment->at,
            route('talk', [$thread->item, 'show' => 'all'])."#thread-{$thread->key}",
            (string) __('for-you.do.talk'),
            isAside: true,
        );
    }

    private static function where(Item $item): string
    {
        return "{$item->title}, {$item->shelf->name}";
    }

    private static function quoted(?string $words): string
    {
        return $words === null ? '' : ": “{$words}”";
    }

    /** The address at which it is seen what a version changed. */
    private static function changed(Version $version): string
    {
        return route('history', ['item' => $version->item, 'from' => max(1, $version->number - 1), 'to' => $version->number]);
    }
}
