<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;

/** Pages of widgets, each bound to a dataset, a tab or a form. */
final class ReportKind extends SchemaKind
{
    public function name(): string
    {
        return 'report';
    }

    public function roles(): string
    {
        return ReportRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, ReportRole::Page->value, 0, ['title' => 'Page 1'])]);
    }

    /** @return list<string> keys of the datasets that a report names */
    public static function sources(PartTree $report): array
    {
        return array_values(
            array_unique(
                array_filter(array_map(fn (Part $part) => $part->string('source'), $report->parts), fn (string $source) => $source !== ''),
            ),
        );
    }

    public function isPublishable(): bool
    {
        return true;
    }

    public function drawing(): Drawing
    {
        return new ReportDrawing;
    }
}
