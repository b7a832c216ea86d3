<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\Part;

/** One part's change. An addition has no before and from, a removal no after and to; an edit stays where it is. */
final readonly class Change
{
    public function __construct(
        public ChangeType $type,
        public string $id,
        public ?Part $before,
        public ?Part $after,
        public ?Spot $from,
        public ?Spot $to,
    ) {}

    public function invert(): self
    {
        return new self($this->type->inverse(), $this->id, $this->after, $this->before, $this->to, $this->from);
    }

    /** The part as it is on the side where it still is, the later one first. */
    public function part(): Part
    {
        return $this->after ?? $this->before ?? throw new \LogicException('A change has a part');
    }
}
