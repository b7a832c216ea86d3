<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;

/** What reading gave: a tree, or every problem in its way. */
final readonly class Reading
{
    /** @param list<Problem> $problems none when there is a tree */
    private function __construct(public ?PartTree $tree, public array $problems) {}

    public static function tree(PartTree $tree): self
    {
        return new self($tree, []);
    }

    /** @param list<Problem> $problems */
    public static function problems(array $problems): self
    {
        return new self(null, $problems);
    }
}
