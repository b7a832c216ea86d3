<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Version;
use App\Store\States;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Formats\Workbook\SheetFormat;

/** A dataset goes out as a table, with what is calculated. */
final class Files extends Plain
{
    public function __construct(States $states, private readonly DatasetColumns $columns)
    {
        parent::__construct($states);
    }

    public function formats(): array
    {
        return [SheetFormat::Csv, SheetFormat::Xlsx, SheetFormat::Ods];
    }

    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): ?WrittenFile
    {
        $sheet = SheetFormat::tryFrom($format);
        if ($sheet === null) {
            return null;
        }
        $data = $this->columns->records($version->root);
        $this->fits($version, $sheet, $data->count * count($data->fields));

        return new WrittenFile($sheet->mediaType(), $sheet->write(DatasetSheet::tree($data), share: $share));
    }
}
