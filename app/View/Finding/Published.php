<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Publishing;
use App\Models\PublishingState;
use App\Store\Lives\Life;
use Carbon\CarbonImmutable;

/**
 * What readers find of items of which they see only what was published: a text came with the first published version that has it, and went
 * with the first one after that has not.
 */
final class Published
{
    /** @var array<int, array<int, CarbonImmutable>> item => number of a version that was published => when it was so first; ascending */
    private array $versions = [];

    /** @var array<int, int> item => the version that is live */
    private array $live = [];

    /** @param list<int> $items ids */
    public function __construct(array $items)
    {
        foreach (
            $items === []
                ? []
                : Publishing::query()
                    ->with('version:id,number')
                    ->whereIn('item_id', $items)
                    ->where('state', PublishingState::Published)
                    ->orderBy('count')
                    ->get() as $publishing
        ) {
            $this->versions[$publishing->item_id][$publishing->version->number] ??= $publishing->decided_at ?? $publishing->asked_at;
            if ($publishing->ended_at === null) {
                $this->live[$publishing->item_id] = $publishing->version->number;
            }
        }
        array_walk($this->versions, fn (array &$of) => ksort($of));
    }

    public function has(int $item): bool
    {
        return isset($this->versions[$item]);
    }

    /** When a version was published first. */
    public function at(int $item, ?int $number): ?CarbonImmutable
    {
        return $number === null ? null : $this->versions[$item][$number] ?? null;
    }

    /** The life of a text as readers saw it; null when they never did. */
    public function life(Life $life): ?Life
    {
        $gone = $life->gone ?? PHP_INT_MAX;
        $numbers = array_keys($this->versions[$life->item] ?? []);
        $seen = array_values(array_filter($numbers, fn (int $number) => $number >= $life->from && $number < $gone));
        if ($seen === []) {
            return null;
        }
        $after = array_values(array_filter($numbers, fn (int $number) => $number >= $gone));
        $live = $this->live[$life->item] ?? 0;

        return $life->between($seen[0], in_array($live, $seen, true) ? null : $after[0] ?? $numbers[count($numbers) - 1]);
    }
}
