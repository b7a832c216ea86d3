<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Kinds\Role;

/** The parts of a file: the file itself, and below it its lines if it is a text. */
enum FileRole: string implements Role
{
    case Bytes = 'bytes';
    case Line = 'line';

    public function mayStandIn(?Role $parent): bool
    {
        return match ($this) {
            self::Bytes => $parent === null,
            self::Line => $parent === self::Bytes,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Bytes => ['name' => 'string:255', 'media' => 'string:100', 'size' => 'int:0:4294967296', 'chunk' => 'hash?'],
            self::Line => ['text' => 'plain', 'end' => 'words:|lf|crlf|cr'],
        };
    }
}
