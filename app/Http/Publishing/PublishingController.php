<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Version;
use App\Publishing\AnswerWish;
use App\Publishing\AskToPublish;
use App\Publishing\OpenToPublic;
use App\Publishing\PublishVersion;
use App\Publishing\Unpublish;
use App\Store\States;
use App\View\HistoryAddress;
use App\View\Phrases;
use App\View\Readers\ForReaders;
use App\View\Readers\PublishingPlan;
use App\View\Settings\PublishingWords;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;

/** What readers see of an item: publishing a version, asking for it, answering, and taking it offline. */
final class PublishingController extends Controller
{
    /** What readers will see change. */
    public function show(Request $request, Item $item, int $number, States $states, Phrases $phrases): View|RedirectResponse
    {
        Gate::allows('publishNow', [$item, $number]) || Gate::authorize('askToPublish', $item);
        $version = $this->version($item, $number);
        $wish = $this->wishFor($item, $version);
        if ($wish !== null) {
            return redirect()->route('wish', [$item, $wish]);
        }

        return view('publish', [...$this->plan($request, $item, $version, $states, $phrases), 'wish' => null, 'mayPublish' => Gate::allows('publishNow', [$item, $number])]);
    }

    /** Publishes a version, or asks those who may. */
    public function store(PublishRequest $request, Item $item, int $number, PublishVersion $publish, AskToPublish $ask): RedirectResponse
    {
        $now = $request->isNow();
        $version = $this->version($item, $number);
        $note = $request->note();
        if ($item->live?->version_id === $version->id && $item->room(ForReaders::class)->behind($item, $version) === []) {
            return redirect()->route('publish', [$item, $number])->withErrors(['note' => __('publishing.already_live', ['number' => (string) $number])]);
        }
        $wish = $this->wishFor($item, $version);
        if ($wish !== null) {
            return redirect()->route('wish', [$item, $wish])->withErrors(['note' => __('publishing.asked_already', ['number' => (string) $number])]);
        }
        $now ? $publish->handle($version, $this->person($request), $note) : $ask->handle($version, $this->person($request), $note);

        return $this->back($item, $number, __($now ? 'publishing.published' : 'publishing.asked', ['number' => (string) $number]));
    }

    public function wish(Request $request, Item $item, Publishing $publishing, States $states, Phrases $phrases): View
    {
        Gate::authorize('seeWish', [$item, $publishing]);
        if ($publishing->user_id === $this->person($request)->id && $publishing->decided_at !== null && $publishing->told_at === null) {
            $publishing->update(['told_at' => now()]);
        }
        $version = Version::query()->with('user', 'milestone.user')->findOrFail($publishing->version_id)->setRelation('item', $item);

        return view('publish', [
            ...$this->plan($request, $item, $version, $states, $phrases),
            'wish' => $publishing->load('user', 'decider', 'ender')->setRelation('version', $version),
            'steps' => PublishingWords::steps($publishing->setRelation('item', $item)),
            'mayPublish' => Gate::allows('answer', [$item, $publishing]),
        ]);
    }

    public function answer(AnswerWishRequest $request, Item $item, Publishing $publishing, AnswerWish $answer): RedirectResponse
    {
        $state = PublishingState::from($request->validated('answer'));
        $note = $request->note();
        $asker = $publishing->user->firstName();
        if ($state === PublishingState::Refused && $note === null) {
            return redirect()->route('wish', [$item, $publishing])->withErrors(['note' => __('publishing.refuse_needs_note', ['asker' => $asker])]);
        }
        $number = $publishing->version->number;
        if (! $answer->handle($publishing, $this->person($request), $state, $note)) {
            return redirect()->route('wish', [$item, $publishing])->withErrors(['answer' => __('publishing.too_late')]);
        }

        return $this->back($item, $number, __("publishing.answered.{$state->value}", ['number' => (string) $number, 'asker' => $asker]));
    }

    public function destroy(Request $request, Item $item, Unpublish $unpublish): RedirectResponse
    {
        Gate::authorize('open', $item);
        $unpublish->handle($item, $this->person($request));

        return redirect()->route('shelf', $item->shelf)->with('said', __('publishing.unpublished'));
    }

    /** Whether the public may read it. */
    public function open(Request $request, Item $item, OpenToPublic $open): RedirectResponse
    {
        Gate::authorize('open', $item);
        $wanted = $request->boolean('open');
        $open->handle($item, $wanted, earlier: $request->boolean('earlier'));
        LogLine::ofItem($wanted ? 'opened' : 'closed', $this->person($request), $item, ['address' => (string) $item->address]);

        return redirect()->back(fallback: route('item', $item))->with('said', __(match (true) {
            ! $wanted => 'publishing.closed',
            $request->boolean('earlier') => 'publishing.earlier_opened',
            default => 'publishing.opened',
        }));
    }

    /** @return array{plan: PublishingPlan, address: HistoryAddress, seen: HtmlString} what readers would see change, and how that looks */
    private function plan(Request $request, Item $item, Version $version, States $states, Phrases $phrases): array
    {
        $plan = new PublishingPlan($item, $version, $states, $phrases);

        $address = HistoryAddress::all($item);
        $seen = $item->room(ForReaders::class)->seen($plan, $this->person($request))->with(['item' => $item, 'kind' => $plan->kind, 'phrases' => $phrases, 'earlier' => $plan->comparison?->old, 'parts' => null, 'itsHistory' => '', 'address' => $address]);

        return ['plan' => $plan, 'address' => $address, 'seen' => new HtmlString($seen->render())];
    }

    /** The wish that waits for this very version. */
    private function wishFor(Item $item, Version $version): ?Publishing
    {
        return $item->publishings()->waiting()->where('version_id', $version->id)->first();
    }

    /** To where the person sees it from: those who answer may not see the draft. */
    private function back(Item $item, int $number, string $said): RedirectResponse
    {
        $to = Gate::allows('draft', $item) ? route('history', ['item' => $item, 'from' => $number, 'to' => $item->head]) : route('shelf', $item->shelf);

        return redirect($to)->with('said', $said);
    }
}
