<?php

declare(strict_types=1);

namespace App\Saving;

use MistyAttic\Core\Content\Problem;

/** What was sent does not fit the state that it started from. */
final readonly class Unfit
{
    /** @param list<Problem> $problems */
    public function __construct(public array $problems) {}
}
