<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\InZone;
use App\Http\ItemRequest;

/** A day or hour as people write it, or the name of a milestone, to which the earlier end of a history goes. */
final class MomentRequest extends ItemRequest
{
    use InZone;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'when' => ['required', 'string', 'max:200'],
            'zone' => ['nullable', 'timezone:all'],
            'to' => ['nullable', 'integer', 'min:1', 'max:999999999'],
            'view' => ['nullable', 'in:was,changed,who'],
        ];
    }
}
