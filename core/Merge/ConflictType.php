<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

/** How two edits met. “Mine” is the one that came second and is held back. */
enum ConflictType: string
{
    /** Both wrote at the same place of one text. */
    case Text = 'text';

    /** Both set one field, or one role, to different values. */
    case Value = 'value';

    /** I edited what they removed. */
    case EditedRemoved = 'edited_removed';

    /** I removed what they edited. */
    case RemovedEdited = 'removed_edited';

    /** Both moved one part, to different places. */
    case Moved = 'moved';
}
