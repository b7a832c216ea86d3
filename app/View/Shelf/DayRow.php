<?php

declare(strict_types=1);

namespace App\View\Shelf;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;

/** An item of a shelf at a moment, and what became of it until another one. */
final class DayRow
{
    /** @var list<array{string, bool}> what changed in between, and whether that is worth a look */
    public array $said = [];

    /** @var list<User> who changed it in between */
    public array $editors = [];

    /** How many versions were made in between. */
    public int $versions = 0;

    /**
     * @param  Version|null  $then  null for one that was not there yet
     * @param  Version|null  $now  null for one that is not there any more
     * @param  string|null  $fate  what happened to it besides, in words: deleted, moved, brought back
     */
    public function __construct(
        public readonly Item $item,
        public readonly ?Version $then,
        public readonly ?Version $now,
        public readonly ?string $fate,
    ) {}

    /** Whether it is there in both, and the very same. */
    public function isSame(): bool
    {
        return $this->then !== null
            && $this->now !== null
            && $this->fate === null
            && $this->then->root === $this->now->root
            && $this->then->title === $this->now->title;
    }

    public function isRenamed(): bool
    {
        return $this->then !== null && $this->now !== null && $this->then->title !== $this->now->title && $this->then->title !== '';
    }

    /** What it was called then, or is now. */
    public function title(): string
    {
        return ($this->then?->title ?: $this->now?->title) ?: $this->item->title;
    }
}
