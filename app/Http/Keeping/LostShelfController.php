<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Keeping\DeleteForGood;
use App\Keeping\DeleteShelf;
use App\Models\Shelf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** A shelf that is deleted: to Lost & found, back from there, or for good. */
final class LostShelfController extends Controller
{
    public function ask(Shelf $shelf): View
    {
        Gate::authorize('manage', $shelf);

        return view('shelf-delete', [
            'shelf' => $shelf,
            'items' => $shelf->items()->count(),
            'public' => $shelf->items()->where('is_public', true)->whereNotNull('live_id')->orderBy('title')->pluck('title'),
        ]);
    }

    public function destroy(Request $request, Shelf $shelf, DeleteShelf $delete): RedirectResponse
    {
        Gate::authorize('manage', $shelf);
        $delete->handle($shelf, $this->person($request), false);

        return redirect()->route('lost.all')->with('said', __('keeping.shelf_deleted', ['shelf' => $shelf->name]));
    }

    public function back(Request $request, Shelf $shelf, DeleteShelf $delete): RedirectResponse
    {
        Gate::authorize('bringBack', $shelf);
        $delete->handle($shelf, $this->person($request), true);

        return redirect()->route('shelf', $shelf)->with('said', __('keeping.shelf_back', ['shelf' => $shelf->name]));
    }

    public function askForGood(Shelf $shelf): View
    {
        Gate::authorize('bringBack', $shelf);

        return view('shelf-for-good', ['shelf' => $shelf, 'items' => $shelf->items()->count(), 'lost' => $shelf->lost()->count()]);
    }

    public function forGood(ShelfForGoodRequest $request, Shelf $shelf, DeleteForGood $delete): RedirectResponse
    {
        $delete->shelf($shelf, $this->person($request));

        return redirect()->route('lost.all')->with('said', __('keeping.for_good', ['title' => $shelf->name]));
    }
}
