<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Controller;
use App\Keeping\FreedBytes;
use App\Keeping\KeepByRules;
use App\Keeping\KeepKinds;
use App\Keeping\RehearsedShelf;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Store\Space;
use App\Store\WhatIsKept;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What is kept on a shelf: its rules, what they would let go of each item, and of which kinds there is a history. */
final class ShelfRulesController extends Controller
{
    public function show(ShelfKeepingRequest $request, Shelf $shelf, FreedBytes $freed, Space $space): View
    {
        $rules = WhatIsKept::shelf($shelf);

        return view('keeping-shelf', [
            'shelf' => $shelf,
            'rules' => $rules,
            'tried' => $request->isTried() ? $rules->tried($request->values()) : $rules,
            'above' => WhatIsKept::place(),
            'rehearsed' => new RehearsedShelf($shelf, $freed, $space),
        ]);
    }

    public function store(SayShelfKeepingRequest $request, Shelf $shelf): RedirectResponse
    {
        WhatIsKept::say($this->person($request), $request->isAsAbove() ? WhatIsKept::place()->values : $request->values(), shelf: $shelf);
        $rules = WhatIsKept::shelf($shelf);
        LogLine::ofShelf('keeping', $this->person($request), $shelf, facts: ['rule' => $rules->noted()]);

        return redirect()->route('keeping.shelf', $shelf)->with('said', __('keeping.kept', ['said' => $rules->said()]));
    }

    public function kinds(KeepKindsRequest $request, Shelf $shelf, KeepKinds $keep): RedirectResponse
    {
        $keep->handle($shelf, $this->person($request), $request->off());
        $said = $shelf->unkept_kinds === []
            ? __('keeping.kinds.all')
            : __('keeping.kinds.without', ['kinds' => KeepKinds::named($shelf->unkept_kinds)]);

        return redirect()->route('keeping.shelf', $shelf)->with('said', $said);
    }

    public function now(Request $request, Shelf $shelf, KeepByRules $keep): RedirectResponse
    {
        Gate::authorize('manage', $shelf);
        $gone = 0;
        foreach ($shelf->items()->orderBy('id')->get() as $item) {
            $gone += $keep->handle($item->setRelation('shelf', $shelf), $this->person($request));
        }

        return redirect()
            ->route('keeping.shelf', $shelf)
            ->with('said', trans_choice('keeping.thinned', $gone, ['count' => (string) $gone]));
    }
}
