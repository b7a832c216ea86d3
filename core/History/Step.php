<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\ChangeSet;

/** One version on the way through a history: what it changed from the one before. */
final readonly class Step
{
    /**
     * @param  int  $number  the version
     * @param  int  $editor  who wrote it
     */
    public function __construct(public int $number, public int $editor, public ChangeSet $changes) {}
}
