<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Http\Controller;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Shelf;
use App\Store\States;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;

/** Finding in every version of all that one may see, of a shelf, or of an item. */
final class FindController extends Controller
{
    public function __invoke(FindRequest $request, States $states): View
    {
        $in = $this->in($request);
        $asked = new Asked($request->string('q')->trim()->toString());
        $state = $request->string('state')->toString() ?: 'any';

        return view('find', [
            'q' => $asked->words, 'in' => $in, 'kinds' => [...Offered::kinds(), 'entry'], 'state' => $state,
            'finds' => new Finds($this->person($request), $asked, $in, $state, $request->string('kind')->toString(), $states, max(1, $request->integer('page', 1))), 'page' => max(1, $request->integer('page', 1)),
        ]);
    }

    private function in(FindRequest $request): Item|Shelf|null
    {
        $item = $request->filled('item') ? (new Item)->resolveRouteBinding($request->string('item')->toString()) ?? abort(404) : null;
        $shelf = $item === null && $request->filled('shelf') ? Shelf::query()->where('key', $request->string('shelf')->toString())->firstOrFail() : null;
        $item === null || Gate::authorize('view', $item);
        $shelf === null || Gate::authorize('view', $shelf);

        return $item ?? $shelf;
    }
}
