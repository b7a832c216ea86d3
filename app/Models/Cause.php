<?php

declare(strict_types=1);

namespace App\Models;

/** What made a version. */
enum Cause: string
{
    case Made = 'made';
    case Wrote = 'wrote';
    case Restored = 'restored';

    /** A restore that was undone. */
    case TookBack = 'took_back';
    case Copied = 'copied';

    /** An edit that had been held back was settled. */
    case Settled = 'settled';
}
