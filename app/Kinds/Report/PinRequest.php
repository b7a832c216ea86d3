<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Http\ItemRequest;

/** Whether a published report keeps the data that it was published with. */
final class PinRequest extends ItemRequest
{
    protected const RIGHT = 'publish';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['pins' => ['required', 'boolean']];
    }
}
