<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Kinds\Role;

/** The parts of an entry: one answer to a question. */
enum EntryRole: string implements Role
{
    case Answer = 'answer';

    public function mayStandIn(?Role $parent): bool
    {
        return match ($this) {
            self::Answer => $parent === null,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Answer => ['question' => 'string:24', 'label' => 'string:300', 'value' => 'cell?', 'choices' => 'list:200?', 'text' => 'text?'],
        };
    }
}
