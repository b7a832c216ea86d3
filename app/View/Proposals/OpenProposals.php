<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** What is proposed for an item: now, or as it stood when a version was the newest. */
final readonly class OpenProposals
{
    /** People whose proposals are shown at once. */
    private const MOST = 200;

    /** @var Collection<int, Proposal> in the order in which they were begun */
    public Collection $all;

    public function __construct(private Item $item, public ?int $at = null)
    {
        $this->all = (
            $at === null
            ? self::now($item)->orderBy('id')->limit(self::MOST)->with('user')->get()
            : Proposal::stood($item, $at)->take(self::MOST)
        )->each(fn (Proposal $proposal) => $proposal->setRelation('item', $item));
    }

    /** @return Builder<Proposal> that hold anything */
    public static function now(Item $item): Builder
    {
        return Proposal::query()->waiting()->where('item_id', $item->id)->whereNotNull('line_id')->whereColumn('root', '!=', 'base');
    }

    /** @return Collection<int, Proposal> the last answers, the latest first */
    public function answered(): Collection
    {
        return $this->item
            ->proposals()
            ->where('state', '!=', ProposalState::Waiting)
            ->whereColumn('root', '!=', 'base')
            ->with('user', 'decider', 'version')
            ->orderByDesc('decided_at')
            ->orderByDesc('id')
            ->limit(self::MOST)
            ->get();
    }
}
