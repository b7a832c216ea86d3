<?php

declare(strict_types=1);

namespace App\Models;

/** What a line of a thread does. */
enum CommentDeed: string
{
    case Said = 'said';

    /** Another wording of what its author said; the earlier one is kept. */
    case Edited = 'edited';

    /** Its author takes back what they said; that it was said stays told. */
    case Withdrew = 'withdrew';
    case Settled = 'settled';
    case Reopened = 'reopened';

    /** Whether it is done to a line that was said before. */
    public function isOfOne(): bool
    {
        return $this === self::Edited || $this === self::Withdrew;
    }
}
