<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\ItemRequest;

/** A version in words, beside an earlier one, and those around it. */
final class LineRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['since' => ['nullable', 'integer', 'min:1', 'max:999999999'], 'reach' => ['nullable', 'integer', 'min:0', 'max:12']];
    }
}
