<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Version;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Workbook\CellNote;
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
        return $this->sheet($version, $format, $of, $share, []);
    }

    public function noted(): array
    {
        return ['xlsx' => (string) __('item.xlsx_said'), 'ods' => (string) __('item.ods_said'), ...parent::noted()];
    }

    public function writeNoted(Version $version, string $format, array $notes): ?WrittenFile
    {
        return $this->sheet($version, $format, null, null, $notes);
    }

    /**
     * @param  (Closure(float): void)|null  $share
     * @param  array<string, array<string, CellNote>>  $notes
     */
    private function sheet(Version $version, string $format, ?string $of, ?Closure $share, array $notes): ?WrittenFile
    {
        $sheet = SheetFormat::tryFrom($format);
        if ($sheet === null) {
            return null;
        }
        $tree = $this->states->tree($version->root);
        $this->fits($version, $sheet, (int) array_sum(array_map(fn (Part $part) => count($part->fields), $tree->parts)));

        return new WrittenFile($sheet->mediaType(), $sheet->write($tree, $of, $share, $notes));
    }
}
