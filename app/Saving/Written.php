<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Store\MergedFrom;
use Carbon\CarbonImmutable;
use MistyAttic\Core\Content\PartTree;

/** A state that is to become a version. */
final readonly class Written
{
    public function __construct(
        /** The newest state before, and what it becomes; null when it is to be read from the store, as far as it is needed. */
        public ?PartTree $before,
        public ?PartTree $after,
        public string $root,
        public Cause $cause,
        public ?int $source = null,
        public bool $kept = false,
        public ?string $note = null,
        /** Whose edits were taken out, what that was called which was copied out, or who accepted what was proposed. */
        public ?string $of = null,
        /** Who proposed what was accepted. */
        public ?string $whose = null,
        /** The id of the person whose edits were taken out. */
        public ?int $author = null,
        /** @var array{int, int}|null after which version and up to which they were taken out */
        public ?array $range = null,
        /** When it was written, if that was not now; no version is older than the one before it. */
        public ?CarbonImmutable $at = null,
        public ?MergedFrom $from = null,
        /** Whether it goes on with the newest version; null when that is found out by who wrote it, when. */
        public ?bool $grows = null,
        /** Whether it is what became of the item that a dataset follows. */
        public bool $follows = false,
        /** What the item is called from then on; null when that stays. */
        public ?string $title = null,
        /** Whether somebody with the right to it said yes. */
        public bool $agreed = false,
    ) {}
}
