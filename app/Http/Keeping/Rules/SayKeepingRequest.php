<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\ItemRequest;

/** What should be kept of an item. */
final class SayKeepingRequest extends ItemRequest
{
    use RulesAsked;

    protected const RIGHT = 'keep';
}
