<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Shelf\ShelfRequest;
use App\Models\Role;
use App\Models\User;
use Illuminate\Validation\Rule;

/** Somebody who is put on a shelf, or invited to it; who is not known yet needs a name. */
final class InviteRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'email', 'max:200'],
            'name' => [Rule::requiredIf(fn () => $this->known() === null), 'nullable', 'string', 'max:80'],
            'role' => ['required', Rule::enum(Role::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.required' => (string) __('people.name_needed', ['email' => $this->string('email')->toString()])];
    }

    /** The name of who has the address already. */
    public function known(): ?string
    {
        return User::query()->where('email', $this->string('email')->toString())->first()?->name;
    }
}
