<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Words\When;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;

/** To the version that was the newest on a day, at an hour, or before a milestone. */
final class MomentController extends Controller
{
    /** The last version of whoever asks, so that what follows is by others. */
    private const MINE = 'mine';

    public function __invoke(MomentRequest $request, Item $item): RedirectResponse
    {
        $text = (string) $request->validated('when');
        $zone = $request->zone();
        $stretch = $text === self::MINE ? null : When::range($text, $zone, now()->toImmutable());
        if ($stretch !== null) {
            return $this->stretch($item, $text, ...$stretch);
        }
        $moment = $text === self::MINE ? null : When::read($text, $zone, now()->toImmutable());
        $sought = new SoughtVersion($item);
        $number = match (true) {
            $text === self::MINE => $sought->lastOf($this->person($request)),
            $moment === null => $sought->named($text),
            default => $sought->at($moment),
        };
        $to = (int) ($request->validated('to') ?? $item->head);
        if ($number === null) {
            return redirect()
                ->back(fallback: route('history', $item))
                ->withErrors(['when' => __('day.not_a_time', ['text' => $text])])
                ->withInput();
        }
        $first = $sought->first();
        $number = $sought->seen($number);
        $ends = $number > $to ? ['from' => $to, 'to' => $number] : ['from' => max($first, $number), 'to' => max($to, $first)];

        return redirect()
            ->route(
                'history',
                array_filter([
                    'item' => $item,
                    ...$ends,
                    'view' => $request->validated('view') === 'changed' ? null : $request->validated('view'),
                ]),
            )
            ->with($moment !== null && $number < $first ? ['said' => __('day.before_all')] : []);
    }

    /** Both ends go to a stretch: to what stood before it, and to what stood when it ended. */
    private function stretch(Item $item, string $text, CarbonImmutable $from, CarbonImmutable $to): RedirectResponse
    {
        $sought = new SoughtVersion($item);
        [$before, $last] = array_map(fn (CarbonImmutable $moment): int => $sought->seen($sought->at($moment)), [$from, $to]);
        $first = $sought->first();

        return redirect()->route('history', ['item' => $item, 'from' => max($first, $before), 'to' => max($first, $last)])
            ->with($before === $last ? ['said' => __('day.nothing_in', ['text' => $text])] : []);
    }
}
