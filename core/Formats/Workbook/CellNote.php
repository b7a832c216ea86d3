<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

/** A note that a cell has in a workbook. */
final readonly class CellNote
{
    public function __construct(public string $by, public string $text) {}
}
