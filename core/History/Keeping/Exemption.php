<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/** Why a version stays whatever the rules say. */
enum Exemption: string
{
    case First = 'first';
    case Newest = 'newest';
    case Milestone = 'milestone';
    case Pinned = 'pinned';
    case Published = 'published';

    /** It is a restore or the like, was restored from, or is before one, so that this can be taken back. */
    case Restored = 'restored';

    /** Somebody began to talk about it, or about something in it. */
    case TalkedAbout = 'talked_about';

    /** Something was copied out from it. */
    case Copied = 'copied';

    /** A dataset stays with it. */
    case Followed = 'followed';

    /** Readers see it with something else, such as the figures of a report. */
    case PublishedWith = 'published_with';

    /** An edit that was held back waits beside it. */
    case Held = 'held';

    /** Something unusual in it was not looked at yet. */
    case Unusual = 'unusual';

    /** It took in what somebody proposed. */
    case Accepted = 'accepted';
}
