<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\Drafts;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Store\Proposed;
use App\Store\States;
use App\View\Phrases;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\LengthAwarePaginator;

/** The changes to entries of a form that wait for a yes: those that somebody may see, each held against what was agreed to. */
final class EntryProposals
{
    private const A_PAGE = 100;

    /** @var LengthAwarePaginator<int, Proposal> */
    public LengthAwarePaginator $proposals;

    /** @var array<int, ProposalView> by proposal */
    public array $views = [];

    /** @var list<Proposal> answers to this person's own that they have not looked at */
    public array $declined;

    public function __construct(Item $form, User $user, States $states, Proposed $proposed, Phrases $phrases)
    {
        $this->proposals = self::waiting($form, $user)->with('user', 'item')->orderBy('proposals.id')->paginate(self::A_PAGE);
        foreach ($this->proposals as $proposal) {
            $proposal->item->setRelation('shelf', $form->shelf);
            $this->views[$proposal->id] = new ProposalView($proposal, $states, $proposed, $phrases);
        }
        $this->declined = array_values(
            Proposal::query()
                ->with('decider', 'item')
                ->whereIn('item_id', $form->entries()->select('id'))
                ->where(['state' => ProposalState::Declined, 'user_id' => $user->id])
                ->whereNull('told_at')
                ->orderBy('id')
                ->limit(self::A_PAGE)
                ->get()
                ->all(),
        );
    }

    /** @return Builder<Proposal> */
    public static function waiting(Item $form, User $user): Builder
    {
        return self::seen(
            Proposal::query()
                ->waiting()
                ->whereIn('proposals.item_id', $form->entries()->whereNull('deleted_at')->select('items.id')),
            $form,
            $user,
        );
    }

    /**
     * Those of an entry that were not taken in, and what waits.
     *
     * @return list<Proposal>
     */
    public static function beside(Item $entry, User $user): array
    {
        return array_values(
            self::seen(
                Proposal::query()->with('user', 'decider')->where('item_id', $entry->id)->where('state', '!=', ProposalState::Accepted),
                $entry,
                $user,
            )
                ->orderByDesc('id')
                ->limit(self::A_PAGE)
                ->get()
                ->all(),
        );
    }

    /**
     * @param  Builder<Proposal>  $query
     * @return Builder<Proposal>
     */
    private static function seen(Builder $query, Item $item, User $user): Builder
    {
        return $query->unless(
            $item->shelf->letsPublish($user) || $item->shelf->drafts === Drafts::Everyone,
            fn ($own) => $own->where('proposals.user_id', $user->id),
        );
    }
}
