<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Kinds\PartRole;

/** The parts of a report: pages, and widgets on them. */
enum ReportRole: string implements PartRole
{
    case Page = 'page';
    case Widget = 'widget';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Page => $parent === null,
            self::Widget => $parent === self::Page,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Page => ['title' => 'string:200', 'source' => 'string:100?', 'filters' => 'list:20?', 'period' => 'string:40?'],
            self::Widget => [
                'type' => 'words:bars|lines|areas|stacked|dots|parts|figure|table|text|picture',
                'title' => 'string:200',
                'source' => 'string:100?',
                'measure' => 'string:200?',
                'by' => 'string:200?',
                'split' => 'string:200?',
                'filters' => 'list:20?',
                'order' => 'string:100?',
                'most' => 'int:1:1000?',
                'format' => 'string:100?',
                'text' => 'text?',
                'chunk' => 'hash?',
                'alt' => 'string:500?',
                'x' => 'int:0:100',
                'y' => 'int:0:10000',
                'across' => 'int:1:100',
                'down' => 'int:1:1000',
            ],
        };
    }
}
