<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\ItemRequest;

/** Versions that somebody wants to go for good, from one number to another, and why. */
final class DeleteVersionsRequest extends ItemRequest
{
    protected const RIGHT = 'keep';

    /** Versions that go at once. */
    private const MOST = 5_000;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'from' => ['required', 'integer', 'min:1', 'max:999999999'],
            'to' => ['required', 'integer', 'gte:from', 'max:999999999'],
            'reason' => ['required', 'string', 'max:300'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['reason.required' => __('keeping.reason_needed')];
    }

    /** @return list<int> */
    public function numbers(): array
    {
        return range($this->integer('from'), min($this->integer('to'), $this->integer('from') + self::MOST, $this->item()->head));
    }
}
