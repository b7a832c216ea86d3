<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;

/** Changes to entries that are said yes to together. */
final class AgreeTogetherRequest extends ItemRequest
{
    protected const RIGHT = 'entries';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['proposals' => ['required', 'array', 'max:500'], 'proposals.*' => ['integer']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['proposals.required' => (string) __('agreeing.none')];
    }
}
