<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\ItemRequest;

/** A link for somebody without an account: for how many days, and how often something may be sent by it. */
final class LinkRequest extends ItemRequest
{
    protected const RIGHT = 'letPropose';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['days' => ['required', 'integer', 'min:1', 'max:90'], 'most' => ['required', 'integer', 'min:1', 'max:100']];
    }
}
