<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/** What a cell's value is to a person; that of a formula is what its result is. */
enum CellType: string
{
    case Nothing = 'nothing';
    case Number = 'number';
    case Text = 'text';
    case Date = 'date';
    case Boolean = 'boolean';
    case Error = 'error';
}
