<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Shelf\ShelfRequest;
use App\Making\Offered;
use Illuminate\Validation\Rule;

/** The kinds of which a history is kept; those that are not named have none. */
final class KeepKindsRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['kinds' => ['nullable', 'array'], 'kinds.*' => [Rule::in(Offered::kinds())]];
    }

    /** @return list<string> */
    public function off(): array
    {
        return array_values(array_diff(Offered::kinds(), (array) $this->validated('kinds', [])));
    }
}
