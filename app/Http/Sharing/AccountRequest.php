<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Models\User;
use App\Words\Ways;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** How others see somebody, and how they see the place. */
final class AccountRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'colour' => ['required', 'integer', 'min:1', 'max:'.User::COLOURS],
            'look' => ['present', 'nullable', Rule::in(['day', 'night'])],
            'zone' => ['nullable', 'timezone:all'],
            'numbers' => ['nullable', Rule::in(array_keys(Ways::NUMBERS))],
            'dates' => ['nullable', Rule::in(array_keys(Ways::DATES))],
        ];
    }

    /** @return array<string, mixed> */
    public function validated($key = null, $default = null): mixed
    {
        $sent = parent::validated($key, $default);

        return is_array($sent)
            ? [
                ...$sent,
                ...array_map(strval(...), [
                    'look' => $sent['look'] ?? '',
                    'zone' => $sent['zone'] ?? '',
                    'numbers' => $sent['numbers'] ?? '',
                    'dates' => $sent['dates'] ?? '',
                ]),
            ]
            : $sent;
    }
}
