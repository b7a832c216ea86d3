<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Shelf\ShelfRequest;

/** What is kept of a shelf, to be looked at and tried. */
final class ShelfKeepingRequest extends ShelfRequest
{
    use RulesAsked;

    protected const RIGHT = 'view';
}
