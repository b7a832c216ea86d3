<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Keeping\MakeShelf;
use App\Keeping\OrderShelves;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Watching\Watch;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Making a shelf, and what there is to say about one: its name, what it is for, where it is, and whether it is put away. */
final class ShelfDetailsController extends Controller
{
    public function create(): View
    {
        return view('shelf-new');
    }

    public function store(NewShelfRequest $request, MakeShelf $make): RedirectResponse
    {
        $shelf = $make->handle($this->person($request), $request->name(), $request->about());

        return redirect()->route('shelf', $shelf)->with('said', __('keeping.shelf_made', ['shelf' => $shelf->name]));
    }

    public function edit(Request $request, Shelf $shelf): View
    {
        Gate::authorize('view', $shelf);

        return view('shelf-about', ['shelf' => $shelf, 'how' => Watch::how($this->person($request), $shelf)]);
    }

    public function update(ChangeShelfRequest $request, Shelf $shelf): RedirectResponse
    {
        $was = $shelf->name;
        $shelf->update(['name' => $request->name(), 'about' => $request->about(), 'lost_days' => $request->validated('lost_days')]);
        LogLine::ofShelf($was === $shelf->name ? 'described' : 'renamed', $this->person($request), $shelf, facts: ['was' => $was]);

        return redirect()->route('shelf.edit', $shelf)->with('said', __('keeping.shelf_changed'));
    }

    /** Up or down among the shelves of whoever says so, for nobody else. */
    public function order(Request $request, Shelf $shelf, OrderShelves $order): RedirectResponse
    {
        Gate::authorize('view', $shelf);
        $order->handle($this->person($request), $shelf, $request->boolean('up'));

        return redirect()->route('shelf.edit', $shelf);
    }

    public function archive(Request $request, Shelf $shelf): RedirectResponse
    {
        Gate::authorize('manage', $shelf);
        $away = $request->boolean('away');
        $shelf->update(['archived_at' => $away ? now() : null]);
        LogLine::ofShelf($away ? 'put_away' : 'taken_up', $this->person($request), $shelf);

        return redirect()
            ->route('shelf.edit', $shelf)
            ->with('said', __($away ? 'keeping.shelf_away' : 'keeping.shelf_up', ['shelf' => $shelf->name]));
    }
}
