<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Kinds\PartRole;

/**
 * The parts of a file: the file itself, and below it its lines if it is a text; of what is read as a text and is none, they may be in
 * pages.
 */
enum FileRole: string implements PartRole
{
    case Bytes = 'bytes';
    case Page = 'page';
    case Line = 'line';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Bytes => $parent === null,
            self::Page => $parent === self::Bytes,
            self::Line => $parent === self::Bytes || $parent === self::Page,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Bytes => [
                'name' => 'string:255',
                'media' => 'string:100',
                'size' => 'int:0:4294967296?',
                'chunk' => 'hash?',
                'sha256' => 'string:64?',
                'encoding' => 'string:40?',
                'mark' => 'bool',
            ],
            self::Page => ['title' => 'string:80'],
            self::Line => ['text' => 'plain', 'end' => 'words:|lf|crlf|cr'],
        };
    }
}
