<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Http\Restoring\HowItWillBe;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\ProposalState;
use App\Models\Version;
use App\Store\States;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\OtherItems;
use App\View\Phrases;
use App\View\Proposals\Copies;
use App\View\Proposals\Everybody;
use App\View\Proposals\MayAnswer;
use App\View\Proposals\OpenProposals;
use App\View\Proposals\ProposedLine;
use App\View\Proposals\WouldBe;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** What people propose for an item instead of writing it, looked at in place. */
final class ProposalsController extends Controller
{
    public function __construct(private readonly HowItWillBe $page, private readonly WouldBe $would, private readonly Phrases $phrases) {}

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

        return match (true) {
            $chosen === null => view('proposals-none', ['item' => $item, 'chosen' => null, ...$around]),
            $request->isOfEverybody() && $open->all->count() > 1 => $this->everybody($request, $item, $open, $around),
            default => $this->one($request, $item, $open, $chosen, $around),
        };
    }

    /** The one that is asked for, or the first that waits. */
    private function chosen(Item $item, OpenProposals $open, int $of): ?Proposal
    {
        return $open->all->firstWhere('id', $of) ?? ($of === 0
            ? $open->all->first()
            : $item->proposals()->with('user', 'decider', 'version', 'line')->findOrFail($of)->setRelation('item', $item));
    }

    /** @param array<string, mixed> $around */
    private function one(ProposalsRequest $request, Item $item, OpenProposals $open, Proposal $chosen, array $around): Response
    {
        $person = $this->person($request);
        if ($chosen->user_id === $person->id && $chosen->decided_at !== null && $chosen->told_at === null) {
            Proposal::query()->whereKey($chosen->id)->update(['told_at' => now()]);
        }
        $look = $request->look();
        $newest = $this->would->stood($item, $chosen) ?? $this->version($item, $open->at ?? $item->head);
        $met = [];
        $becomes = function (States $states) use ($chosen, $newest, &$met): Version {
            [$to, $met] = $this->would->becomes($chosen, $newest, $states);

            return $to;
        };
        $request->merge(['from' => $newest->number, 'to' => $newest->number + 1, 'view' => $look === 'would' ? 'was' : 'changed']);
        $asked = ['of' => $chosen->id, 'look' => $look, 'at' => $open->at];
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', $asked);
        $waits = $chosen->state === ProposalState::Waiting && $open->at === null;
        $may = (new MayAnswer($item, $open))->to($chosen);
        $lines = function (Comparison $seen) use ($look, $chosen, &$met): array {
            return $look === 'would'
                ? []
                : ProposedLine::in($seen->kind, $seen->old, $seen->new, $seen->changes, $chosen, $met, $this->phrases);
        };

        return $this->page->drawn($item, $person, $newest, $becomes, $address, 'proposals', fn (Comparison $seen): array => [
            ...$around,
            'chosen' => $chosen,
            'newest' => $newest,
            'waits' => $waits,
            'mayDecide' => $waits && $may['decides'],
            'isOwn' => $waits && $may['own'],
            'lines' => $lines($seen),
        ]) ?? abort(404);
    }

    /** @param array<string, mixed> $around */
    private function everybody(ProposalsRequest $request, Item $item, OpenProposals $open, array $around): Response
    {
        $newest = $this->version($item, $open->at ?? $item->head);
        $request->merge(['from' => $newest->number, 'to' => $newest->number, 'view' => 'was']);
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', [
            'of' => 'everybody',
            'at' => $open->at,
        ]);
        $all = null;
        $becomes = function (States $states) use ($open, $newest, &$all): Version {
            $all = new Everybody($open, $newest, $states, $this->would->proposed, $this->phrases);

            return $newest;
        };

        return $this->page->drawn($item, $this->person($request), $newest, $becomes, $address, 'proposals-everybody', function () use (
            $item,
            $open,
            $around,
            $newest,
            &$all,
        ): array {
            $answers = (new MayAnswer($item, $open))->toEach($all->shown ?? []);

            return [...$around, 'chosen' => null, 'newest' => $newest, 'all' => $all, 'answers' => $answers];
        }) ?? abort(404);
    }
}
