<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\KeepingRule;
use App\Models\Shelf;
use App\Models\User;
use App\Words\Numbers;
use App\Words\Ways;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Keeping\KeepingRules;
use MistyAttic\Core\History\Keeping\Pace;
use MistyAttic\Core\History\Keeping\Step;
use MistyAttic\Core\History\Sittings;

/**
 * What is kept, in four sentences: how soon a version is left behind, how long everything stays, how it thins then, how many stay at most
 * and in how many bytes. A shelf says what differs from the place, an item what differs from its shelf. As it is made, a place keeps every
 * version for ever.
 *
 * @phpstan-type Values array{leave: int, every: int|null, then: list<array{string, int|null}>, most: int|null, bytes: int|null}
 */
final readonly class WhatIsKept
{
    /** One version a sitting, and one a publishing. */
    public const SITTING = -1;

    public const PUBLISHING = -2;

    /** Seconds after which a version is left behind, and those two. */
    public const LEAVE = [0, 60, 300, 900, 3600, self::SITTING, self::PUBLISHING];

    /** Days. */
    public const DAYS = [1, 7, 30, 90, 180, 365, 730];

    public const MOST = [10, 50, 100, 200, 500, 1000, 5000];

    /** Of the states of one item, as they lie in the file. */
    public const BYTES = [100_000, 1_000_000, 10_000_000, 100_000_000, 1_000_000_000];

    /**
     * @param  Values  $values  seconds; days, or null for ever; paces with their days; versions
     * @param  array<string, mixed>  $own  what is said here
     */
    private function __construct(public array $values, public array $own) {}

    public static function place(): self
    {
        return self::of(null, null);
    }

    public static function shelf(Shelf $shelf): self
    {
        return self::of($shelf->id, null);
    }

    public static function item(Item $item): self
    {
        return self::of($item->shelf_id, $item->id);
    }

    /**
     * As it would be, with other values.
     *
     * @param  Values  $values
     */
    public function tried(array $values): self
    {
        return new self($values, $this->own);
    }

    private static function of(?int $shelf, ?int $item): self
    {
        $rows = DB::table('keeping_rules')
            ->where(
                fn ($query) => $query
                    ->where(fn ($place) => $place->whereNull('shelf_id')->whereNull('item_id'))
                    ->when($shelf, fn ($query) => $query->orWhere('shelf_id', $shelf))
                    ->when($item, fn ($query) => $query->orWhere('item_id', $item)),
            )
            ->get(['shelf_id', 'item_id', 'rules'])
            ->sortBy(fn (\stdClass $row) => [$row->shelf_id !== null || $row->item_id !== null, $row->item_id !== null]);
        $values = ['leave' => (int) config('attic.checkpoint'), 'every' => null, 'then' => [], 'most' => null, 'bytes' => null];
        $own = [];
        foreach ($rows as $row) {
            $said = array_intersect_key((array) json_decode((string) $row->rules, true), $values);
            $values = [...$values, ...$said];
            $own = (int) $row->shelf_id === (int) ($item === null ? $shelf : 0) && (int) $row->item_id === (int) $item ? $said : $own;
        }

        /** @var Values $values */
        return new self($values, $own);
    }

    /**
     * Says what holds from now on; what is the same as above it goes without saying.
     *
     * @param  Values  $values
     */
    public static function say(User $person, array $values, ?Shelf $shelf = null, ?Item $item = null): void
    {
        $above = $item !== null
            ? self::shelf($item->shelf)
            : ($shelf !== null
                ? self::place()
                : new self(
                    ['leave' => (int) config('attic.checkpoint'), 'every' => null, 'then' => [], 'most' => null, 'bytes' => null],
                    [],
                ));
        $own = array_filter($values, fn (mixed $value, string $name) => $value !== $above->values[$name], ARRAY_FILTER_USE_BOTH);
        $at = ['shelf_id' => $item === null ? $shelf?->id : null, 'item_id' => $item?->id];
        DB::transaction(function () use ($at, $own, $person): void {
            KeepingRule::query()->where($at)->delete();
            $own === [] || KeepingRule::query()->create([...$at, 'rules' => $own, 'user_id' => $person->id, 'changed_at' => now()]);
        });
    }

    /** The same for a log, which others read. */
    public function noted(): string
    {
        return Ways::kept(fn (): string => $this->said());
    }

    /** In words: “Leave a version behind after one minute without typing. Keep everything for 30 days, …” */
    public function said(): string
    {
        $values = $this->values;
        $keep = $values['every'] === null
            ? [(string) __('keeping.rule.everything')]
            : [
                (string) __('keeping.rule.every', ['days' => self::days($values['every'])]),
                ...array_map(
                    fn (array $step): string => (string) __('keeping.rule.then', [
                        'pace' => (string) __("keeping.paces.{$step[0]}"),
                        'days' => self::days($step[1]),
                    ]),
                    $values['then'],
                ),
            ];

        return implode(' ', array_filter([
            (string) __('keeping.rule.leave', ['after' => self::leave($values['leave'])]),
            implode(', ', $keep).'.',
            $values['most'] === null ? '' : (string) __('keeping.rule.most', ['most' => Numbers::said($values['most'])]),
            $values['bytes'] === null ? '' : (string) __('keeping.rule.bytes', ['bytes' => Numbers::bytes($values['bytes'])]),
        ]));
    }

    public static function leave(int $seconds): string
    {
        return (string) (__('keeping.leave')[$seconds]
            ?? trans_choice('keeping.so_many_seconds', $seconds, ['count' => (string) $seconds]));
    }

    public static function days(?int $days): string
    {
        return $days === null
            ? (string) __('keeping.ever')
            : (string) (__('keeping.days')[$days] ?? trans_choice('keeping.so_many_days', $days, ['count' => (string) $days]));
    }

    /**
     * Whether a version still grows by what its editor goes on with. A milestone, a publishing and somebody else's writing end it in any
     * case.
     *
     * @param  CarbonImmutable  $started  when it was begun
     * @param  CarbonImmutable  $saved  when it was saved last
     */
    public function grows(CarbonImmutable $started, CarbonImmutable $saved): bool
    {
        return match ($this->values['leave']) {
            self::PUBLISHING => true,
            self::SITTING => $saved->diffInSeconds(now(), true) < Sittings::PAUSE,
            default => $started->diffInSeconds(now(), true) < $this->values['leave'],
        };
    }

    /** Whether anything ever goes by them. */
    public function thins(): bool
    {
        return $this->values['every'] !== null || $this->values['most'] !== null || $this->values['bytes'] !== null;
    }

    public function core(): KeepingRules
    {
        $steps = [new Step($this->values['every'], Pace::Every)];
        foreach ($this->values['every'] === null ? [] : $this->values['then'] as [$pace, $days]) {
            $steps[] = new Step($days, Pace::from($pace));
        }

        return new KeepingRules($steps, $this->values['most']);
    }
}
