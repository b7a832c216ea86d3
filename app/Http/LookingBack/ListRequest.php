<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\ItemRequest;

/** Which versions are listed. */
final class ListRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['only' => ['nullable', 'in:milestones,published']];
    }
}
