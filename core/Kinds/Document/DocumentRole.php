<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of a document. All but row and cell may be at the top; list items also below list items. */
enum DocumentRole: string implements PartRole
{
    case Heading = 'heading';
    case Paragraph = 'paragraph';
    case ListItem = 'item';
    case Quote = 'quote';
    case Code = 'code';
    case Table = 'table';
    case Row = 'row';
    case Cell = 'cell';
    case Picture = 'picture';
    case Rule = 'rule';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Row => $parent === self::Table,
            self::Cell => $parent === self::Row,
            self::ListItem => $parent === null || $parent === self::ListItem,
            default => $parent === null,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Heading => ['level' => 'int:1:4', 'text' => 'text'],
            self::ListItem => ['style' => 'words:bullet|number|task', 'done' => 'bool', 'start' => 'int:0:999999?', 'text' => 'text'],
            self::Paragraph, self::Quote => ['text' => 'text'],
            self::Code => ['text' => 'plain'],
            self::Cell => ['head' => 'bool', 'text' => 'text'],
            self::Picture => ['chunk' => 'hash', 'alt' => 'string:500', 'width' => 'int:0:20000', 'height' => 'int:0:20000'],
            self::Table, self::Row, self::Rule => [],
        };
    }
}
