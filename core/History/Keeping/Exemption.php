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

    /** A restore was made from it. */
    case Restored = 'restored';
}
