<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ChosenParts;
use App\Http\Controller;
use App\Models\Item;
use App\Models\Milestone;
use App\Store\States;
use App\View\Comparison;
use App\View\OtherItems;
use App\View\Past;
use App\View\Phrases;
use App\View\Plans\RestorePlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kinds;

/** The plan of a restore. Nothing is written. */
final class RestorePlanController extends Controller
{
    public function __invoke(Request $request, Item $item, int $number, States $states, Phrases $phrases, OtherItems $others): View
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        $chosen = ChosenParts::of($request);
        $since = new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true);
        $past = $item->room(Past::class);
        $plan = new RestorePlan(
            $since,
            Kinds::named($item->kind),
            array_values(
                array_map(
                    intval(...),
                    $item->versions()->whereIn('number', RestorePlan::around($number, $item->head))->pluck('number')->all(),
                ),
            ),
            $chosen !== [] || ! $request->filled('part') ? $chosen : [$request->string('part')->toString()],
            $chosen !== [],
        );
        $live = $item->isPublishable() ? $item->load('live.version')->live : null;

        return view('restore', [
            'item' => $item,
            'version' => $version,
            'phrases' => $phrases,
            'live' => $live,
            'mayPublish' => $live !== null && Gate::allows('publishNow', [$item, $version->number]),
            'source' => $item->follows() && $others->tellsOf($item->source) ? $item->source : null,
            'waits' => $item->shelf->wantsYesOf($this->person($request), $item),
            'plan' => $plan,
            'asides' => $past->asides($item, $plan->comesBack + $plan->goesAway, 'in_sight'),
            'data' => null,
            ...$past->plan($item, $version, $this->person($request), $phrases),
            'milestones' => Milestone::query()->where('item_id', $item->id)->count(),
        ]);
    }
}
