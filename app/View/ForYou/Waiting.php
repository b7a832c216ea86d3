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
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kinds;

/** What waits for somebody, over all their shelves, as queries: a fixed number of them. */
final readonly class Waiting
{
    /** Days for which it is told that somebody restored, or that something unusual happened. */
    public const DAYS = 30;

    public const MOST = 50;

    public function __construct(private User $person) {}

    /** How many there are: what is beside one's name. */
    public function count(): int
    {
        $queries = [
            $this->held(),
            $this->wishes(),
            $this->answers(),
            $this->answeredProposals(),
            $this->unusual(),
            $this->restores(),
            $this->failed(),
            $this->said(),
            $this->proposed(),
        ];

        return array_sum(array_map(fn (Builder $query): int => $query->count(), $queries)) + count($this->proposals());
    }

    /** @return \Illuminate\Database\Query\Builder the shelves that somebody is on with a role, or may publish on */
    private function shelves(bool $publishes = false, bool $owns = false): \Illuminate\Database\Query\Builder
    {
        return DB::table('memberships')
            ->join('shelves', 'shelves.id', '=', 'memberships.shelf_id')
            ->whereNull('shelves.deleted_at')
            ->where('memberships.user_id', $this->person->id)
            ->when(
                $publishes,
                fn ($query) => $query->where(fn ($either) => $either->where('publishes', 1)->orWhere('role', Role::Owner->value)),
            )
            ->when($owns, fn ($query) => $query->where('role', Role::Owner->value))
            ->select('memberships.shelf_id');
    }

    /** @return Builder<Item> */
    private function items(bool $publishes = false, bool $owns = false): Builder
    {
        return Item::query()
            ->whereNull('items.deleted_at')
            ->whereIn('items.shelf_id', $this->shelves($publishes, $owns))
            ->select('items.id');
    }

    /** @return Builder<HeldEdit> */
    public function held(): Builder
    {
        return HeldEdit::query()
            ->waitingFor($this->person)
            ->whereIn('item_id', $this->items()->withoutGlobalScope(Item::MAIN))
            ->orderBy('id')
            ->limit(self::MOST);
    }

    /** @return Builder<Publishing> */
    public function wishes(): Builder
    {
        return Publishing::query()
            ->waiting()
            ->where('user_id', '!=', $this->person->id)
            ->whereIn('item_id', $this->items(publishes: true))
            ->limit(self::MOST);
    }

    /** @return Builder<Publishing> */
    public function answers(): Builder
    {
        return Publishing::query()
            ->where('user_id', $this->person->id)
            ->where('decider_id', '!=', $this->person->id)
            ->whereIn('state', [PublishingState::Published, PublishingState::Refused])
            ->whereNull('told_at')
            ->whereIn('item_id', $this->items())
            ->limit(self::MOST);
    }

    /** @return Builder<Proposal> that others answered: declined, or accepted where it was written on a side line */
    public function answeredProposals(): Builder
    {
        return Proposal::query()
            ->where('user_id', $this->person->id)
            ->where(
                fn ($either) => $either
                    ->where('state', ProposalState::Declined)
                    ->orWhere(fn ($line) => $line->where('state', ProposalState::Accepted)->whereNotNull('line_id')),
            )
            ->where('decider_id', '!=', $this->person->id)
            ->whereNull('told_at')
            ->whereIn('item_id', $this->items())
            ->limit(self::MOST);
    }

    /** @return list<\stdClass> forms, with how many changes to their entries wait for a yes */
    public function proposals(): array
    {
        return array_values(
            DB::table('proposals')
                ->join('items AS entries', 'entries.id', '=', 'proposals.item_id')
                ->join('items AS forms', 'forms.id', '=', 'entries.form_id')
                ->join('shelves', 'shelves.id', '=', 'forms.shelf_id')
                ->where('proposals.state', ProposalState::Waiting->value)
                ->where('proposals.user_id', '!=', $this->person->id)
                ->where('shelves.asks_entries', 1)
                ->whereNull('entries.deleted_at')
                ->whereNull('forms.deleted_at')
                ->whereIn('forms.shelf_id', $this->shelves(publishes: true))
                ->groupBy('forms.id')
                ->selectRaw('forms.key, forms.title, COUNT(*) AS count, MAX(proposals.proposed_at) AS at')
                ->get()
                ->all(),
        );
    }

    /** @return Builder<Version> on shelves that they own, by others, that still hold */
    public function unusual(): Builder
    {
        return $this->notAside(
            Version::query()
                ->whereIn('item_id', $this->items(owns: true))
                ->unanswered()
                ->where('user_id', '!=', $this->person->id)
                ->where('saved_at', '>', now()->subDays(self::DAYS)),
            'unusual',
            'versions.id',
        );
    }

    /** @return Builder<Version> by others, over what they wrote */
    public function restores(): Builder
    {
        return $this->notAside(
            Version::query()
                ->whereIn('cause', [Cause::Restored, Cause::BroughtBack, Cause::TookOut])
                ->where('user_id', '!=', $this->person->id)
                ->where('saved_at', '>', now()->subDays(self::DAYS))
                ->whereIn('item_id', $this->items())
                ->where(
                    fn ($either) => $either
                        ->whereExists(
                            fn ($mine) => $mine
                                ->from('versions AS mine')
                                ->whereColumn('mine.item_id', 'versions.item_id')
                                ->where('mine.user_id', $this->person->id)
                                ->whereColumn('mine.number', '>', 'versions.source')
                                ->whereColumn('mine.number', '<', 'versions.number'),
                        )
                        ->orWhere(
                            fn ($out) => $out
                                ->where('cause', Cause::TookOut)
                                ->whereRaw("json_extract(facts, '$.author') = ?", [$this->person->id]),
                        ),
                ),
            'restored',
            'versions.id',
        );
    }

    /** @return Builder<Proposal> by others, on side lines of what this person owns or wrote on, and may write */
    public function proposed(): Builder
    {
        $wrote = fn ($query) => $query
            ->from('activity')
            ->whereColumn('activity.item_id', 'proposals.item_id')
            ->where('activity.user_id', $this->person->id);

        return $this->notAside(
            Proposal::query()
                ->waiting()
                ->whereNotNull('line_id')
                ->whereColumn('root', '!=', 'base')
                ->where('proposals.user_id', '!=', $this->person->id)
                ->where(
                    fn ($either) => $either->whereIn('item_id', $this->items(owns: true))->orWhere(
                        fn ($writes) => $writes
                            ->whereIn(
                                'item_id',
                                Item::query()
                                    ->whereNull('items.deleted_at')
                                    ->whereIn('items.shelf_id', $this->shelves()->where('role', Role::Editor->value))
                                    ->select('items.id'),
                            )
                            ->whereExists($wrote),
                    ),
                ),
            'proposal',
            'proposals.id',
        );
    }

    /**
     * @return Builder<Comment> what calls this person, and what others say, settle or open again in threads where they said something; what
     *     was taken back is none
     */
    public function said(): Builder
    {
        $mine = fn ($query) => $query
            ->from('comments AS mine')
            ->whereColumn('mine.thread_id', 'comments.thread_id')
            ->where('mine.user_id', $this->person->id)
            ->whereColumn('mine.id', '<', 'comments.id');
        $calls = fn ($query) => $query
            ->from('mentions')
            ->whereColumn('mentions.comment_id', 'comments.id')
            ->where('mentions.user_id', $this->person->id);
        return $this->notAside(
            Comment::query()
                ->whereIn('deed', [CommentDeed::Said, CommentDeed::Settled, CommentDeed::Reopened])
                ->where('comments.user_id', '!=', $this->person->id)
                ->where('comments.at', '>', now()->subDays(self::DAYS))
                ->whereIn('thread_id', DB::table('threads')->whereIn('item_id', $this->talkedOf())->select('threads.id'))
                ->whereNotExists(
                    fn ($query) => $query
                        ->from('comments AS later')
                        ->whereColumn('later.of_id', 'comments.id')
                        ->where('later.deed', CommentDeed::Withdrew->value),
                )
                ->where(fn ($either) => $either->whereExists($mine)->orWhereExists($calls)),
            'comment',
            'comments.id',
        );
    }

    /** @return Builder<Item> those of which this person sees what is said: those with entries and drafts only where they see these */
    private function talkedOf(): Builder
    {
        $published = Kinds::published();
        $works = $this->shelves()->whereIn('role', [Role::Owner->value, Role::Editor->value]);
        $drafts = $this->shelves()->where(
            fn ($sees) => $sees
                ->where('shelves.drafts', Drafts::Everyone->value)
                ->orWhere(fn ($may) => $may->where('shelves.drafts', Drafts::Approvers->value)->where('publishes', 1)),
        );

        return Item::query()
            ->whereNull('items.deleted_at')
            ->where(
                fn (Builder $either) => $either
                    ->whereIn('items.shelf_id', $works)
                    ->orWhere(
                        fn (Builder $looks) => $looks
                            ->whereNull('items.form_id')
                            ->whereIn('items.shelf_id', $this->shelves())
                            ->where(fn (Builder $seen) => $seen->whereNotIn('items.kind', $published)->orWhereIn('items.shelf_id', $drafts)),
                    ),
            )
            ->select('items.id');
    }

    /** @return Builder<Task> */
    public function failed(): Builder
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
        return $query
            ->whereNotExists(
                fn ($aside) => $aside
                    ->from('put_aside')
                    ->where('put_aside.user_id', $this->person->id)
                    ->whereRaw("put_aside.ref = ? || {$column}", ["{$sort} "]),
            )
            ->limit(self::MOST);
    }
}
