<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;
use PhpOffice\PhpSpreadsheet\Calculation\Calculation;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Style\Alignment;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use ZipArchive;

/**
 * A spreadsheet as an ODS workbook, by PhpSpreadsheet. Results are written as they are kept: the library only writes results that it
 * computed, so it is made to believe that it did. A formula that is kept without a result is computed.
 */
final class OdsWriter
{
    private const STANDS_IN = 'ATTICFORMULA_';

    /** @var list<array{Worksheet, string, string, mixed}> where, what, and the result */
    private array $formulas = [];

    /** @param array<string, array<string, CellNote>> $notes row => column => note */
    public function write(PartTree $tree, array $notes = []): string
    {
        $tree = TabNames::fitting($tree);
        $book = new Spreadsheet;
        $book->removeSheetByIndex(0);
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $at => $id) {
            $this->tab($tree, $id, $book->createSheet($at), $notes);
        }
        if ($book->getSheetCount() === 0) {
            $book->createSheet();
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'attic');
        try {
            $writer = IOFactory::createWriter($book, 'Ods');
            $writer->setPreCalculateFormulas(true);
            $this->takeOut(Calculation::getInstance($book));
            $writer->save($path);
            $this->putIn($path);

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }

    /**
     * The library's way of writing formulas takes LOG10 for a place and the rows of a block for one: names stand in for them until it has
     * written.
     */
    private function takeOut(Calculation $calculation): void
    {
        $results = array_map(fn (array $of): mixed => $of[3] ?? $of[0]->getCell($of[1])->getCalculatedValue(), $this->formulas);
        foreach ($this->formulas as $number => [$sheet, $at]) {
            $sheet->getCell($at)->setValueExplicit('='.self::STANDS_IN.$number.'()', DataType::TYPE_FORMULA);
            $calculation->saveValueToCache("{$sheet->getTitle()}!{$at}", $results[$number]);
        }
    }

    private function putIn(string $path): void
    {
        $zip = new ZipArchive;
        $zip->open($path);
        $zip->addFromString(
            'content.xml',
            (string) preg_replace_callback(
                '/of:='.self::STANDS_IN.'(\d+)\(\)/',
                fn (array $found): string => Xml::escape(OdsFormula::of($this->formulas[(int) $found[1]][2])),
                (string) $zip->getFromName('content.xml'),
            ),
        );
        $zip->close();
    }

    /** @param array<string, array<string, CellNote>> $notes */
    private function tab(PartTree $tree, string $id, Worksheet $sheet, array $notes): void
    {
        $sheet->setTitle($tree->get($id)->string('name'), false, false);
        $columns = $looks = [];
        $row = 0;
        foreach ($tree->children()[$id] ?? [] as $child) {
            $part = $tree->get($child);
            if ($part->role === SpreadsheetRole::Column->value) {
                $looks[$child] = $part->string('format');
                $columns[$child] = Coordinate::stringFromColumnIndex(count($columns) + 1);
                if ($part->int('width') > 0) {
                    $sheet->getColumnDimension($columns[$child])->setWidth($part->int('width') / 7);
                }

                continue;
            }
            $row++;
            foreach (array_intersect_key($notes[$child] ?? [], $columns) as $column => $note) {
                $sheet->getCell($columns[$column].$row);
                $sheet
                    ->getComment($columns[$column].$row)
                    ->setAuthor($note->by)
                    ->getText()
                    ->createText((string) preg_replace('/[\x00-\x08\x0B-\x1F]/', '', $note->text));
            }
            foreach ($part->fields as $column => $value) {
                if (isset($columns[$column])) {
                    $this->cell($sheet, $columns[$column].$row, $value, $looks[$column] ?? '');
                }
            }
        }
        $frozen = $tree->get($id)->int('frozen');
        if ($frozen > 0 && $row > 0) {
            $sheet->freezePane('A'.($frozen + 1));
        }
    }

    private function cell(Worksheet $sheet, string $at, mixed $value, string $ofColumn): void
    {
        $result = Cell::result($value);
        $date = is_array($result) && $result[0] === 'd' ? Date::stringToExcel(str_replace('T', ' ', Cell::second($result))) : false;
        $plain = match (true) {
            $date !== false => $date,
            is_array($result) => Cell::second($result),
            default => $result,
        };
        $cell = $sheet->getCell($at);
        $formula = Cell::formula($value);
        if ($formula !== null) {
            $cell->setValueExplicit('='.$formula, DataType::TYPE_FORMULA);
            $this->formulas[] = [$sheet, $at, $formula, $plain];
        } elseif ($plain !== null) {
            $cell->setValueExplicit($plain, match (true) {
                is_bool($plain) => DataType::TYPE_BOOL,
                is_int($plain), is_float($plain) => DataType::TYPE_NUMERIC,
                is_array($result) => DataType::TYPE_ERROR,
                default => DataType::TYPE_STRING,
            });
        }
        $this->look($sheet, $at, Cell::look($value) !== '' ? Cell::look($value) : $ofColumn);
        if ($date !== false && ! str_contains(Cell::look($value).$ofColumn, '|')) {
            $sheet
                ->getStyle($at)
                ->getNumberFormat()
                ->setFormatCode(fmod((float) $date, 1.0) === 0.0 ? NumberFormat::FORMAT_DATE_YYYYMMDD : 'yyyy-mm-dd hh:mm:ss');
        }
    }

    private function look(Worksheet $sheet, string $at, string $look): void
    {
        [$letters, $code] = [...explode('|', $look, 2), ''];
        if ($look === '') {
            return;
        }
        $style = $sheet->getStyle($at);
        if (str_contains($letters, 'b') || str_contains($letters, 'i')) {
            $style->getFont()->setBold(str_contains($letters, 'b'))->setItalic(str_contains($letters, 'i'));
        }
        if (preg_match('/[lcr]/', $letters, $side) === 1) {
            $style
                ->getAlignment()
                ->setHorizontal(
                    ['l' => Alignment::HORIZONTAL_LEFT, 'c' => Alignment::HORIZONTAL_CENTER, 'r' => Alignment::HORIZONTAL_RIGHT][$side[0]],
                );
        }
        if ($code !== '') {
            $style->getNumberFormat()->setFormatCode($code);
        }
    }
}
