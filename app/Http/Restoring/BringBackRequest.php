<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ItemRequest;

/**
 * Something of an earlier version that is brought back; `seen` is the newest version that was looked at, `into` the column that it goes
 * into.
 */
final class BringBackRequest extends ItemRequest
{
    protected const RIGHT = 'restore';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['required', 'integer', 'min:1'], 'into' => ['nullable', 'string', 'max:64']];
    }

    public function seen(): int
    {
        return $this->integer('seen');
    }
}
