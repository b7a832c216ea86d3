<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

enum ChangeType: string
{
    case Added = 'added';
    case Removed = 'removed';

    /** Under another parent, or in another order among the siblings that both sides have. */
    case Moved = 'moved';

    /** Another role or other fields. */
    case Edited = 'edited';

    public function inverse(): self
    {
        return match ($this) {
            self::Added => self::Removed,
            self::Removed => self::Added,
            default => $this,
        };
    }

    /** The bit that the index of touches keeps. */
    public function bit(): int
    {
        return match ($this) {
            self::Added => 1,
            self::Removed => 2,
            self::Moved => 4,
            self::Edited => 8,
        };
    }
}
