<?php

declare(strict_types=1);

namespace App\Http\Sharing;

/** Another password, by who knows the one before. */
final class NewPasswordRequest extends OwnPasswordRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'password' => ['required', 'string', 'min:10', 'max:200', 'confirmed']];
    }
}
