<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\ItemRequest;

/** The name of a version, and a note. */
final class MilestoneRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:'.config('attic.title')],
            'note' => ['nullable', 'string', 'max:'.config('attic.note')],
        ];
    }
}
