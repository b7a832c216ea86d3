<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of a dataset: its fields, which are the columns, and then its records. */
enum DatasetRole: string implements PartRole
{
    /** Choices that a field has at most. */
    public const CHOICES = 200;

    case Field = 'field';
    case Record = 'record';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Field, self::Record => $parent === null,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Field => [
                'name' => 'string:100',
                'type' => 'words:text|number|money|date|boolean|choice',
                'choices' => 'list:'.self::CHOICES.'?',
                'decimal' => 'words:point|comma?',
                'currency' => 'string:8?',
                'days' => 'words:day|month?',
                'expression' => 'string:4000?',
            ],
            self::Record => [self::CELLS => 'cell'],
        };
    }
}
