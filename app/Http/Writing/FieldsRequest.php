<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\ItemRequest;

/** Parts as fields: `parts[id][field]`, the ids of those that go, and where one is added, as `role/parent`. */
final class FieldsRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'string', 'regex:/^[0-9a-f]{40}$/'],
            'parts' => ['nullable', 'array', 'max:2000'],
            'parts.*' => ['array', 'max:40'],
            'parts.*.*' => ['nullable', 'string', 'max:200000'],
            'gone' => ['nullable', 'array', 'max:2000'],
            'gone.*' => ['string', 'max:24'],
            'add' => ['nullable', 'string', 'max:60', 'regex:#^[a-z_]+/[A-Za-z0-9_-]*$#'],
        ];
    }
}
