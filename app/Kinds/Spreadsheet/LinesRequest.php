<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Http\ItemRequest;

/** Where in a table to go on. */
final class LinesRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['start' => ['required', 'integer', 'min:0', 'max:1000000']];
    }
}
