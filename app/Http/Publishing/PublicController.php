<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\LogLine;
use App\Publishing\OpenToPublic;
use App\Publishing\Unpublish;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Whether the public may read what is live, and taking it offline. */
final class PublicController extends Controller
{
    public function update(Request $request, Item $item, OpenToPublic $open): RedirectResponse
    {
        Gate::authorize('open', $item);
        [$wanted, $earlier] = [$request->boolean('open'), $request->boolean('earlier')];
        $open->handle($item, $wanted, earlier: $earlier);
        LogLine::ofItem($wanted ? 'opened' : 'closed', $this->person($request), $item, ['address' => (string) $item->address]);

        return redirect()->back(fallback: route('item', $item))->with('said', __(match (true) {
            ! $wanted => 'publishing.closed',
            $earlier => 'publishing.earlier_opened',
            default => 'publishing.opened',
        }));
    }

    /** Takes it offline. */
    public function destroy(Request $request, Item $item, Unpublish $unpublish): RedirectResponse
    {
        Gate::authorize('open', $item);
        $unpublish->handle($item, $this->person($request));

        return redirect()->route('shelf', $item->shelf)->with('said', __('publishing.unpublished'));
    }
}
