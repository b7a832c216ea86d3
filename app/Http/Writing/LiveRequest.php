<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\ItemRequest;

/** A window that asks what others did, and says where its person is. */
final class LiveRequest extends ItemRequest
{
    protected const RIGHT = 'draft';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'client' => ['required', 'string', 'max:40'],
            'part' => ['nullable', 'string', 'max:49'],
            'root' => ['nullable', 'string', 'max:40'],
        ];
    }
}
