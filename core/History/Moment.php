<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\Change;

/** What one version did to a part. */
final readonly class Moment
{
    /**
     * @param  list<Change>  $changes  of the part, or of what is below it
     * @param  mixed  $value  of the field that was asked for, after it; null when it has none, or no field was asked for
     */
    public function __construct(public int $number, public int $editor, public array $changes, public mixed $value) {}
}
