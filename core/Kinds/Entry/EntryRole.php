<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Kinds\PartRole;

/**
 * The parts of an entry: one answer to a question, under the id of the question. What was asked and chosen is kept in words as well, for
 * when the form has moved on.
 */
enum EntryRole: string implements PartRole
{
    case Answer = 'answer';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Answer => $parent === null,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Answer => [
                'label' => 'string:300',
                'value' => 'cell?',
                'choices' => 'list:200?',
                'said' => 'list:200?',
                'text' => 'text?',
                'chunk' => 'hash?',
            ],
        };
    }
}
