<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use Illuminate\Foundation\Http\FormRequest;

/** What a shelf is called, and what it is for. Everybody whose address is known to be theirs may have one. */
class NewShelfRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->proved === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:80'], 'about' => ['nullable', 'string', 'max:500']];
    }

    public function name(): string
    {
        return trim($this->string('name')->toString());
    }

    public function about(): string
    {
        return trim($this->string('about')->toString());
    }
}
