<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;

/** Whether the entries of a form have a history. */
final class KeepEntriesRequest extends ItemRequest
{
    protected const RIGHT = 'keepEntries';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['keep' => ['required', 'boolean']];
    }
}
