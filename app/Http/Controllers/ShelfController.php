<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MakeItem;
use App\Models\HeldEdit;
use App\Models\Shelf;
use App\View\Phrases;
use App\View\ShelfView;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class ShelfController extends Controller
{
    public function index(Request $request): RedirectResponse|View
    {
        $first = $this->person($request)->shelves()->first();

        return $first === null ? view('no-shelf') : redirect()->route('shelf', $first);
    }

    public function show(Request $request, Shelf $shelf, Phrases $phrases): View
    {
        Gate::authorize('view', $shelf);

        return view('shelf', [
            'shelf' => $shelf,
            'view' => new ShelfView($shelf),
            'phrases' => $phrases,
            'held' => HeldEdit::query()->waitingFor($this->person($request))->whereIn('item_id', $shelf->items()->select('id'))->with('item', 'met')->orderBy('id')->get(),
        ]);
    }

    public function store(Request $request, Shelf $shelf, MakeItem $make): RedirectResponse
    {
        Gate::authorize('make', $shelf);
        $sent = $request->validate(['title' => ['nullable', 'string', 'max:'.config('attic.title')]]);
        $title = trim((string) ($sent['title'] ?? ''));

        return redirect()->route('item', $make->handle($shelf, $this->person($request), 'document', $title === '' ? __('item.untitled') : $title));
    }
}
