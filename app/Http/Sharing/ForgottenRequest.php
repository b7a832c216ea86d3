<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use Illuminate\Foundation\Http\FormRequest;

/** The address whose password was forgotten. */
final class ForgottenRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'email', 'max:200']];
    }
}
