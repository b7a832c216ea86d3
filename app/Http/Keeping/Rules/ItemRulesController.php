<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Controller;
use App\Keeping\FreedBytes;
use App\Keeping\KeepByRules;
use App\Keeping\Rehearsed;
use App\Models\Item;
use App\Models\LogLine;
use App\Store\Space;
use App\Store\WhatIsKept;
use App\View\Keeping\KeepingView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What is kept of an item: its rules in a sentence, their rehearsal, and letting versions go by them. */
final class ItemRulesController extends Controller
{
    public function show(ItemKeepingRequest $request, Item $item, FreedBytes $freed, Space $space): View
    {
        abort_if($item->form_id !== null, 404);
        $rules = WhatIsKept::item($item);
        $tried = $request->isTried() ? $rules->tried($request->values()) : $rules;
        $rehearsed = new Rehearsed($item, $tried);

        return view('keeping', [
            'item' => $item,
            'rules' => $rules,
            'tried' => $tried,
            'isTried' => $tried->values !== $rules->values,
            'above' => WhatIsKept::shelf($item->shelf),
            'rehearsed' => $rehearsed,
            'view' => new KeepingView($rehearsed),
            'freed' => $freed->of($rehearsed->ids()),
            'takes' => $space->of($item),
        ]);
    }

    public function store(SayKeepingRequest $request, Item $item): RedirectResponse
    {
        if ($request->input('do') === 'rehearse') {
            return redirect()->route('keeping', [$item, ...$request->asked()]);
        }
        $values = $request->isAsAbove() ? WhatIsKept::shelf($item->shelf)->values : $request->values();
        WhatIsKept::say($this->person($request), $values, item: $item);
        $rules = WhatIsKept::item($item);
        LogLine::ofItem('keeping', $this->person($request), $item, ['rule' => $rules->noted()]);

        return redirect()->route('keeping', $item)->with('said', __('keeping.kept', ['said' => $rules->said()]));
    }

    public function now(Request $request, Item $item, KeepByRules $keep): RedirectResponse
    {
        Gate::authorize('keep', $item);
        $gone = $keep->handle($item, $this->person($request));

        return redirect()->route('keeping', $item)->with('said', trans_choice('keeping.thinned', $gone, ['count' => (string) $gone]));
    }
}
