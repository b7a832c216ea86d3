<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Shelf\ShelfRequest;
use App\Models\Drafts;
use Illuminate\Validation\Rule;

/** The rules of a shelf. */
final class ShelfSettingsRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['drafts' => ['nullable', Rule::enum(Drafts::class)]];
    }
}
