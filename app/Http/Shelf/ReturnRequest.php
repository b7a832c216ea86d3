<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use Carbon\CarbonImmutable;

/** Which items of a shelf should be brought back to a moment, and what of each. */
final class ReturnRequest extends ShelfRequest
{
    protected const RIGHT = 'make';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'at' => ['required', 'date_format:Y-m-d\TH:i:s\Z'],
            'items' => ['nullable', 'array', 'max:200'],
            'items.*' => ['string', 'max:24'],
            'of' => ['nullable', 'array', 'max:200'],
            'of.*.on' => ['nullable', 'in:1'],
            'of.*.seen' => ['required', 'integer', 'min:1', 'max:999999999'],
            'of.*.lost' => ['required', 'in:0,1'],
            'of.*.pick' => ['nullable', 'array', 'max:500'],
            'of.*.pick.*' => ['integer', 'min:0', 'max:999999'],
        ];
    }

    public function moment(): CarbonImmutable
    {
        return CarbonImmutable::parse((string) $this->validated('at'), 'UTC')->min(CarbonImmutable::now('UTC'));
    }

    /** @return list<string> keys of items */
    public function keys(): array
    {
        return array_values(array_unique(array_map(strval(...), $this->validated('items') ?? [])));
    }

    /** @return array<string, array{seen: int, lost: bool, pick: list<int>}> what is wanted, by key */
    public function wanted(): array
    {
        $wanted = [];
        foreach ($this->validated('of') ?? [] as $key => $of) {
            if (($of['on'] ?? null) === '1') {
                $wanted[(string) $key] = [
                    'seen' => (int) $of['seen'],
                    'lost' => $of['lost'] === '1',
                    'pick' => array_values(array_map(intval(...), $of['pick'] ?? [])),
                ];
            }
        }

        return $wanted;
    }
}
