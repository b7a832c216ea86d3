<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;

/** Whose changes to the entries of a form, and of which time: days or minutes. */
class EntryChangesRequest extends ItemRequest
{
    protected const RIGHT = 'entries';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'by' => ['nullable', 'integer'],
            'since' => ['nullable', 'regex:/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/', 'date'],
            'until' => ['nullable', 'regex:/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/', 'date'],
        ];
    }
}
