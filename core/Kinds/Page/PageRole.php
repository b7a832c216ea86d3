<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Page;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of a page: sections, columns in them, blocks in those. */
enum PageRole: string implements PartRole
{
    case Section = 'section';
    case Column = 'column';
    case Heading = 'heading';
    case Text = 'rich_text';
    case Picture = 'picture';
    case Button = 'button';
    case CallOut = 'call_out';
    case Links = 'links';
    case Hours = 'hours';
    case Contact = 'contact';
    case Divider = 'divider';
    case Figure = 'figure';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Section => $parent === null,
            self::Column => $parent === self::Section,
            default => $parent === self::Column,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Section => ['title' => 'string:200', 'background' => 'words:plain|tinted|deep'],
            self::Column => ['width' => 'int:1:12'],
            self::Heading => ['level' => 'int:1:4', 'text' => 'text'],
            self::Text => ['style' => 'words:plain|bullet|number', 'text' => 'text'],
            self::CallOut => ['tone' => 'words:note|good|warning', 'text' => 'text'],
            self::Picture => [
                'chunk' => 'hash',
                'alt' => 'string:500',
                'caption' => 'string:500',
                'width' => 'int:0:20000',
                'height' => 'int:0:20000',
            ],
            self::Button => ['label' => 'string:200', 'target' => 'address'],
            self::Links => ['title' => 'string:200', 'labels' => 'list:50', 'targets' => 'addresses:50'],
            self::Hours => ['title' => 'string:200', 'days' => 'list:40', 'times' => 'list:40'],
            self::Contact => ['name' => 'string:200', 'lines' => 'list:20'],
            self::Divider => [],
            self::Figure => ['label' => 'string:200', 'source' => 'address'],
        };
    }
}
