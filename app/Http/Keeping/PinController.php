<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Models\Item;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Pins a version, so that no rule lets it go, or takes the pin off. */
final class PinController extends Controller
{
    public function __invoke(Request $request, Item $item, int $number): RedirectResponse
    {
        Gate::authorize('write', $item);
        $version = $this->version($item, $number);
        $pin = $request->boolean('pin');
        $version->forceFill(['pinned_by' => $pin ? $this->person($request)->id : null])->save();

        return redirect()
            ->back(fallback: route('list', $item))
            ->with('said', __($pin ? 'keeping.pinned' : 'keeping.unpinned', ['number' => (string) $number]));
    }
}
