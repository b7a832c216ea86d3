<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/**
 * Which roles of a kind make a table: its rows hold a cell for each column, in the field that has the column's id. Formulas in it may be
 * calculated. Where there is one table alone, no tab is around it: its columns are named fields, its rows are records.
 */
final readonly class Grid
{
    public function __construct(
        public string $column,
        public string $row,
        public bool $calculated = false,
        public bool $isOneTable = false,
    ) {}
}
