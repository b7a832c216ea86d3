<?php

declare(strict_types=1);

namespace App\Http\Watching;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Whether and how soon somebody wants mail. */
final class MailsRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['mails' => ['required', Rule::in(['none', 'daily', 'soon'])]];
    }
}
