<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\ItemRequest;

/** Which shelf an item goes to. */
final class MoveRequest extends ItemRequest
{
    protected const RIGHT = 'delete';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['to' => ['required', 'string', 'max:20']];
    }
}
