<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use Illuminate\Foundation\Http\FormRequest;

/** A code: of a device, or one that was written down. */
final class CodeRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['code' => ['required', 'string', 'max:40']];
    }

    public function code(): string
    {
        return (string) preg_replace('/\s+/', '', (string) $this->validated('code'));
    }
}
