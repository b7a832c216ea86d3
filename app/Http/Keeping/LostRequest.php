<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Making\Offered;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What of Lost & found is asked for, over all shelves that somebody works on. */
class LostRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'find' => ['nullable', 'string', 'max:200'],
            'kind' => ['nullable', Rule::in(Offered::kinds())],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    /** @return array{string, string} words of the title, and the kind */
    public function asked(): array
    {
        return [trim($this->string('find')->toString()), $this->string('kind')->toString()];
    }
}
