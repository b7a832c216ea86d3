<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** Who begins a place, as long as nobody has. */
final class BeginRequest extends FormRequest
{
    public function authorize(): bool
    {
        return User::query()->people()->doesntExist() || abort(404);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', 'min:10', 'max:200', 'confirmed'],
            'shelf' => ['required', 'string', 'max:80'],
        ];
    }
}
