<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Http\HiddenFields;
use App\Models\Item;
use App\Models\Version;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Past;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;

/** Taking out what one person wrote between two versions: the plan, its second face, and doing it. */
final class TakeOutController extends Controller
{
    public function __construct(private readonly TakeOutEdits $takeOut) {}

    public function show(TakeOutRequest $request, Item $item, States $states, Phrases $phrases): View
    {
        $edits = $request->edits();
        $merged = $this->takeOut->rehearse($item, $edits);
        $now = $states->tree($item->root);
        $past = $item->room(Past::class);
        $plan = $merged === null ? null : new TakeOutPlan($item, $now, $merged, $phrases, $edits);

        return view('take-out', [
            'item' => $item,
            'edits' => $edits,
            'tabs' => $past->tabs($now),
            'phrases' => $phrases,
            'asked' => self::asked($item, $edits),
            'numbers' => $this->takeOut->numbers($item, $edits),
            'mixed' => $this->takeOut->mixed($item, $edits),
            'plan' => $plan,
            'asides' => $plan === null ? [] : $past->asides($item, $plan->comesBack + $plan->goesAway, 'in_sight'),
        ]);
    }

    /** All of it, or the lines of the plan that are ticked. */
    public function store(TakeOutRequest $request, Item $item, TickedEdits $ticked): RedirectResponse
    {
        $edits = $request->edits();
        $version = $this->takeOut->handle($item, $edits, $this->person($request), $request->seen(), $ticked->of($request, $item, $edits));
        if ($version === null) {
            return $this->refused($item, $edits, $item->head === $request->seen() ? 'history.take_out.nothing' : 'history.moved_on');
        }
        $landed = redirect()->route('history', ['item' => $item, 'from' => $version->number - 1, 'to' => $version->number]);

        return $this->waiting($item, $version)
            ?? $landed->with('said', __('item.took_out', ['who' => $edits->author->firstName(), 'number' => (string) $version->number]));
    }

    /** How it will be without what is ticked. */
    public function seen(TakeOutRequest $request, Item $item, TickedEdits $ticked, HowItWillBe $page): Response|RedirectResponse
    {
        $edits = $request->edits();
        if ($item->head !== $request->seen()) {
            return $this->refused($item, $edits, 'history.moved_on');
        }
        [$newest, $person, $asked] = [$this->version($item, $item->head), $this->person($request), self::asked($item, $edits)];
        $picked = $ticked->of($request, $item, $edits);
        $becomes = fn (States $states): ?Version => $this->takeOut->becomes($states, $item, $edits, $person, $picked);

        return $page->show($request, $item, $person, $newest, $becomes, [
            'said' => (string) __('history.will_be_without', [
                'now' => (string) $newest->number, 'next' => (string) ($newest->number + 1), 'who' => $edits->author->firstName(),
            ]),
            'note' => null,
            'plan' => route('take-out', $asked),
            'seen' => route('take-out.seen', $asked, false),
            'store' => route('take-out.store', $asked),
            'do' => (string) __('history.take_out_so'),
            'hidden' => HiddenFields::of($request->safe(['seen', 'lines', 'pick'])),
        ]) ?? $this->refused($item, $edits, 'history.take_out.nothing');
    }

    private function refused(Item $item, SomebodysEdits $edits, string $why): RedirectResponse
    {
        return redirect()->route('take-out', self::asked($item, $edits))->withErrors(['seen' => __($why)]);
    }

    /** @return array<string, mixed> for an address */
    private static function asked(Item $item, SomebodysEdits $edits): array
    {
        return ['item' => $item, 'from' => $edits->from, 'to' => $edits->to, 'by' => $edits->author->id, 'tab' => $edits->below];
    }
}
