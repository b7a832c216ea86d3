<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\View\HistoryAddress;
use App\View\HistoryPage;
use App\View\LookedAt;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\History\Sittings;

/** Two versions of an item looked at: the earlier as it was, what changed between them, and who wrote what. */
final class HistoryController extends Controller
{
    public function show(Request $request, Item $item, Phrases $phrases, HistoryPage $page): View
    {
        Gate::authorize('view', $item);
        $address = HistoryAddress::read(
            $request,
            $item,
            fn () => $item->sight === null ? $this->beforeLastSitting($item) : $item->before($item->head),
        );
        $from = $this->version($item, $address->from);
        $to = $address->to === $address->from ? $from : $this->version($item, $address->to);
        $comparison = $item->room(Past::class)->compared($item, $from, $to, $address, $phrases);

        return view(
            'history',
            $page->of(
                new LookedAt($item->load('origin.item', 'live.version'), $this->person($request), $comparison->kind, $comparison, $address),
            ),
        );
    }

    /** The version that the last sitting started from. */
    private function beforeLastSitting(Item $item): int
    {
        $times = DB::table('versions')
            ->where('item_id', $item->id)
            ->orderByDesc('number')
            ->limit(60)
            ->pluck('saved_at', 'number')
            ->reverse();
        $sittings = Sittings::fold(array_values($times->map(fn (string $time) => (int) strtotime($time.' UTC'))->all()));
        $first = $times->keys()[$sittings === [] ? 0 : $sittings[count($sittings) - 1][0]] ?? $item->head;

        return max(1, (int) $first - 1);
    }
}
