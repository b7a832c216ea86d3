<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

/** Some changes of a set, with what they need. */
final readonly class Picked
{
    /**
     * @param  list<string>  $also  keys of the changes that were taken along because a picked one needs them
     * @param  list<string>  $unknown  keys that were picked and are not in the set
     */
    public function __construct(public ChangeSet $changes, public array $also, public array $unknown) {}
}
