<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Http\HiddenFields;
use App\Models\Item;
use App\Models\User;
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

/** Taking out what one person wrote between two versions. */
final class TakeOutController extends Controller
{
    public function __construct(private readonly TakeOutEdits $takeOut, private readonly States $states, private readonly Phrases $phrases) {}

    public function show(TakeOutRequest $request, Item $item): View
    {
        $edits = $this->asked($request, $item);
        $merged = $this->takeOut->rehearse($item, $edits);
        $now = $this->states->tree($item->root);
        $past = $item->room(Past::class);
        $plan = $merged === null ? null : new TakeOutPlan($item, $now, $merged, $this->phrases, $edits);

        return view('take-out', [
            'item' => $item, 'edits' => $edits, 'tabs' => $past->tabs($now), 'phrases' => $this->phrases,
            'asked' => self::address($item, $edits),
            'numbers' => $this->takeOut->numbers($item, $edits),
            'mixed' => $this->takeOut->mixed($item, $edits),
            'plan' => $plan,
            'asides' => $plan === null ? [] : $past->asides($item, $plan->comesBack + $plan->goesAway, 'in_sight'),
        ]);
    }

    /** All of it, or the lines of the plan that are ticked. */
    public function store(TakeOutRequest $request, Item $item): RedirectResponse
    {
        $edits = $this->asked($request, $item);
        $seen = (int) $request->validated('seen');
        $version = $this->takeOut->handle($item, $edits, $this->person($request), $seen, $this->picked($request, $item, $edits));
        if ($version === null) {
            return $this->refused($item, $edits, $item->head === $seen ? 'history.take_out.nothing' : 'history.moved_on');
        }

        return $this->waiting($item, $version) ?? redirect()->route('history', ['item' => $item, 'from' => $version->number - 1, 'to' => $version->number])
            ->with('said', __('item.took_out', ['who' => $edits->author->firstName(), 'number' => (string) $version->number]));
    }

    /** How it will be without what is ticked. */
    public function seen(TakeOutRequest $request, Item $item, HowItWillBe $page): Response|RedirectResponse
    {
        $edits = $this->asked($request, $item);
        $sent = $request->validated();
        if ($item->head !== (int) $sent['seen']) {
            return $this->refused($item, $edits, 'history.moved_on');
        }
        [$newest, $person, $asked] = [$this->version($item, $item->head), $this->person($request), self::address($item, $edits)];
        $picked = $this->picked($request, $item, $edits);

        return $page->show($request, $item, $person, $newest, fn (States $states): ?Version => $this->takeOut->becomes($states, $item, $edits, $person, $picked), [
            'said' => (string) __('history.will_be_without', ['now' => (string) $newest->number, 'next' => (string) ($newest->number + 1), 'who' => $edits->author->firstName()]),
            'note' => null,
            'plan' => route('take-out', $asked), 'seen' => route('take-out.seen', $asked, false), 'store' => route('take-out.store', $asked),
            'do' => (string) __('history.take_out_so'), 'hidden' => HiddenFields::of(array_intersect_key($sent, array_flip(['seen', 'lines', 'pick']))),
        ]) ?? $this->refused($item, $edits, 'history.take_out.nothing');
    }

    /**
     * The changes back that are ticked; null for all of them.
     *
     * @return list<string>|null
     */
    private function picked(TakeOutRequest $request, Item $item, SomebodysEdits $edits): ?array
    {
        $sent = $request->validated();
        $ticked = array_values(array_unique(array_map(intval(...), $sent['pick'] ?? [])));
        if (! isset($sent['lines']) || count($ticked) >= (int) $sent['lines'] || $item->head !== (int) $sent['seen']) {
            return null;
        }
        $merged = $this->takeOut->rehearse($item, $edits);

        return $merged === null ? null : (new TakeOutPlan($item, $this->states->tree($item->root), $merged, $this->phrases))->keys($ticked);
    }

    private function refused(Item $item, SomebodysEdits $edits, string $why): RedirectResponse
    {
        return redirect()->route('take-out', self::address($item, $edits))->withErrors(['seen' => __($why)]);
    }

    /** @return array<string, mixed> */
    private static function address(Item $item, SomebodysEdits $edits): array
    {
        return ['item' => $item, 'from' => $edits->from, 'to' => $edits->to, 'by' => $edits->author->id, 'tab' => $edits->below];
    }

    private function asked(TakeOutRequest $request, Item $item): SomebodysEdits
    {
        $sent = $request->validated();
        $author = User::query()->find((int) $sent['by']);
        abort_if($author === null || $item->versions()->where('user_id', $author->id)->doesntExist(), 404);

        return new SomebodysEdits($author, min((int) $sent['from'], (int) $sent['to']), max((int) $sent['from'], (int) $sent['to']), $item->hasTabs() ? $sent['tab'] ?? null : null);
    }
}
