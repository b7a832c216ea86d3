<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use MistyAttic\Core\Content\PartTree;

/** A state that is to become a version. */
final readonly class Written
{
    public function __construct(
        public PartTree $before,
        public PartTree $after,
        public string $root,
        public Cause $cause,
        public ?int $source = null,
        public bool $kept = false,
        public ?string $note = null,
        /** Whose edits were taken out. */
        public ?string $of = null,
    ) {}
}
