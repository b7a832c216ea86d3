<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Shelf\ShelfRequest;

/** What a shelf is called, what it is for, and how long Lost & found keeps what was deleted. */
final class ChangeShelfRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:80'],
            'about' => ['nullable', 'string', 'max:500'],
            'lost_days' => ['nullable', 'integer', 'min:1', 'max:3650'],
        ];
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
