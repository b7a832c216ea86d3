<?php

declare(strict_types=1);

namespace App\Http\Making;

use App\Http\ItemRequest;

/** A copy of a version: what it is called, and the shelf that it goes to. */
final class CopyOutRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:'.config('attic.title')],
            'shelf' => ['required', 'string', 'max:40'],
            'tab' => ['nullable', 'string', 'max:24'],
            'talk' => ['nullable', 'in:open,all'],
            'history' => ['nullable', 'boolean'],
            'proposals' => ['nullable', 'boolean'],
        ];
    }
}
