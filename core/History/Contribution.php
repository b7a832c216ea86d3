<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

/** What one editor did in a range of versions, and how much of it is still there at the later end. */
final class Contribution
{
    public int $wordsAdded = 0;

    public int $wordsRemoved = 0;

    /** Words that were added and are still there. */
    public int $wordsStanding = 0;

    /** Cells that got a value, or another one. */
    public int $cellsWritten = 0;

    public int $cellsEmptied = 0;

    /** Cells whose present value was last written by the editor. */
    public int $cellsStanding = 0;

    public int $partsAdded = 0;

    public int $partsRemoved = 0;

    public int $partsMoved = 0;

    public int $partsStanding = 0;

    /** @var array<int, true> the versions, by number */
    public array $versions = [];
}
