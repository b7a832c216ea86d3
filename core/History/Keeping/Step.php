<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/** One line of the keeping rules: up to an age, so many versions stay. */
final readonly class Step
{
    /** @param int|null $days up to what age it holds, from the end of the step before; null for ever */
    public function __construct(public ?int $days, public Pace $pace) {}
}
