<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\ItemRequest;

/** What an item is called from now on. */
final class RenameRequest extends ItemRequest
{
    protected const RIGHT = 'rename';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['title' => ['required', 'string', 'max:'.config('attic.title')]];
    }

    public function title(): string
    {
        return trim($this->string('title')->toString());
    }
}
