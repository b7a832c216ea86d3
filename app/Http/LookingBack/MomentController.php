<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\User;
use App\Store\AtMoment;
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
        $number = $text === self::MINE
            ? $this->mine($item, $this->person($request))
            : ($moment === null
                ? $this->named($item, $text)
                : AtMoment::numbers([$item->id], $moment)[$item->id] ?? 0);
        $to = (int) ($request->validated('to') ?? $item->head);
        if ($number === null) {
            return redirect()
                ->back(fallback: route('history', $item))
                ->withErrors(['when' => __('day.not_a_time', ['text' => $text])])
                ->withInput();
        }
        $first = $this->first($item);
        $number = $this->seen($item, $number);
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
        [$before, $last] = array_map(
            fn (CarbonImmutable $moment): int => $this->seen($item, AtMoment::numbers([$item->id], $moment)[$item->id] ?? 0),
            [$from, $to],
        );
        $first = $this->first($item);

        return redirect()->route('history', ['item' => $item, 'from' => max($first, $before), 'to' => max($first, $last)])
            ->with($before === $last ? ['said' => __('day.nothing_in', ['text' => $text])] : []);
    }

    private function first(Item $item): int
    {
        return (int) ($item->sight === null ? $item->versions()->min('number') : $item->sight->numbers[0] ?? $item->head);
    }

    /** Readers come to what was published by then. */
    private function seen(Item $item, int $number): int
    {
        return $item->sight === null ? $number : max([0, ...array_filter($item->sight->numbers ?? [], fn (int $seen) => $seen <= $number)]);
    }

    /** The version of the milestone that is called so, or the one before it. */
    private function named(Item $item, string $text): ?int
    {
        $isBefore = preg_match('/^\s*before\b/i', $text) === 1;
        $name = When::milestone($text);
        $found = $name === ''
            ? null
            : Milestone::query()
                ->with('version')
                ->where('item_id', $item->id)
                ->whereRaw("name LIKE ? ESCAPE '\\'", [$name])
                ->get()
                ->filter(fn (Milestone $milestone) => $item->sight === null || $item->sight->sees($milestone->version->number))
                ->sortByDesc('version.number')
                ->first();

        return $found === null ? null : ($isBefore ? $item->before($found->version->number) : $found->version->number);
    }

    /** Where somebody left off; the first version for who never wrote in it. */
    private function mine(Item $item, User $person): int
    {
        return (int) ($item->sight === null ? $item->versions()->where('user_id', $person->id)->max('number') : 0);
    }
}
