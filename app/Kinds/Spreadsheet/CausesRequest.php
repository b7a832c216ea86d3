<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\ItemRequest;

/** Two versions between which a result moved. */
final class CausesRequest extends ItemRequest
{
    protected const RIGHT = 'draft';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['from' => ['required', 'integer', 'min:1'], 'to' => ['required', 'integer', 'min:1']];
    }
}
