<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

/** From when till when something was there. */
final readonly class Lifespan
{
    /**
     * @param  int|null  $from  the version in which it appeared; null when it was there at the beginning
     * @param  int|null  $to  the version in which it was gone; null when it is there still
     */
    public function __construct(public ?int $from, public ?int $to) {}
}
