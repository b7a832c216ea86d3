<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Shelf\ShelfRequest;
use App\Models\Role;
use Illuminate\Validation\Rule;

/** What somebody on a shelf may do. */
final class MembershipRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['role' => ['required_without:publishes', Rule::enum(Role::class)], 'publishes' => ['boolean']];
    }
}
