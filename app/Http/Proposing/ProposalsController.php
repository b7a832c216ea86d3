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
use App\View\Proposals\OpenProposals;
use App\View\Proposals\ProposedLine;
use App\View\Proposals\WouldBe;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;

/** What people propose for an item instead of writing it, looked at in place. */
final class ProposalsController extends Controller
{
    public function __invoke(ProposalsRequest $request, Item $item, HowItWillBe $page, WouldBe $would, Phrases $phrases): View|Response
    {
        $asked = $request->validated();
        $open = new OpenProposals($item, isset($asked['at']) ? min((int) $asked['at'], $item->head) : null);
        $of = (int) ($asked['of'] ?? 0);
        $chosen = $open->all->firstWhere('id', $of) ?? ($of === 0 ? $open->all->first() : $item->proposals()->with('user', 'decider', 'version', 'line')->findOrFail($of)->setRelation('item', $item));
        $shared = ['open' => $open, 'chosen' => $chosen, 'look' => $asked['look'] ?? 'with', 'answered' => $open->at === null ? $open->answered() : null, 'copies' => $open->at === null ? new Copies($item->load('origin.item.shelf.memberships'), app(OtherItems::class)) : null, 'links' => Gate::allows('letPropose', $item) ? ProposalLink::query()->open()->where('item_id', $item->id)->orderBy('id')->get() : new Collection];
        if ($chosen === null) {
            return view('proposals-none', ['item' => $item, ...$shared]);
        }
        if (($asked['of'] ?? '') === 'everybody' && $open->all->count() > 1) {
            return $this->everybody($item, $open, $shared, $page, $would, $phrases, $request);
        }
        $this->told($request, $chosen);
        $newest = $would->stood($item, $chosen) ?? $this->version($item, $open->at ?? $item->head);
        $met = [];
        $becomes = function (States $states) use ($would, $chosen, $newest, &$met): Version {
            [$to, $met] = $would->becomes($chosen, $newest, $states);

            return $to;
        };
        $request->merge(['from' => $newest->number, 'to' => $newest->number + 1, 'view' => $shared['look'] === 'would' ? 'was' : 'changed']);
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', ['of' => $chosen->id, 'look' => $shared['look'], 'at' => $open->at]);

        return $page->drawn($item, $this->person($request), $newest, $becomes, $address, 'proposals', function (Comparison $comparison) use ($item, $open, $chosen, $phrases, $shared, $newest, &$met): array {
            $waits = $chosen->state === ProposalState::Waiting && $open->at === null;
            ['decides' => $decides, 'own' => $own] = $this->mayAnswer($item, $open, $chosen);

            return [...$shared, 'waits' => $waits, 'mayDecide' => $waits && $decides, 'isOwn' => $waits && $own, 'newest' => $newest, 'lines' => $shared['look'] === 'would' ? [] : ProposedLine::in($comparison->kind, $comparison->old, $comparison->new, $comparison->changes, $chosen, $met, $phrases)];
        }) ?? abort(404);
    }

    /** @param array<string, mixed> $shared */
    private function everybody(Item $item, OpenProposals $open, array $shared, HowItWillBe $page, WouldBe $would, Phrases $phrases, Request $request): Response
    {
        $newest = $this->version($item, $open->at ?? $item->head);
        $request->merge(['from' => $newest->number, 'to' => $newest->number, 'view' => 'was']);
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', ['of' => 'everybody', 'at' => $open->at]);
        $all = null;
        $becomes = function (States $states) use ($open, $newest, $would, $phrases, &$all): Version {
            $all = new Everybody($open, $newest, $states, $would->proposed, $phrases);

            return $newest;
        };

        return $page->drawn($item, $this->person($request), $newest, $becomes, $address, 'proposals-everybody', function () use ($item, $shared, $open, $newest, &$all): array {
            return [...$shared, 'newest' => $newest, 'all' => $all, 'chosen' => null, 'answers' => $this->answers($item, $open, $all->shown ?? [])];
        }) ?? abort(404);
    }

    /**
     * @param  list<Proposal>  $proposals
     * @return array<int, array{decides: bool, own: bool, sign: HtmlString}> by their ids, how whoever looks at them may answer, and the sign of who proposes
     */
    private function answers(Item $item, OpenProposals $open, array $proposals): array
    {
        $answers = [];
        foreach ($proposals as $proposal) {
            $answers[$proposal->id] = [...$this->mayAnswer($item, $open, $proposal), 'sign' => new HtmlString(view('components.proposer', ['proposal' => $proposal])->render())];
        }

        return $answers;
    }

    /** @return array{decides: bool, own: bool} whether whoever looks may say yes and no to it, and whether it is theirs */
    private function mayAnswer(Item $item, OpenProposals $open, Proposal $proposal): array
    {
        return ['decides' => $open->at === null && Gate::allows('decide', [$item, $proposal]), 'own' => $open->at === null && $proposal->said_by === null && $proposal->user_id === auth()->id() && Gate::allows('propose', $item)];
    }

    private function told(Request $request, Proposal $proposal): void
    {
        if ($proposal->user_id === $this->person($request)->id && $proposal->decided_at !== null && $proposal->told_at === null) {
            Proposal::query()->whereKey($proposal->id)->update(['told_at' => now()]);
        }
    }
}
