<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ChosenParts;
use App\Http\Controller;
use App\Http\HiddenFields;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\Version;
use App\Restoring\RestoreVersion;
use App\Store\States;
use App\View\Comparison;
use App\View\OtherItems;
use App\View\Past;
use App\View\Phrases;
use App\View\Plans\RestorePlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kinds;

/** The plan of a restore, and how the item will be by it. Nothing is written. */
final class RestorePlanController extends Controller
{
    public function show(Request $request, Item $item, int $number, States $states, Phrases $phrases, OtherItems $others): View
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

    /** How it will be, if what is ticked comes back. */
    public function seen(
        RestoreRequest $request,
        Item $item,
        int $number,
        HowItWillBe $page,
        RestoreVersion $restore,
        TickedLines $ticked,
    ): Response|RedirectResponse {
        $sent = $request->validated();
        if ($item->head !== (int) $sent['seen']) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __('history.moved_on')]);
        }
        [$version, $newest, $person] = [$this->version($item, $number), $this->version($item, $item->head), $this->person($request)];
        $becomes = fn (States $states): Version => $restore->becomes(
            $states,
            $item,
            $version,
            $person,
            $ticked->of($sent, $version, $newest, $states),
        );

        return $page->show($request, $item, $person, $newest, $becomes, [
            'said' => (string) __('history.will_be_restored', [
                'now' => (string) $newest->number,
                'next' => (string) ($newest->number + 1),
                'number' => (string) $number,
            ]),
            'note' => ($sent['data'] ?? []) === [] ? null : (string) __('history.data_not_shown'),
            'plan' => route('restore', [$item, $number]),
            'seen' => route('restore.seen', [$item, $number], false),
            'store' => route('restore.store', [$item, $number]),
            'do' => (string) __('history.restore_so'),
            'hidden' => HiddenFields::of(array_intersect_key($sent, array_flip(['seen', 'lines', 'pick', 'data_seen', 'data', 'stop']))),
        ]) ?? abort(404);
    }
}
