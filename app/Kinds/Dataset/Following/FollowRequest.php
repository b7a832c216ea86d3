<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Http\ItemRequest;

/** Whether a dataset follows what it was made of; `seen` is the version that was looked at when it was said what goes by that. */
final class FollowRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['follow' => ['required', 'boolean'], 'seen' => ['nullable', 'integer', 'min:1']];
    }
}
