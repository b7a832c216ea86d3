<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Http\Shelf\ShelfRequest;

/** What should be kept of a shelf. */
final class SayShelfKeepingRequest extends ShelfRequest
{
    use RulesAsked;

    protected const RIGHT = 'manage';
}
