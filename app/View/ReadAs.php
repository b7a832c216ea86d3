<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\Kinds\Kind;

/** Two states as what their content is read as, under ids that go together. */
final readonly class ReadAs
{
    /** @param array<string, list<Touch>> $touches what versions in between did with which part, ascending */
    public function __construct(public Kind $kind, public PartTree $old, public PartTree $new, public array $touches) {}
}
