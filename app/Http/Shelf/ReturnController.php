<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Models\Shelf;
use App\Models\ShelfReturn;
use App\Restoring\BringShelfBack;
use App\Store\States;
use App\View\Phrases;
use App\View\Plans\ShelfPlan;
use App\Words\Clock;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Bringing several items of a shelf back to one moment, by a plan, and taking that back. */
final class ReturnController extends Controller
{
    public function __construct(private readonly States $states, private readonly Phrases $phrases) {}

    public function show(ReturnRequest $request, Shelf $shelf): View|RedirectResponse
    {
        $shelf->load('memberships.user');
        $plan = new ShelfPlan($shelf, $this->person($request), $request->moment(), $request->keys(), $this->states, $this->phrases);
        if ($plan->items === []) {
            return $this->day($request, $shelf)->withErrors(['items' => __('day.nothing_ticked')]);
        }

        return view('shelf-return', ['shelf' => $shelf, 'plan' => $plan, 'left' => max(0, count($request->keys()) - ShelfPlan::MOST)]);
    }

    public function store(ReturnRequest $request, Shelf $shelf, BringShelfBack $bring): RedirectResponse
    {
        $wanted = $request->wanted();
        $shelf->load('memberships.user');
        $plan = new ShelfPlan($shelf, $this->person($request), $request->moment(), array_keys($wanted), $this->states, $this->phrases);
        [$restored, $found, $removed] = [[], [], []];
        foreach ($wanted as $key => $of) {
            $one = $plan->items[$key] ?? null;
            if ($one === null || $one['seen'] !== $of['seen'] || $one['isLost'] !== $of['lost']) {
                return $this->again($request, $shelf, __('day.moved_on'));
            }
            abort_if($one['refused'] !== null, 403, (string) $one['refused']);
            $one['isLost'] && $one['then'] !== null && $found[] = $one['item'];
            $one['then'] === null && $removed[] = $one['item'];
            $picked = $plan->picked($key, $of['pick']);
            if ($one['then'] !== null && $one['plan'] !== null && $picked !== []) {
                $restored[] = ['item' => $one['item'], 'version' => $one['then'], 'seen' => $one['seen'], 'picked' => $picked];
            }
        }
        if ($restored === [] && $found === [] && $removed === []) {
            return $this->again($request, $shelf, __('day.nothing_ticked'));
        }
        $return = $bring->handle($shelf, $this->person($request), $request->moment(), $restored, $found, $removed);

        return $return === null
            ? $this->again($request, $shelf, __('day.moved_on'))
            : $this->day($request, $shelf)->with(
                'said',
                trans_choice('day.returned', count($return->items()), ['count' => (string) count($return->items())]),
            );
    }

    public function undo(Request $request, Shelf $shelf, ShelfReturn $return, BringShelfBack $bring): RedirectResponse
    {
        Gate::authorize('make', $shelf);
        abort_unless($return->shelf_id === $shelf->id, 404);
        foreach ($return->undone_at === null ? $return->rightsToUndo() : [] as [$right, $item]) {
            Gate::authorize($right, $item);
        }
        $done = $bring->undo($return, $this->person($request));
        $back = redirect()->route('day', [$shelf, 'at' => Clock::stamp($return->moment)]);

        return $done ? $back->with('said', __('day.undone')) : $back->withErrors(['items' => __('day.written_since')]);
    }

    private function again(ReturnRequest $request, Shelf $shelf, string $why): RedirectResponse
    {
        return redirect()
            ->route('day.back', [$shelf, 'at' => $request->validated('at'), 'items' => array_keys($request->validated('of') ?? [])])
            ->withErrors(['items' => $why]);
    }

    private function day(ReturnRequest $request, Shelf $shelf): RedirectResponse
    {
        return redirect()->route('day', [$shelf, 'at' => $request->validated('at')]);
    }
}
