<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Models\Item;
use App\Models\Milestone;
use App\Models\User;
use App\Store\AtMoment;
use App\Words\When;
use Carbon\CarbonImmutable;

/** The version of an item that somebody means: by a moment, by a milestone, or by who wrote it. */
final readonly class SoughtVersion
{
    public function __construct(private Item $item) {}

    /** The newest at that moment; 0 before the first. */
    public function at(CarbonImmutable $moment): int
    {
        return AtMoment::numbers([$this->item->id], $moment)[$this->item->id] ?? 0;
    }

    /** The earliest that may be seen. */
    public function first(): int
    {
        return (int) ($this->item->sight === null ? $this->item->versions()->min('number') : $this->item->sight->numbers[0] ?? $this->item->head);
    }

    /** Readers come to what was published by then. */
    public function seen(int $number): int
    {
        $sight = $this->item->sight;

        return $sight === null ? $number : max([0, ...array_filter($sight->numbers ?? [], fn (int $seen) => $seen <= $number)]);
    }

    /** The version of the milestone that is called so, or the one before it. */
    public function named(string $text): ?int
    {
        $isBefore = preg_match('/^\s*before\b/i', $text) === 1;
        $name = When::milestone($text);
        $found = $name === ''
            ? null
            : Milestone::query()
                ->with('version')
                ->where('item_id', $this->item->id)
                ->whereRaw("name LIKE ? ESCAPE '\\'", [$name])
                ->get()
                ->filter(fn (Milestone $milestone) => $this->item->sight === null || $this->item->sight->sees($milestone->version->number))
                ->sortByDesc('version.number')
                ->first();

        return $found === null ? null : ($isBefore ? $this->item->before($found->version->number) : $found->version->number);
    }

    /** Where somebody left off; the first version for who never wrote in it. */
    public function lastOf(User $person): int
    {
        return (int) ($this->item->sight === null ? $this->item->versions()->where('user_id', $person->id)->max('number') : 0);
    }
}
