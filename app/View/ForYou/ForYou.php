<?php

declare(strict_types=1);

namespace App\View\ForYou;

use App\Models\Cause;
use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\Drafts;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Role;
use App\Models\Task;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use App\View\Plans\HeldEditView;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/**
 * What waits for somebody, over all their shelves: edits of theirs that were held back, wishes and changes that wait for their yes, answers to their own,
 * unusual changes on what they own, restores over what they wrote, and work that failed. A fixed number of queries.
 */
final readonly class ForYou
{
    /** Days for which it is told that somebody restored, or that something unusual happened. */
    private const DAYS = 30;

    private const MOST = 50;

    public function __construct(private User $person, private Phrases $phrases) {}

    /** How many there are: what is beside one's name. */
    public static function count(User $person): int
    {
        $self = new self($person, new Phrases);

        return array_sum(array_map(fn (Builder $query): int => $query->count(), [$self->held(), $self->wishes(), $self->answers(), $self->answeredProposals(), $self->unusual(), $self->restores(), $self->failed(), $self->said(), $self->proposed()])) + count($self->proposals());
    }

    /** @return list<Notice> the latest first */
    public function notices(): array
    {
        $notices = [
            ...$this->held()->with('item.shelf', 'user', 'met')->get()->map(fn (HeldEdit $held) => new Notice('held', "held {$held->id}", HeldEditView::title($held, $this->person).', '.__('for-you.met', ['who' => HeldEditView::whose($held)]), self::where($held->item), $held->created_at->toImmutable(), route('held', [$held->item, $held]), __('for-you.do.held')))->all(),
            ...$this->wishes()->with('item.shelf', 'user', 'version')->get()->map(fn (Publishing $wish) => new Notice('wish', "wish {$wish->id}", __('for-you.wish', ['who' => $wish->user->firstName(), 'number' => (string) $wish->version->number, 'note' => $wish->note === null ? '' : ": “{$wish->note}”"]), self::where($wish->item), $wish->asked_at, route('wish', [$wish->item, $wish]), __('for-you.do.wish')))->all(),
            ...$this->answers()->with('item.shelf', 'decider', 'version')->get()->map(fn (Publishing $wish) => new Notice('answer', "answer {$wish->id}", __("publishing.told.{$wish->state->value}", ['decider' => (string) $wish->decider?->firstName(), 'number' => (string) $wish->version->number]).($wish->answer === null ? '' : ": “{$wish->answer}”"), self::where($wish->item), $wish->decided_at ?? $wish->asked_at, route('wish', [$wish->item, $wish]), __('for-you.do.answer')))->all(),
            ...$this->ofAnswered(),
            ...array_map(fn (\stdClass $row) => new Notice('proposals', "proposals {$row->key}", trans_choice('agreeing.waiting', (int) $row->count), (string) $row->title, CarbonImmutable::parse($row->at), route('entries.waiting', $row->key), __('for-you.do.wish')), $this->proposals()),
            ...$this->unusual()->with('item.shelf', 'user')->get()->map(fn (Version $version) => new Notice('unusual', "unusual {$version->id}", __('for-you.unusual', ['who' => $version->user->firstName(), 'what' => $this->phrases->unusual($version->unusual ?? []), 'number' => (string) $version->number]), self::where($version->item), $version->saved_at, route('history', ['item' => $version->item, 'from' => max(1, $version->number - 1), 'to' => $version->number]), __('for-you.do.unusual'), isAside: true))->all(),
            ...$this->restores()->with('item.shelf', 'user')->get()->map(fn (Version $version) => new Notice('restored', "restored {$version->id}", __("for-you.restored.{$version->cause->value}", ['who' => $version->user->firstName(), 'source' => (string) $version->source, 'number' => (string) $version->number]), self::where($version->item), $version->saved_at, route('history', ['item' => $version->item, 'from' => max(1, $version->number - 1), 'to' => $version->number]), __('for-you.do.restored'), isAside: true, backTo: route('restore', [$version->item, max(1, $version->number - 1)])))->all(),
            ...$this->failed()->get()->map(fn (Task $task) => new Notice('failed', "task {$task->id}", __('for-you.failed', ['name' => $task->name]), '', $task->done_at ?? $task->created_at, route('work', $task), __('for-you.do.failed'), isAside: true))->all(),
        ];
        array_push($notices, ...$this->ofProposals(), ...$this->ofTalk());
        usort($notices, fn (Notice $one, Notice $two) => $two->at <=> $one->at);

        return $notices;
    }

    /** @return list<Notice> what was said to them, proposed for what is theirs, and answered of what they proposed, from a moment to before another: the latest first */
    public function between(CarbonImmutable $from, CarbonImmutable $until): array
    {
        $notices = array_values(array_filter([...$this->ofAnswered(), ...$this->ofProposals(), ...$this->ofTalk()], fn (Notice $notice) => $notice->at >= $from && $notice->at < $until));
        usort($notices, fn (Notice $one, Notice $two) => $two->at <=> $one->at);

        return $notices;
    }

    /** @return list<Notice> */
    private function ofAnswered(): array
    {
        return array_values($this->answeredProposals()->with('item.shelf', 'decider')->get()->map(fn (Proposal $proposal) => new Notice('answer', "declined {$proposal->id}", __("for-you.{$proposal->state->value}", ['who' => (string) $proposal->decider?->firstName()]).($proposal->word === null ? '' : ": “{$proposal->word}”"), self::where($proposal->item), $proposal->decided_at ?? $proposal->proposed_at, route('proposal', [$proposal->item, $proposal]), __('for-you.do.answer')))->all());
    }

    /** @return list<Notice> */
    private function ofProposals(): array
    {
        return array_values($this->proposed()->with('item.shelf', 'user')->get()->map(fn (Proposal $proposal) => new Notice('proposed', "proposal {$proposal->id}", (string) __('for-you.proposed', ['who' => $proposal->name()]), self::where($proposal->item), $proposal->proposed_at, route('proposals', [$proposal->item, 'of' => $proposal->id]), (string) __('for-you.do.proposed'), isAside: true))->all());
    }

    /** @return list<Notice> */
    private function ofTalk(): array
    {
        return array_values($this->said()->with('thread.item.shelf', 'user')->get()->map($this->ofComment(...))->all());
    }

    /** @return list<\stdClass> what was put aside lately */
    public function aside(): array
    {
        return array_values(DB::table('put_aside')->where('user_id', $this->person->id)->where('at', '>', now()->subDays(self::DAYS))->orderByDesc('at')->limit(self::MOST)->get()->all());
    }

    private static function where(Item $item): string
    {
        return "{$item->title}, {$item->shelf->name}";
    }

    /** @return \Illuminate\Database\Query\Builder the shelves that somebody is on with a role, or may publish on */
    private function shelves(bool $publishes = false, bool $owns = false): \Illuminate\Database\Query\Builder
    {
        return DB::table('memberships')->join('shelves', 'shelves.id', '=', 'memberships.shelf_id')->whereNull('shelves.deleted_at')->where('memberships.user_id', $this->person->id)
            ->when($publishes, fn ($query) => $query->where(fn ($either) => $either->where('publishes', 1)->orWhere('role', Role::Owner->value)))
            ->when($owns, fn ($query) => $query->where('role', Role::Owner->value))->select('memberships.shelf_id');
    }

    /** @return Builder<Item> */
    private function items(bool $publishes = false, bool $owns = false): Builder
    {
        return Item::query()->whereNull('items.deleted_at')->whereIn('items.shelf_id', $this->shelves($publishes, $owns))->select('items.id');
    }

    /** @return Builder<HeldEdit> */
    private function held(): Builder
    {
        return HeldEdit::query()->waitingFor($this->person)->whereIn('item_id', $this->items()->withoutGlobalScope(Item::MAIN))->orderBy('id')->limit(self::MOST);
    }

    /** @return Builder<Publishing> */
    private function wishes(): Builder
    {
        return Publishing::query()->waiting()->where('user_id', '!=', $this->person->id)->whereIn('item_id', $this->items(publishes: true))->limit(self::MOST);
    }

    /** @return Builder<Publishing> */
    private function answers(): Builder
    {
        return Publishing::query()->where('user_id', $this->person->id)->where('decider_id', '!=', $this->person->id)->whereIn('state', [PublishingState::Published, PublishingState::Refused])->whereNull('told_at')->whereIn('item_id', $this->items())->limit(self::MOST);
    }

    /** @return Builder<Proposal> that others answered: declined, or accepted where it was written on a side line */
    private function answeredProposals(): Builder
    {
        return Proposal::query()->where('user_id', $this->person->id)->where(fn ($either) => $either->where('state', ProposalState::Declined)->orWhere(fn ($line) => $line->where('state', ProposalState::Accepted)->whereNotNull('line_id')))->where('decider_id', '!=', $this->person->id)->whereNull('told_at')->whereIn('item_id', $this->items())->limit(self::MOST);
    }

    /** @return list<\stdClass> forms, with how many changes to their entries wait for a yes */
    private function proposals(): array
    {
        return array_values(DB::table('proposals')->join('items AS entries', 'entries.id', '=', 'proposals.item_id')->join('items AS forms', 'forms.id', '=', 'entries.form_id')->join('shelves', 'shelves.id', '=', 'forms.shelf_id')
            ->where('proposals.state', ProposalState::Waiting->value)->where('proposals.user_id', '!=', $this->person->id)->where('shelves.asks_entries', 1)->whereNull('entries.deleted_at')->whereNull('forms.deleted_at')
            ->whereIn('forms.shelf_id', $this->shelves(publishes: true))->groupBy('forms.id')->selectRaw('forms.key, forms.title, COUNT(*) AS count, MAX(proposals.proposed_at) AS at')->get()->all());
    }

    /** @return Builder<Version> on shelves that they own, by others, that still hold */
    private function unusual(): Builder
    {
        return $this->notAside(Version::query()->whereIn('item_id', $this->items(owns: true))->whereNotNull('unusual')->whereNull('meant_user_id')->where('user_id', '!=', $this->person->id)->where('saved_at', '>', now()->subDays(self::DAYS))
            ->whereNotExists(fn ($query) => $query->from('versions AS later')->whereColumn('later.item_id', 'versions.item_id')->whereColumn('later.number', '>', 'versions.number')->whereColumn('later.source', '<', 'versions.number')), 'unusual', 'versions.id');
    }

    /** @return Builder<Version> by others, over what they wrote */
    private function restores(): Builder
    {
        return $this->notAside(Version::query()->whereIn('cause', [Cause::Restored, Cause::BroughtBack, Cause::TookOut])->where('user_id', '!=', $this->person->id)->where('saved_at', '>', now()->subDays(self::DAYS))->whereIn('item_id', $this->items())
            ->where(fn ($either) => $either->whereExists(fn ($mine) => $mine->from('versions AS mine')->whereColumn('mine.item_id', 'versions.item_id')->where('mine.user_id', $this->person->id)->whereColumn('mine.number', '>', 'versions.source')->whereColumn('mine.number', '<', 'versions.number'))
                ->orWhere(fn ($out) => $out->where('cause', Cause::TookOut)->whereRaw("json_extract(facts, '$.author') = ?", [$this->person->id]))), 'restored', 'versions.id');
    }

    private function ofComment(Comment $comment): Notice
    {
        $thread = $comment->thread;
        $why = match (true) {
            DB::table('mentions')->where(['comment_id' => $comment->id, 'user_id' => $this->person->id])->exists() => 'called',
            $comment->deed === CommentDeed::Said => 'answered',
            default => $comment->deed->value,
        };

        return new Notice('talk', "comment {$comment->id}", (string) __("for-you.talk.{$why}", ['who' => $comment->user->firstName(), 'quote' => $thread->quote === '' ? '' : ' on “'.Str::limit(Str::squish($thread->quote), 60).'”', 'text' => $comment->text === '' ? '' : ': “'.Str::limit(Str::squish($comment->text), 120).'”']), self::where($thread->item), $comment->at, route('talk', [$thread->item, 'show' => 'all'])."#thread-{$thread->key}", (string) __('for-you.do.talk'), isAside: true);
    }

    /** @return Builder<Proposal> by others, on side lines of what this person owns or wrote on, and may write */
    private function proposed(): Builder
    {
        $wrote = fn ($query) => $query->from('activity')->whereColumn('activity.item_id', 'proposals.item_id')->where('activity.user_id', $this->person->id);

        return $this->notAside(Proposal::query()->waiting()->whereNotNull('line_id')->whereColumn('root', '!=', 'base')->where('proposals.user_id', '!=', $this->person->id)
            ->where(fn ($either) => $either->whereIn('item_id', $this->items(owns: true))->orWhere(fn ($writes) => $writes->whereIn('item_id', Item::query()->whereNull('items.deleted_at')->whereIn('items.shelf_id', $this->shelves()->where('role', Role::Editor->value))->select('items.id'))->whereExists($wrote))), 'proposal', 'proposals.id');
    }

    /** @return Builder<Comment> what calls this person, and what others say, settle or open again in threads where they said something; what was taken back is none */
    private function said(): Builder
    {
        $mine = fn ($query) => $query->from('comments AS mine')->whereColumn('mine.thread_id', 'comments.thread_id')->where('mine.user_id', $this->person->id)->whereColumn('mine.id', '<', 'comments.id');
        $calls = fn ($query) => $query->from('mentions')->whereColumn('mentions.comment_id', 'comments.id')->where('mentions.user_id', $this->person->id);
        return $this->notAside(Comment::query()->whereIn('deed', [CommentDeed::Said, CommentDeed::Settled, CommentDeed::Reopened])->where('comments.user_id', '!=', $this->person->id)->where('comments.at', '>', now()->subDays(self::DAYS))
            ->whereIn('thread_id', DB::table('threads')->whereIn('item_id', $this->talkedOf())->select('threads.id'))
            ->whereNotExists(fn ($query) => $query->from('comments AS later')->whereColumn('later.of_id', 'comments.id')->where('later.deed', CommentDeed::Withdrew->value))
            ->where(fn ($either) => $either->whereExists($mine)->orWhereExists($calls)), 'comment', 'comments.id');
    }

    /** @return Builder<Item> those of which this person sees what is said: those with entries and drafts only where they see these */
    private function talkedOf(): Builder
    {
        $published = array_values(array_map(fn (Kind $kind) => $kind->name(), array_filter(Kinds::all(), fn (Kind $kind) => $kind->isPublishable())));
        $works = $this->shelves()->whereIn('role', [Role::Owner->value, Role::Editor->value]);
        $drafts = $this->shelves()->where(fn ($sees) => $sees->where('shelves.drafts', Drafts::Everyone->value)->orWhere(fn ($may) => $may->where('shelves.drafts', Drafts::Approvers->value)->where('publishes', 1)));

        return Item::query()->whereNull('items.deleted_at')->where(fn (Builder $either) => $either->whereIn('items.shelf_id', $works)
            ->orWhere(fn (Builder $looks) => $looks->whereNull('items.form_id')->whereIn('items.shelf_id', $this->shelves())->where(fn (Builder $seen) => $seen->whereNotIn('items.kind', $published)->orWhereIn('items.shelf_id', $drafts))))->select('items.id');
    }

    /** @return Builder<Task> */
    private function failed(): Builder
    {
        return $this->notAside(Task::query()->where(['user_id' => $this->person->id, 'state' => 'failed']), 'task', 'tasks.id');
    }

    /**
     * @template T of \Illuminate\Database\Eloquent\Model
     *
     * @param  Builder<T>  $query
     * @return Builder<T>
     */
    private function notAside(Builder $query, string $sort, string $column): Builder
    {
        return $query->whereNotExists(fn ($aside) => $aside->from('put_aside')->where('put_aside.user_id', $this->person->id)->whereRaw("put_aside.ref = ? || {$column}", ["{$sort} "]))->limit(self::MOST);
    }
}
