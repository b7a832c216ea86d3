<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Keeping\DeleteForGood;
use App\Keeping\TakeAway;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Shelf;
use App\Store\States;
use App\View\Keeping\HangsOn;
use App\View\Keeping\LostView;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Lost & found: deleting, looking at what was deleted, bringing it back, deleting it for good. */
final class LostController extends Controller
{
    public function index(LostRequest $request, States $states, Phrases $phrases): View
    {
        $view = new LostView($states, $this->person($request), null, ...$request->asked(), phrases: $phrases);

        return view('lost', ['shelf' => null, 'kinds' => Offered::kinds(), 'view' => $view]);
    }

    public function shelf(LostOfShelfRequest $request, Shelf $shelf, States $states, Phrases $phrases): View
    {
        $view = new LostView($states, $this->person($request), $shelf, ...$request->asked(), phrases: $phrases);

        return view('lost', ['shelf' => $shelf, 'kinds' => Offered::kinds(), 'view' => $view]);
    }

    /** What hangs on it, before it is deleted. */
    public function ask(Request $request, Item $item): View
    {
        Gate::authorize('delete', $item);

        return view('delete', ['item' => $item, 'hangs' => new HangsOn($item, $this->person($request))]);
    }

    public function destroy(Request $request, Item $item, TakeAway $away): RedirectResponse
    {
        Gate::authorize('delete', $item);
        $away->handle($item, $this->person($request));

        return redirect()->route('shelf', $item->shelf)
            ->with('said', __('keeping.deleted', ['title' => $item->title]))
            ->with('lost', $item->key);
    }

    public function back(BringBackItemRequest $request, Item $item, TakeAway $away): RedirectResponse
    {
        $title = $item->title;
        $away->back($item, $this->person($request), $request->shelf());

        $said = __($item->title === $title ? 'keeping.brought_back' : 'keeping.brought_back_as', [
            'title' => $title,
            'now' => $item->title,
            'shelf' => $item->shelf->name,
        ]);

        return redirect()->route('item', $item)->with('said', $said);
    }

    public function askForGood(Request $request, Item $item): View
    {
        Gate::authorize('deleteForGood', $item);

        return view('for-good', [
            'item' => $item,
            'versions' => $item->versions()->count(),
            'entries' => $item->entries()->count(),
            'hangs' => new HangsOn($item, $this->person($request)),
        ]);
    }

    public function forGood(DeleteForGoodRequest $request, Item $item, DeleteForGood $delete): RedirectResponse
    {
        $shelf = $item->shelf;
        $delete->item($item, $this->person($request));

        return redirect()->route('lost', $shelf)->with('said', __('keeping.for_good', ['title' => $item->title]));
    }
}
