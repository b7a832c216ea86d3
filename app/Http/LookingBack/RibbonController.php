<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use App\View\Phrases;
use App\View\RibbonData;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;

/** All versions of an item on their ribbon, and each of them in words. */
final class RibbonController extends Controller
{
    public function __construct(private readonly States $states) {}

    public function show(Item $item, RibbonData $ribbon): JsonResponse
    {
        Gate::authorize('view', $item);

        return response()->json($ribbon->of($item));
    }

    /** One version in words, for the ribbon's hint. */
    public function line(LineRequest $request, Item $item, int $number, Phrases $phrases): JsonResponse
    {
        $since = (int) $request->validated('since');
        $version = $this->version($item, $number)->load($item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : []);
        $item->load('origin.item');

        return response()->json(['sentence' => $since > 0 && $since < $number ? $phrases->between($this->version($item, $since), $version, $this->states) : $phrases->seen($item, $version), 'by' => $version->user->firstName(), 'note' => $item->sight === null ? $version->note : null]);
    }
}
