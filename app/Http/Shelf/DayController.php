<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\Controller;
use App\Models\Shelf;
use App\Models\ShelfMilestone;
use App\Models\ShelfReturn;
use App\View\Shelf\OnADay;
use App\View\Shelf\ShelfRibbon;
use App\Words\Clock;
use App\Words\When;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** A shelf as it was on a day, held against now or another day. */
final class DayController extends Controller
{
    public function show(DayRequest $request, Shelf $shelf): View|RedirectResponse
    {
        if ($request->filled('when')) {
            return $this->sought($request, $shelf);
        }
        $shelf->load('memberships.user');

        $day = new OnADay($shelf, $this->person($request), $request->moment(), $request->until(), (int) ($request->validated('page') ?? 1));

        return view('shelf-day', [
            'shelf' => $shelf,
            'day' => $day,
            'mayTick' => $day->until === null && Gate::allows('make', $shelf),
            'return' => ShelfReturn::query()
                ->with('user')
                ->where('shelf_id', $shelf->id)
                ->whereNull('undone_at')
                ->where('made_at', '>', now()->subDay())
                ->latest('id')
                ->first(),
        ]);
    }

    public function ribbon(Request $request, Shelf $shelf, ShelfRibbon $ribbon): JsonResponse
    {
        Gate::authorize('view', $shelf);

        return response()->json($ribbon->of($shelf, $this->person($request)));
    }

    /** From a moment as people write it to its address. */
    private function sought(DayRequest $request, Shelf $shelf): RedirectResponse
    {
        $zone = $request->zone();
        $until = (string) $request->validated('then');
        [$at, $then] = [
            $this->moment($shelf, (string) $request->validated('when'), $zone),
            $until === '' || mb_strtolower(trim($until)) === 'now' ? null : $this->moment($shelf, $until, $zone),
        ];
        $unread = array_filter([
            $at === null ? $request->validated('when') : null,
            $then === null && $until !== '' && mb_strtolower(trim($until)) !== 'now' ? $until : null,
        ]);
        if ($unread !== []) {
            return redirect()
                ->route('day', array_filter(['shelf' => $shelf, 'at' => $request->validated('at')]))
                ->withErrors(['when' => __('day.not_a_time', ['text' => (string) reset($unread)])])
                ->withInput();
        }

        return redirect()->route('day', self::address($shelf, $at ?? now()->toImmutable(), $then));
    }

    /** A day or hour, or the milestone of the shelf that is called so. */
    private function moment(Shelf $shelf, string $text, DateTimeZone $zone): ?CarbonImmutable
    {
        $name = When::milestone($text);

        return When::read($text, $zone, now()->toImmutable())
            ?? ($name === ''
                ? null
                : ShelfMilestone::query()
                    ->where('shelf_id', $shelf->id)
                    ->whereRaw("name LIKE ? ESCAPE '\\'", [$name])
                    ->orderByDesc('at')
                    ->first()?->at);
    }

    /** @return array<string, mixed> what the address of a moment is made of */
    public static function address(Shelf $shelf, CarbonImmutable $moment, ?CarbonImmutable $until = null): array
    {
        return array_filter([
            'shelf' => $shelf,
            'at' => Clock::stamp($moment),
            'until' => $until === null ? null : Clock::stamp($until),
        ]);
    }
}
