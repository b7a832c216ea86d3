<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\Version;
use App\View\OtherItems;
use App\View\Proposals\Copies;
use App\View\Proposals\OpenProposals;
use App\View\Proposals\WouldBe;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** What people propose for an item instead of writing it, looked at in place. */
final class ProposalsController extends Controller
{
    public function __construct(
        private readonly OneProposal $one,
        private readonly EverybodysProposals $everybody,
        private readonly WouldBe $would,
    ) {}

    public function __invoke(ProposalsRequest $request, Item $item, OtherItems $others): View|Response
    {
        $open = new OpenProposals($item, $request->at($item));
        $chosen = $this->chosen($item, $open, $request->of());
        $around = [
            'open' => $open,
            'look' => $request->look(),
            'answered' => $open->at === null ? $open->answered() : null,
            'copies' => $open->at === null ? new Copies($item->load('origin.item.shelf.memberships'), $others) : null,
            'links' => Gate::allows('letPropose', $item)
                ? ProposalLink::query()->open()->where('item_id', $item->id)->orderBy('id')->get()
                : new Collection,
        ];

        $person = $this->person($request);
        $newest = fn (): Version => $this->version($item, $open->at ?? $item->head);

        return match (true) {
            $chosen === null => view('proposals-none', ['item' => $item, 'chosen' => null, ...$around]),
            $request->isOfEverybody() && $open->all->count() > 1 => $this->everybody->shown($request, $person, $open, $newest(), $around),
            default => $this->one->shown($request, $person, $open, $chosen, $this->would->stood($item, $chosen) ?? $newest(), $around),
        };
    }

    /** The one that is asked for, or the first that waits. */
    private function chosen(Item $item, OpenProposals $open, int $of): ?Proposal
    {
        return $open->all->firstWhere('id', $of) ?? ($of === 0
            ? $open->all->first()
            : $item->proposals()->with('user', 'decider', 'version', 'line')->findOrFail($of)->setRelation('item', $item));
    }
}
