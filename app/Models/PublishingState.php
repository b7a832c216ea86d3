<?php

declare(strict_types=1);

namespace App\Models;

/** What became of a wish to publish a version. */
enum PublishingState: string
{
    /** Asked for, and nobody has answered yet. */
    case Waiting = 'waiting';

    /** Readers see it, or have seen it. */
    case Published = 'published';
    case Refused = 'refused';

    /** Taken back by who asked, or replaced by another wish. */
    case Withdrawn = 'withdrawn';

    /** Who was to say yes edited the draft and published that instead. */
    case Edited = 'edited';
}
