<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\SheetFormat;

/** The formats that items of a kind are downloaded in. */
final class Download
{
    /** @return array<string, string> ending => what it is called */
    public static function formats(string $kind): array
    {
        $formats = match ($kind) {
            'spreadsheet' => SheetFormat::cases(),
            'page' => PageFormat::cases(),
            'dataset' => [SheetFormat::Csv, SheetFormat::Xlsx, SheetFormat::Ods],
            'form', 'entry', 'report' => [],
            default => DocumentFormat::cases(),
        };

        return [...array_combine(array_map(fn ($format) => $format->value, $formats), array_map(fn ($format) => $format->label(), $formats)), 'json' => (string) __('item.json')];
    }
}
