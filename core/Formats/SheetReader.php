<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell as CellValue;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;
use PhpOffice\PhpSpreadsheet\Cell\Cell;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\RichText\RichText;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\Alignment;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;

/** Workbooks (ECMA-376 SpreadsheetML, OASIS ODF 1.3): tabs with values and formulas; of the looks, bold, italic, sides, number formats and widths of columns. */
final readonly class SheetReader implements Reader
{
    private const SIDES = [Alignment::HORIZONTAL_LEFT => 'l', Alignment::HORIZONTAL_CENTER => 'c', Alignment::HORIZONTAL_RIGHT => 'r'];

    /** Columns and rows beyond which a formula means all there are. */
    private const FAR = [200, 5_000];

    public function __construct(private FileFormat $format) {}

    public function read(string $bytes, FormatLimits $limits): Content
    {
        $archive = Archive::of($bytes, $limits);
        $this->refuseDocumentTypes($archive, $limits);
        SheetBounds::check($archive, $limits);
        try {
            $reader = IOFactory::createReader(ucfirst($this->format->value));
            $reader->setIncludeCharts(false);
            $sheets = $reader->load($archive->path())->getAllSheets();
        } catch (\Throwable $e) {
            throw Unreadable::because('the workbook is broken: '.Unreadable::quote($e->getMessage()));
        }
        $parts = [];
        $left = $limits->cells;
        $reach = self::reach($sheets);
        foreach ($sheets as $at => $sheet) {
            array_push($parts, ...$this->tab($sheet, $at, $left, $limits, $reach[$at]));
        }

        return new Content(new SpreadsheetKind, PartTree::of($parts));
    }

    /** The reader takes XML apart itself; a document type has no place in a workbook. */
    private function refuseDocumentTypes(Archive $archive, FormatLimits $limits): void
    {
        foreach (['content.xml', 'styles.xml', 'meta.xml', 'xl/workbook.xml', 'xl/sharedStrings.xml', 'xl/styles.xml', '[Content_Types].xml', 'xl/worksheets/sheet1.xml'] as $name) {
            if (Xml::declares($archive->fileIfThere($name, $limits->unpacked) ?? '')) {
                throw Unreadable::because('it has a document type, which could bring in anything', $name);
            }
        }
    }

    /**
     * How far formulas look in each tab: a place that they name is there, though nothing stands in it, so that they keep to what they say.
     *
     * @param  array<Worksheet>  $sheets
     * @return list<array{int, int}> columns and rows
     */
    private static function reach(array $sheets): array
    {
        $at = [];
        foreach (array_values($sheets) as $number => $sheet) {
            $at[mb_strtolower($sheet->getTitle())] = $number;
        }
        $reach = array_fill(0, count($sheets), [0, 0]);
        foreach (array_values($sheets) as $number => $sheet) {
            foreach ($sheet->getCoordinates(false) as $coordinate) {
                $cell = $sheet->getCell($coordinate);
                $formula = $cell->getDataType() === DataType::TYPE_FORMULA ? $cell->getValue() : null;
                if (! is_string($formula)) {
                    continue;
                }
                preg_match_all("/\"[^\"]*\"|(?:(?:'((?:[^']|'')+)'|([\w.]+))!)?\\\$?([A-Z]{1,3})\\\$?(\\d{1,7})(?::\\\$?([A-Z]{1,3})\\\$?(\\d{1,7}))?(?![\w(])/", $formula, $found, PREG_SET_ORDER);
                foreach ($found as $one) {
                    $named = str_replace("''", "'", ($one[1] ?? '') === '' ? $one[2] ?? '' : $one[1]);
                    $tab = $named === '' ? $number : $at[mb_strtolower($named)] ?? null;
                    if (! isset($one[3], $one[4]) || $tab === null) {
                        continue;
                    }
                    $column = max(Coordinate::columnIndexFromString($one[3]), isset($one[5]) ? Coordinate::columnIndexFromString($one[5]) : 0);
                    $row = max((int) $one[4], (int) ($one[6] ?? 0));
                    // Whole columns and rows go as far as the table does.
                    $reach[$tab] = [max($reach[$tab][0], $column > self::FAR[0] ? 0 : $column), max($reach[$tab][1], $row > self::FAR[1] ? 0 : $row)];
                }
            }
        }

        return $reach;
    }

    /**
     * @param  array{int, int}  $reach
     * @return list<Part>
     */
    private function tab(Worksheet $sheet, int $at, int &$left, FormatLimits $limits, array $reach): array
    {
        $width = max($reach[0], Coordinate::columnIndexFromString($sheet->getHighestDataColumn()));
        $height = max($reach[1], $sheet->getHighestDataRow());
        $empty = $width === 1 && $height === 1 && ! $sheet->cellExists('A1');
        if ($width > $limits->columns || $height > $limits->parts) {
            throw Unreadable::because('it has more rows or columns than can be compared', Unreadable::quote($sheet->getTitle()));
        }
        $parts = [new Part("tab{$at}", SpreadsheetRole::Tab->value, 0, ['name' => mb_substr($sheet->getTitle(), 0, 100), 'frozen' => min(100, max(0, (int) preg_replace('/\D+/', '', (string) $sheet->getFreezePane()) - 1))])];
        for ($column = 1; ! $empty && $column <= $width; $column++) {
            $letters = Coordinate::stringFromColumnIndex($column);
            $pixels = $sheet->columnDimensionExists($letters) ? max(0, (int) round($sheet->getColumnDimension($letters)->getWidth() * 7)) : 0;
            $parts[] = new Part("t{$at}c".sprintf('%02d', $column), SpreadsheetRole::Column->value, 1, ['width' => min(2000, $pixels), 'format' => '']);
        }
        $rows = [];
        foreach ($sheet->getCoordinates(false) as $coordinate) {
            $cell = $sheet->getCell($coordinate);
            $value = CellValue::dressed(self::value($cell), self::look($cell));
            if ($value === null) {
                continue;
            }
            if (--$left < 0) {
                throw Unreadable::tooLarge('it has more cells than can be compared', $limits->cells);
            }
            $rows[$cell->getRow()]["t{$at}c".sprintf('%02d', Coordinate::columnIndexFromString($cell->getColumn()))] = $value;
        }
        for ($row = 1; ! $empty && $row <= $height; $row++) {
            $parts[] = new Part("t{$at}r".sprintf('%02d', $row), SpreadsheetRole::Row->value, 1, $rows[$row] ?? []);
        }

        return $parts;
    }

    /** Bold, italic, where it stands, and the number format. */
    private static function look(Cell $cell): string
    {
        if ($cell->getXfIndex() === 0) {
            return '';
        }
        $style = $cell->getStyle();
        $code = (string) $style->getNumberFormat()->getFormatCode();
        $font = $style->getFont();
        $look = ($font->getBold() ? 'b' : '').($font->getItalic() ? 'i' : '').(self::SIDES[$style->getAlignment()->getHorizontal() ?? ''] ?? '');
        // What a day looks like by itself needs no format.
        $plain = in_array($code, ['', NumberFormat::FORMAT_GENERAL, '@', NumberFormat::FORMAT_DATE_YYYYMMDD, 'yyyy-mm-dd hh:mm:ss'], true) || mb_strlen($code) > 60 || preg_match('/[\r\n]/', $code) === 1;

        return $plain ? $look : "{$look}|{$code}";
    }

    /** @return string|int|float|bool|list<string|int|float|bool>|null */
    private static function value(Cell $cell): string|int|float|bool|array|null
    {
        $value = $cell->getValue();
        if ($cell->getDataType() === DataType::TYPE_FORMULA && is_array($attributes = $cell->getFormulaAttributes()) && ($attributes['t'] ?? '') === 'array') {
            // What works on whole blocks is not worked out here: what it gave stays, and is told.
            return self::plain($cell, $cell->getOldCalculatedValue());
        }
        if ($cell->getDataType() === DataType::TYPE_FORMULA && is_string($value)) {
            $result = self::plain($cell, $cell->getOldCalculatedValue());

            return CellValue::read(['=', ltrim($value, '='), ...($result === null ? [] : (array) $result)]);
        }

        return self::plain($cell, $value);
    }

    /** @return string|int|float|bool|list<string|int|float|bool>|null */
    private static function plain(Cell $cell, mixed $value): string|int|float|bool|array|null
    {
        if ($value instanceof RichText) {
            $value = $value->getPlainText();
        }
        if (is_string($value) && preg_match('/^#[A-Z0-9\/?!]{2,12}$/D', $value) === 1) {
            return ['!', $value];
        }
        if ((is_int($value) || is_float($value)) && ! NumberLook::isTime((string) $cell->getStyle()->getNumberFormat()->getFormatCode()) && Date::isDateTime($cell, $value)) {
            $date = Date::excelToDateTimeObject($value);

            return ['d', $date->format(fmod((float) $value, 1.0) === 0.0 ? 'Y-m-d' : 'Y-m-d\TH:i:s')];
        }
        if (is_string($value)) {
            $value = mb_substr(mb_scrub($value), 0, CellValue::MOST);
        }

        return CellValue::read($value);
    }
}
