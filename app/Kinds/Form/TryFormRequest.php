<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\ItemRequest;

/** Answers to a form that is tried out. */
final class TryFormRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'a' => ['nullable', 'array', 'max:500'],
            'seen' => ['nullable', 'array', 'max:500'],
            'seen.*' => ['string', 'max:24'],
            'to' => ['nullable', 'string', 'max:24'],
        ];
    }
}
