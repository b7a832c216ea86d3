<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\ItemRequest;

/** What of the proposals is looked at: whose, the text with them or as it would be, and as they stood at which version. */
final class ProposalsRequest extends ItemRequest
{
    protected const RIGHT = 'talk';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['of' => ['nullable', 'regex:/^(\d{1,9}|everybody)$/'], 'look' => ['nullable', 'in:with,would'], 'at' => ['nullable', 'integer', 'min:1', 'max:999999999']];
    }
}
