<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Past\SayItWasMeant;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class UnusualController extends Controller
{
    public function store(Request $request, Item $item, int $number, SayItWasMeant $meant): RedirectResponse
    {
        Gate::authorize('write', $item);
        $meant->handle($this->version($item, $number), $this->person($request));

        return redirect()->back(fallback: route('history', $item))->with('said', __('item.meant', ['number' => (string) $number]));
    }
}
