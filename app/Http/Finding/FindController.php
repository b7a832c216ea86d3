<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Http\Controller;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Membership;
use App\Models\Shelf;
use App\Models\User;
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
        $asked = new Asked($request->string('q')->trim()->toString());
        $within = $request->within($this->person($request), $this->in($request));

        return view('find', [
            'q' => $asked->words, 'kinds' => [...Offered::kinds(), 'entry'], 'finds' => new Finds($asked, $within, $states, max(1, $request->integer('page', 1))),
            'people' => User::query()->whereIn('id', Membership::query()->whereIn('shelf_id', $this->person($request)->shelves()->select('shelves.id'))->select('user_id'))->orderBy('name')->get(),
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
