<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/** What the rules would do. */
final readonly class Rehearsal
{
    /**
     * @param  list<int>  $go  numbers of the versions that would go, ascending
     * @param  array<int, Exemption|Pace>  $stay  number => why it stays
     */
    public function __construct(public array $go, public array $stay) {}
}
