<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

/** How finely a set of changes is told. */
enum Detail
{
    /** What belongs together is one statement: for a version in one line. */
    case Gathered;

    /** As gathered, but the cells and rows of tables one by one where they are few: for a list to read. */
    case Listed;

    /** Neighbours, small edits, cells and rows one by one as far as that goes: for picking among them. */
    case Apart;
}
