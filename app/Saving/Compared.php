<?php

declare(strict_types=1);

namespace App\Saving;

use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Content\PartTree;

/** What a state is beside the one before it, for the version that it becomes. */
final readonly class Compared
{
    /**
     * @param  string|null  $beforeRoot  null when nothing was before
     * @param  PartTree  $before  of a large table what differs, as is the one after it
     * @param  list<Statement>  $statements
     * @param  array<string, array{int, int|null}>  $touched  part => how, and where it is; in the order of the table
     * @param  list<array{type: string, part: string, evidence: array<string, string|int|float>}>|null  $unusual
     */
    public function __construct(
        public ?string $beforeRoot,
        public string $root,
        public PartTree $before,
        public PartTree $after,
        public ChangeSet $changes,
        public array $statements,
        public array $touched,
        public ?array $unusual,
        public bool $isExcerpt,
    ) {}
}
