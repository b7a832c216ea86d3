<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\User;
use App\Store\AtMoment;
use App\Words\When;
use DateTimeZone;
use Illuminate\Http\RedirectResponse;

/** To the version that was the newest on a day, at an hour, or before a milestone. */
final class MomentController extends Controller
{
    /** The last version of whoever asks, so that what follows is by others. */
    private const MINE = 'mine';

    public function __invoke(MomentRequest $request, Item $item): RedirectResponse
    {
        $text = (string) $request->validated('when');
        $moment = $text === self::MINE ? null : When::read($text, new DateTimeZone((string) ($request->validated('zone') ?? 'UTC')), now()->toImmutable());
        $number = $text === self::MINE ? $this->mine($item, $this->person($request)) : ($moment === null ? $this->named($item, $text) : AtMoment::numbers([$item->id], $moment)[$item->id] ?? 0);
        $to = (int) ($request->validated('to') ?? $item->head);
        if ($number === null) {
            return redirect()->back(fallback: route('history', $item))->withErrors(['when' => __('day.not_a_time', ['text' => $text])])->withInput();
        }
        $first = (int) ($item->sight === null ? $item->versions()->min('number') : $item->sight->numbers[0] ?? $item->head);
        // Readers come to what was published by then.
        $number = $item->sight === null ? $number : max([0, ...array_filter($item->sight->numbers ?? [], fn (int $seen) => $seen <= $number)]);
        $ends = $number > $to ? ['from' => $to, 'to' => $number] : ['from' => max($first, $number), 'to' => max($to, $first)];

        return redirect()->route('history', array_filter(['item' => $item, ...$ends, 'view' => $request->validated('view') === 'changed' ? null : $request->validated('view')]))->with($moment !== null && $number < $first ? ['said' => __('day.before_all')] : []);
    }

    /** The version of the milestone that is called so, or the one before it. */
    private function named(Item $item, string $text): ?int
    {
        $isBefore = preg_match('/^\s*before\b/i', $text) === 1;
        $name = When::milestone($text);
        $found = $name === '' ? null : Milestone::query()->with('version')->where('item_id', $item->id)->whereRaw("name LIKE ? ESCAPE '\\'", [$name])->get()
            ->filter(fn (Milestone $milestone) => $item->sight === null || $item->sight->sees($milestone->version->number))->sortByDesc('version.number')->first();

        return $found === null ? null : ($isBefore ? $item->before($found->version->number) : $found->version->number);
    }

    /** Where somebody left off; the first version for who never wrote in it. */
    private function mine(Item $item, User $person): int
    {
        return (int) ($item->sight === null ? $item->versions()->where('user_id', $person->id)->max('number') : 0);
    }
}
