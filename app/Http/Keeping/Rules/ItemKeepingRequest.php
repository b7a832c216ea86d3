<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\ItemRequest;

/** What is kept of an item, to be looked at and tried. */
final class ItemKeepingRequest extends ItemRequest
{
    use RulesAsked;

    protected const RIGHT = 'draft';
}
