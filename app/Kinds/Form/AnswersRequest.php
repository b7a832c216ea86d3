<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use Illuminate\Foundation\Http\FormRequest;

/** Answers to a form as they were sent. Who may answer it is told by its address and by what is published, not by a right of somebody. */
final class AnswersRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'a' => ['nullable', 'array', 'max:500'],
            'seen' => ['nullable', 'array', 'max:500'],
            'seen.*' => ['string', 'max:24'],
            'to' => ['nullable', 'string', 'max:24'],
            'file' => ['nullable', 'array', 'max:50'],
            'file.*' => ['string', 'max:2000'],
            'publishing' => ['nullable', 'integer'],
            'base' => ['nullable', 'string', 'regex:/^[0-9a-f]{40}$/'],
            'proposal' => ['nullable', 'integer'],
        ];
    }
}
