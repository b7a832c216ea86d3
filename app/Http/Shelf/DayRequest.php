<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\InZone;
use Carbon\CarbonImmutable;

/** A moment of a shelf, and another one that it is held against. */
final class DayRequest extends ShelfRequest
{
    use InZone;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'at' => ['nullable', 'date_format:Y-m-d\TH:i:s\Z'],
            'until' => ['nullable', 'date_format:Y-m-d\TH:i:s\Z'],
            'when' => ['nullable', 'string', 'max:200'],
            'then' => ['nullable', 'string', 'max:200'],
            'zone' => ['nullable', 'timezone:all'],
            'page' => ['nullable', 'integer', 'min:1', 'max:1000'],
        ];
    }

    /** A week ago if nothing is said; never in the future. */
    public function moment(): CarbonImmutable
    {
        return $this->at('at') ?? CarbonImmutable::now('UTC')->subWeek();
    }

    /** Null for now. */
    public function until(): ?CarbonImmutable
    {
        $until = $this->at('until');

        return $until === null || $until->greaterThan(CarbonImmutable::now()->subMinute()) || $until->lessThanOrEqualTo($this->moment())
            ? null
            : $until;
    }

    private function at(string $name): ?CarbonImmutable
    {
        $sent = $this->validated($name);

        return is_string($sent) ? CarbonImmutable::parse($sent, 'UTC')->min(CarbonImmutable::now('UTC')) : null;
    }
}
