<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Models\Item;
use App\View\Desks\Foot;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What is around the sheet again, since something was saved. */
final class FootController extends Controller
{
    /** The foot of the sheet: save line, last sentence, small ribbon. */
    public function show(Item $item, Foot $foot): View
    {
        Gate::authorize('draft', $item);

        return view('write.foot', ['item' => $item, ...$foot->of($item)]);
    }

    /** The notes beside the sheet: what is held back. */
    public function notes(Request $request, Item $item): View
    {
        Gate::authorize('draft', $item);

        return view('write.notes', ['item' => $item, 'held' => Foot::held($item, $this->person($request))]);
    }
}
