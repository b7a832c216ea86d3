<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Spreadsheet;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of a spreadsheet: tabs at the top, in each its columns, then its rows. */
enum SpreadsheetRole: string implements PartRole
{
    case Tab = 'tab';
    case Column = 'column';
    case Row = 'row';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Tab => $parent === null,
            self::Column, self::Row => $parent === self::Tab,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Tab => ['name' => 'string:100', 'frozen' => 'int:0:100'],
            self::Column => ['width' => 'int:0:2000', 'format' => 'string:100'],
            self::Row => [self::CELLS => 'cell'],
        };
    }
}
