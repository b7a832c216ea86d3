<?php

declare(strict_types=1);

namespace App\Kinds\Form\Own;

use Illuminate\Foundation\Http\FormRequest;

/** Which of two answers it is to be, by who has the address of an entry. */
final class SettleAnswersRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['choice' => ['nullable', 'array', 'max:500'], 'choice.*' => ['in:mine,theirs']];
    }
}
