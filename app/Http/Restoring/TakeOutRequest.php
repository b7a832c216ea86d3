<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ItemRequest;

/** Edits that are taken out: by whom, between which versions, and of which tab. */
final class TakeOutRequest extends ItemRequest
{
    protected const RIGHT = 'restore';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'from' => ['required', 'integer', 'min:0'], 'to' => ['required', 'integer', 'min:1'], 'by' => ['required', 'integer'], 'tab' => ['nullable', 'string', 'max:24'],
            'seen' => [$this->isMethod('post') ? 'required' : 'nullable', 'integer', 'min:1'],
            'lines' => ['sometimes', 'integer', 'min:1'], 'pick' => ['required_with:lines', 'array', 'min:1'], 'pick.*' => ['integer', 'min:0'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['pick' => (string) __('history.nothing_ticked')];
    }
}
