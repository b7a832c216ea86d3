<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\ChangeType;

/** That a version changed a part, and how. */
final readonly class Touch
{
    /**
     * @param  int  $number  the version
     * @param  int  $editor  who wrote it
     * @param  int  $what  bits of {@see ChangeType}
     * @param  int|null  $position  where the part is in the version's pre-order list; null when it is gone
     */
    public function __construct(
        public string $part,
        public int $number,
        public int $editor,
        public int $what,
        public ?int $position,
    ) {}

    /** The same by somebody else. */
    public function by(int $editor): self
    {
        return new self($this->part, $this->number, $editor, $this->what, $this->position);
    }

    public function did(ChangeType $type): bool
    {
        return ($this->what & $type->bit()) !== 0;
    }
}
