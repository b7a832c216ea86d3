<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

/** Why a change does not fit a tree that has moved on. */
enum MisfitType: string
{
    /** The part that changes is not there. */
    case Gone = 'gone';

    /** The part that comes is there already. */
    case There = 'there';

    /** The part, or the field, is not as it was before the change. */
    case Differs = 'differs';

    /** The parent that the part goes below is not there. */
    case NoParent = 'no_parent';

    /** The sibling that the part goes after is not there, or is elsewhere. */
    case NoSibling = 'no_sibling';

    /** Something is below the part that goes which the change does not know. */
    case Holds = 'holds';

    /** The part would hang below itself. */
    case Circle = 'circle';
}
