<?php

declare(strict_types=1);

namespace Tests\Kinds\Board;

use MistyAttic\Core\Kinds\PartRole;

/** A board has columns, and in them cards. */
enum BoardRole: string implements PartRole
{
    case Lane = 'lane';
    case Card = 'card';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Lane => $parent === null,
            self::Card => $parent === self::Lane,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Lane => ['title' => 'string:80'],
            self::Card => ['text' => 'text', 'done' => 'bool', 'hours' => 'int:0:99?'],
        };
    }
}
