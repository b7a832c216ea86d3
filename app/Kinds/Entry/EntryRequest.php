<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;

/** Changed answers of an entry. */
final class EntryRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'base' => ['required', 'string', 'size:40'],
            'a' => ['nullable', 'array', 'max:500'],
            'shown' => ['nullable', 'array', 'max:500'],
            'shown.*' => ['string', 'max:24'],
            'proposal' => ['nullable', 'integer'],
        ];
    }
}
