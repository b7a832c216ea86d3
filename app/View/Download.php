<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\SheetFormat;

/** The formats that items of a kind are downloaded in. */
final class Download
{
    /** @return list<DocumentFormat>|list<SheetFormat|PageFormat> */
    public static function formats(string $kind): array
    {
        return match ($kind) {
            'spreadsheet' => SheetFormat::cases(),
            'page' => PageFormat::cases(),
            'dataset' => [SheetFormat::Csv, SheetFormat::Xlsx, SheetFormat::Ods, PageFormat::Json],
            'form', 'entry', 'report' => [PageFormat::Json],
            default => DocumentFormat::cases(),
        };
    }
}
