<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Version;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Workbook\SheetFormat;

/** A spreadsheet goes out as a workbook, or a tab of it as CSV. */
final class Files extends Plain
{
    public function formats(): array
    {
        return SheetFormat::cases();
    }

    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): ?WrittenFile
    {
        $sheet = SheetFormat::tryFrom($format);
        if ($sheet === null) {
            return null;
        }
        $tree = $this->states->tree($version->root);
        $this->fits($version, $sheet, (int) array_sum(array_map(fn (Part $part) => count($part->fields), $tree->parts)));

        return new WrittenFile($sheet->mediaType(), $sheet->write($tree, $of, $share));
    }
}
