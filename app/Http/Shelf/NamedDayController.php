<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Making\CopyShelf;
use App\Models\Shelf;
use App\Past\MarkShelf;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** A name for a moment of a shelf: as a milestone of it, or for a copy of the shelf as it was then. */
final class NamedDayController extends Controller
{
    public function mark(NameMomentRequest $request, Shelf $shelf, MarkShelf $mark): RedirectResponse
    {
        Gate::authorize('make', $shelf);
        $named = $mark->handle($shelf, $this->person($request), $request->moment(), $request->name());

        return redirect()->route('day', DayController::address($shelf, $request->moment()))->with(
            'said',
            trans_choice('day.marked', $named, ['name' => $request->name(), 'count' => (string) $named]),
        );
    }

    public function copy(NameMomentRequest $request, Shelf $shelf, CopyShelf $copy): RedirectResponse
    {
        $made = $copy->handle($shelf, $this->person($request), $request->moment(), $request->name());

        return redirect()->route('shelf', $made)->with('said', __('day.copied', ['shelf' => $shelf->name, 'name' => $made->name]));
    }
}
