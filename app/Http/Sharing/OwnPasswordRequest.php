<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use Illuminate\Foundation\Http\FormRequest;

/** Something that wants the password that one has. */
class OwnPasswordRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['current' => ['required', 'string', 'current_password']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['current.current_password' => __('account.wrong')];
    }
}
