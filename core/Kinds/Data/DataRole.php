<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Data;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of plain JSON: objects and lists, which hold further parts, and values. */
enum DataRole: string implements PartRole
{
    case Map = 'object';
    case Sequence = 'list';
    case Value = 'value';

    public function mayStandIn(?PartRole $parent): bool
    {
        return $parent !== self::Value;
    }

    public function fields(): array
    {
        return match ($this) {
            self::Map, self::Sequence => ['key' => 'string:32767'],
            self::Value => ['key' => 'string:32767', 'value' => 'cell?'],
        };
    }
}
