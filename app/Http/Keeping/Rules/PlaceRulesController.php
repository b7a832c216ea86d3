<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Controller;
use App\Models\PlaceLine;
use App\Store\WhatIsKept;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** What is kept in the whole place. */
final class PlaceRulesController extends Controller
{
    public function show(PlaceKeepingRequest $request): View
    {
        return view('keeping-place', ['rules' => WhatIsKept::place()]);
    }

    public function store(PlaceKeepingRequest $request): RedirectResponse
    {
        WhatIsKept::say($this->person($request), $request->values());
        $rules = WhatIsKept::place();
        PlaceLine::note($this->person($request), 'rules', $rules->noted());

        return redirect()->route('keeping.place')->with('said', __('keeping.kept', ['said' => $rules->said()]));
    }
}
