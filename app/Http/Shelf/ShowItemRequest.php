<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Http\ItemRequest;
use App\View\Desks\Desk;

/** An item to be shown, with what its desk may be asked for. */
final class ShowItemRequest extends ItemRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return $this->item()->room(Desk::class)->asks();
    }
}
