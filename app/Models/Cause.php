<?php

declare(strict_types=1);

namespace App\Models;

/** What made a version. */
enum Cause: string
{
    case Made = 'made';
    case Wrote = 'wrote';
    case Restored = 'restored';

    /** Some changes of an earlier state, picked from the plan. */
    case BroughtBack = 'brought_back';

    /** A restore that was undone. */
    case TookBack = 'took_back';

    /** One person's edits, without what came after. */
    case TookOut = 'took_out';
    case Copied = 'copied';

    /** An edit that had been held back was settled. */
    case Settled = 'settled';

    /** Whether owners find it in the log of the shelf. */
    public function isLogged(): bool
    {
        return $this->canBeTakenBack() || $this === self::TookBack || $this === self::Copied;
    }

    /** Whether it went against the run of the history, so that one may want it taken back. */
    public function canBeTakenBack(): bool
    {
        return $this === self::Restored || $this === self::BroughtBack || $this === self::TookOut;
    }
}
