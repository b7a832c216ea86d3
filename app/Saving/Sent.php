<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use Carbon\CarbonImmutable;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;

/** A state that somebody sends to be saved. */
final readonly class Sent
{
    /**
     * @param  string  $base  the root of the state that it started from
     * @param  PartTree|null  $tree  all of it; null when edits are sent instead
     * @param  string  $client  the window it comes from, so that a repeated sending is known as one
     * @param  bool  $keep  keep this very state as a version, whatever is saved next
     * @param  int|null  $noteOf  the version that the note is on; null for the one that comes of this
     * @param  int|null  $from  the version that the window had last, to merge from if nobody knows the base
     * @param  CarbonImmutable|null  $at  when it was written, if that was not now
     */
    public function __construct(
        public string $base,
        public ?PartTree $tree,
        public string $client,
        public bool $keep = false,
        public ?string $note = null,
        public Cause $cause = Cause::Wrote,
        /** What became of the base: see {@see Edits}. */
        public mixed $edits = null,
        public ?CarbonImmutable $at = null,
        public ?int $from = null,
        /** Whether it goes on with the newest version; null when that is found out by who wrote it, when. */
        public ?bool $grows = null,
        /** Whether it is what became of the item that a dataset follows. */
        public bool $follows = false,
        public ?int $noteOf = null,
    ) {}
}
