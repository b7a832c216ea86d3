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
use App\Proposing\DecideEverybodys;
use App\Proposing\DecideProposal;
use App\Proposing\OpenLine;
use App\Proposing\ProposeFromCopy;
use App\Proposing\TakeUpAgain;
use App\Store\Proposed;
use App\Store\States;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\OtherItems;
use App\View\Phrases;
use App\View\Proposals\Copies;
use App\View\Proposals\Everybody;
use App\View\Proposals\OpenProposals;
use App\View\Proposals\ProposedLine;
use App\View\Sources\Files;
use App\View\Sources\PictureAddresses;
use App\View\Sources\TrackedChanges;
use App\View\Sources\WrittenFile;
use App\View\Talk\Talk;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;
use Illuminate\Support\Str;

/** What people propose for an item instead of writing it: looked at in place, answered change by change. */
final class ProposalsController extends Controller
{
    public function show(ProposalsRequest $request, Item $item, HowItWillBe $page, Proposed $proposed, Phrases $phrases): View|Response
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
            return $this->everybody($item, $open, $shared, $page, $proposed, $phrases, $request);
        }
        $this->told($request, $chosen);
        $newest = $this->against($item, $chosen, $open->at);
        $met = [];
        $becomes = function (States $states) use ($proposed, $chosen, $newest, &$met): Version {
            [$to, $met] = $this->becomes($chosen, $newest, $proposed, $states);

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
    private function everybody(Item $item, OpenProposals $open, array $shared, HowItWillBe $page, Proposed $proposed, Phrases $phrases, Request $request): Response
    {
        $newest = $this->version($item, $open->at ?? $item->head);
        $request->merge(['from' => $newest->number, 'to' => $newest->number, 'view' => 'was']);
        $address = HistoryAddress::read($request, $item, fn (): int => $newest->number)->on('proposals', ['of' => 'everybody', 'at' => $open->at]);
        $all = null;
        $becomes = function (States $states) use ($open, $newest, $proposed, $phrases, &$all): Version {
            $all = new Everybody($open, $newest, $states, $proposed, $phrases);

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

    /** All that several people propose, at once. */
    public function answerAll(AnswerEverybodyRequest $request, Item $item, DecideEverybodys $decide): RedirectResponse
    {
        $word = trim((string) $request->validated('word'));
        [$answered, $waits] = $decide->handle($item, $this->person($request), $request->proposals(), $request->answer(), $request->states(), $word === '' ? null : $word);
        $said = trans_choice("proposing.answered_all.{$request->answer()->value}", $answered).($waits === 0 ? '' : ' '.trans_choice('proposing.answered_all.waits', $waits));

        return redirect()->route('proposals', [$item, ...($waits === 0 ? [] : ['of' => 'everybody'])])->with('said', $said);
    }

    /** What is proposed as a file with tracked changes, for whoever reads it elsewhere. */
    public function file(Item $item, Proposal $proposal, string $format, Proposed $proposed, Phrases $phrases, PictureAddresses $pictures): Response
    {
        Gate::authorize('seeProposal', [$item, $proposal]);
        abort_if($proposal->line_id === null, 404);
        $newest = $this->against($item, $proposal->load('user', 'line')->setRelation('item', $item), null);
        $file = HowItWillBe::within(fn (States $states): Version => $this->becomes($proposal, $newest, $proposed, $states)[0], function (Version $to, States $states) use ($item, $newest, $phrases, $format, $pictures): ?WrittenFile {
            $comparison = new Comparison($item, $newest, $to, $states, $phrases, apart: true);

            return $item->room(Files::class)->writeTracked($comparison, new TrackedChanges($comparison, (new Talk($item))->threads), $format, $pictures->of($item));
        }) ?? abort(404);
        $bytes = $file->bytes;

        return response(is_string($bytes) ? $bytes : implode('', [...$bytes]), 200, [
            'Content-Type' => $file->mediaType,
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($item->title) ?: $item->kind).'-'.Str::slug($proposal->name()).".{$format}\"",
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }

    /** @return array{Version, list<string>} what the item would be, which is not there, and what of it others wrote in since */
    private function becomes(Proposal $proposal, Version $newest, Proposed $proposed, States $states): array
    {
        [$root, $met] = $proposal->state === ProposalState::Waiting ? $proposed->becomes($states, $proposal, $newest->root) : [$proposal->root, []];
        $to = Version::toCome($newest->item, $root, $newest->title, $proposal->user);

        return [$to->forceFill(['saved_at' => $proposal->decided_at ?? $proposal->loadMissing('line')->line->changed_at ?? $proposal->proposed_at]), $met];
    }

    public function begin(Request $request, Item $item, OpenLine $open): RedirectResponse
    {
        Gate::authorize('propose', $item);

        return redirect()->route('item', $open->handle($item, $this->person($request)));
    }

    public function answer(AnswerProposalsRequest $request, Item $item, Proposal $proposal, DecideProposal $decide): RedirectResponse
    {
        $sent = $request->validated();
        $answer = $request->answer() ?? abort(422);
        $word = trim((string) ($sent['word'] ?? ''));
        $answered = $decide->handle($proposal, $this->person($request), $answer, (int) $sent['seen'], $sent['state'], $request->keys(), $word === '' ? null : $word);
        if ($answered === null) {
            return redirect()->route('proposals', [$item, 'of' => $proposal->id])->withErrors(['do' => __($proposal->refresh()->state === ProposalState::Waiting ? 'proposing.moved_on' : 'proposing.too_late')]);
        }
        $values = ['who' => $proposal->name(), 'number' => (string) $item->refresh()->head];
        if ($request->goesOnAt() !== null) {
            return redirect()->to(route('item', $item).'#part-'.$request->goesOnAt())->with('said', __('proposing.answered.edited', $values));
        }

        $waits = $proposal->refresh()->state === ProposalState::Waiting;

        return redirect()->route('proposals', [$item, ...(($sent['from'] ?? null) !== null ? ['of' => $sent['from']] : ($waits ? ['of' => $proposal->id] : []))])->with('said', __("proposing.answered.{$answer->value}", $values));
    }

    /** Proposes once more what was answered. */
    public function again(Request $request, Item $item, Proposal $proposal, TakeUpAgain $again): RedirectResponse
    {
        Gate::authorize('seeProposal', [$item, $proposal]);
        Gate::authorize('propose', $item);
        abort_unless($proposal->line_id !== null && $proposal->state !== ProposalState::Waiting, 404);
        abort_unless($proposal->user_id === $this->person($request)->id, 403, __('proposing.not_yours'));
        $line = $again->handle($proposal->setRelation('item', $item), $this->person($request));

        return $line === null
            ? redirect()->route('proposals', [$item, 'of' => $proposal->id])->withErrors(['do' => __('proposing.same')])
            : redirect()->route('item', $line)->with('said', __('proposing.taken_up'));
    }

    /** What was written in a copy, for what it was copied out from. */
    public function fromCopy(Request $request, Item $item, ProposeFromCopy $propose): RedirectResponse
    {
        Gate::authorize('draft', $item);
        $original = $item->origin?->item;
        abort_if($original === null, 404);
        Gate::authorize('propose', $original);
        $line = $propose->handle($item, $original, $this->person($request));

        return $line === null
            ? redirect()->route('proposals', $item)->withErrors(['do' => __('copies.same', ['title' => $original->title])])
            : redirect()->route('item', $line)->with('said', __('copies.taken_in', ['title' => $item->title]));
    }

    /** What it is held against: the newest version, the one of then, or, when it was answered, what stood at that time. */
    private function against(Item $item, Proposal $proposal, ?int $at): Version
    {
        if ($proposal->state === ProposalState::Waiting) {
            return $this->version($item, $at ?? $item->head);
        }
        $then = Version::toCome($item, $proposal->base, $item->title, $proposal->user);

        return $then->forceFill(['number' => (int) $proposal->stands]);
    }

    private function told(Request $request, Proposal $proposal): void
    {
        if ($proposal->user_id === $this->person($request)->id && $proposal->decided_at !== null && $proposal->told_at === null) {
            Proposal::query()->whereKey($proposal->id)->update(['told_at' => now()]);
        }
    }
}
