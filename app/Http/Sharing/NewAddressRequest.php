<?php

declare(strict_types=1);

namespace App\Http\Sharing;

/** Another address, by who knows the password. */
final class NewAddressRequest extends OwnPasswordRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'email' => ['required', 'string', 'email', 'max:200', 'unique:users,email']];
    }
}
