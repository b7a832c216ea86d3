<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Keeping\FreedBytes;
use App\Keeping\KeepByRules;
use App\Keeping\KeepKinds;
use App\Keeping\Rehearsed;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\PlaceLine;
use App\Models\Shelf;
use App\Store\Space;
use App\Store\WhatIsKept;
use App\View\Keeping\KeepingView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What is kept: rules in a sentence, their rehearsal, and letting versions go by them or by hand. */
final class KeepingController extends Controller
{
    public function __construct(private readonly FreedBytes $freed, private readonly KeepByRules $keep) {}

    public function show(ItemKeepingRequest $request, Item $item, Space $space): View
    {
        abort_if($item->form_id !== null, 404);
        $rules = WhatIsKept::item($item);
        $tried = $request->isTried() ? $rules->tried($request->values()) : $rules;
        $rehearsed = new Rehearsed($item, $tried);

        return view('keeping', [
            'item' => $item, 'rules' => $rules, 'tried' => $tried, 'above' => WhatIsKept::shelf($item->shelf), 'rehearsed' => $rehearsed, 'view' => new KeepingView($rehearsed),
            'freed' => $this->freed->of($rehearsed->ids()), 'isTried' => $tried->values !== $rules->values, 'takes' => $space->of($item),
        ]);
    }

    public function say(SayKeepingRequest $request, Item $item): RedirectResponse
    {
        if ($request->input('do') === 'rehearse') {
            return redirect()->route('keeping', [$item, ...$this->asked($request->validated())]);
        }
        $above = WhatIsKept::shelf($item->shelf);
        WhatIsKept::say($this->person($request), $request->input('do') === 'above' ? $above->values : $request->values(), item: $item);
        $said = WhatIsKept::item($item)->said();
        LogLine::ofItem('keeping', $this->person($request), $item, ['rule' => WhatIsKept::item($item)->noted()]);

        return redirect()->route('keeping', $item)->with('said', __('keeping.kept', ['said' => $said]));
    }

    public function now(Request $request, Item $item): RedirectResponse
    {
        Gate::authorize('keep', $item);
        $gone = $this->keep->handle($item, $this->person($request));

        return redirect()->route('keeping', $item)->with('said', trans_choice('keeping.thinned', $gone, ['count' => (string) $gone]));
    }

    public function byHand(DeleteVersionsRequest $request, Item $item): RedirectResponse
    {
        $gone = $this->keep->byHand($item, $this->person($request), $request->numbers(), trim($request->string('reason')->toString()));

        return redirect()->route('keeping', $item)->with('said', trans_choice('keeping.gone_by_hand', $gone, ['count' => (string) $gone]));
    }

    public function shelf(ShelfKeepingRequest $request, Shelf $shelf, Space $space): View
    {
        $rules = WhatIsKept::shelf($shelf);
        $items = $this->rehearsals($shelf, $space);

        return view('keeping-shelf', [
            'goes' => array_sum(array_column($items, 'go')), 'freed' => array_sum(array_column($items, 'freed')), 'takes' => array_sum(array_map(fn (array $row): int => array_sum($row['takes']), $items)),
            'shelf' => $shelf, 'rules' => $rules, 'tried' => $request->isTried() ? $rules->tried($request->values()) : $rules, 'above' => WhatIsKept::place(), 'items' => $items,
        ]);
    }

    public function sayOfShelf(SayShelfKeepingRequest $request, Shelf $shelf): RedirectResponse
    {
        WhatIsKept::say($this->person($request), $request->input('do') === 'above' ? WhatIsKept::place()->values : $request->values(), shelf: $shelf);
        $said = WhatIsKept::shelf($shelf)->said();
        LogLine::ofShelf('keeping', $this->person($request), $shelf, facts: ['rule' => WhatIsKept::shelf($shelf)->noted()]);

        return redirect()->route('keeping.shelf', $shelf)->with('said', __('keeping.kept', ['said' => $said]));
    }

    public function kindsOfShelf(KeepKindsRequest $request, Shelf $shelf, KeepKinds $keep): RedirectResponse
    {
        $keep->handle($shelf, $this->person($request), $request->off());

        return redirect()->route('keeping.shelf', $shelf)->with('said', $shelf->unkept_kinds === [] ? __('keeping.kinds.all') : __('keeping.kinds.without', ['kinds' => KeepKinds::named($shelf->unkept_kinds)]));
    }

    public function nowOfShelf(Request $request, Shelf $shelf): RedirectResponse
    {
        Gate::authorize('manage', $shelf);
        $gone = 0;
        foreach ($shelf->items()->orderBy('id')->get() as $item) {
            $gone += $this->keep->handle($item->setRelation('shelf', $shelf), $this->person($request));
        }

        return redirect()->route('keeping.shelf', $shelf)->with('said', trans_choice('keeping.thinned', $gone, ['count' => (string) $gone]));
    }

    public function place(PlaceKeepingRequest $request): View
    {
        return view('keeping-place', ['rules' => WhatIsKept::place()]);
    }

    public function sayOfPlace(PlaceKeepingRequest $request): RedirectResponse
    {
        WhatIsKept::say($this->person($request), $request->values());
        PlaceLine::note($this->person($request), 'rules', WhatIsKept::place()->noted());

        return redirect()->route('keeping.place')->with('said', __('keeping.kept', ['said' => WhatIsKept::place()->said()]));
    }

    /** @return list<array{item: Item, go: int, stay: int, freed: int, takes: array{newest: int, history: int, files: int}}> what the rules would let go of each, and what each takes, the largest first */
    private function rehearsals(Shelf $shelf, Space $space): array
    {
        $rehearsed = [];
        foreach ($shelf->items()->orderBy('title')->get() as $item) {
            $rehearsed[] = new Rehearsed($item->setRelation('shelf', $shelf), WhatIsKept::item($item));
        }
        $freed = $this->freed->each(array_map(fn (Rehearsed $each) => $each->ids(), $rehearsed));
        $rows = array_map(fn (Rehearsed $each, int $bytes) => ['item' => $each->item, 'go' => count($each->go), 'stay' => $each->item->kept() - count($each->go), 'freed' => $bytes, 'takes' => $space->of($each->item)], $rehearsed, $freed);
        usort($rows, fn (array $one, array $two) => [$two['freed'], array_sum($two['takes'])] <=> [$one['freed'], array_sum($one['takes'])]);

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return array<string, mixed> for an address
     */
    private function asked(array $sent): array
    {
        return array_diff_key(array_filter($sent, fn (mixed $value) => $value !== null && $value !== ''), ['do' => 1]);
    }
}
