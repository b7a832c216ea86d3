<?php

declare(strict_types=1);

namespace App\Http\Finding;

use App\Making\Offered;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What somebody looks for, and where. */
final class FindRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'q' => ['nullable', 'string', 'max:200'], 'item' => ['nullable', 'string', 'max:20'], 'shelf' => ['nullable', 'string', 'max:20'],
            'state' => ['nullable', Rule::in(['any', 'gone', 'there'])], 'kind' => ['nullable', Rule::in([...Offered::kinds(), 'entry'])], 'page' => ['nullable', 'integer', 'min:1', 'max:1000'],
        ];
    }
}
