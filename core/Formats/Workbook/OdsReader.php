<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Cell as CellValue;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PhpOffice\PhpSpreadsheet\Cell\Cell;
use PhpOffice\PhpSpreadsheet\Cell\Coordinate;
use PhpOffice\PhpSpreadsheet\Cell\DataType;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\RichText\RichText;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\Alignment;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;

/** Workbooks as OASIS ODF 1.3 has them, by PhpSpreadsheet: the same of them as {@see XlsxReader} reads of the others. */
final readonly class OdsReader implements Reader
{
    private const SIDES = [Alignment::HORIZONTAL_LEFT => 'l', Alignment::HORIZONTAL_CENTER => 'c', Alignment::HORIZONTAL_RIGHT => 'r'];

    public function read(string $bytes, FormatLimits $limits): Content
    {
        $archive = Archive::of($bytes, $limits);
        foreach (['content.xml', 'styles.xml', 'meta.xml'] as $name) {
            if (Xml::declares($archive->fileIfThere($name, $limits->unpacked) ?? '')) {
                throw Unreadable::because('it has a document type, which could bring in anything', $name);
            }
        }
        OdsBounds::check($archive, $limits);
        try {
            $sheets = array_values(IOFactory::createReader('Ods')->load($archive->path())->getAllSheets());
        } catch (\Throwable $e) {
            throw Unreadable::because('the workbook is broken: '.Unreadable::quote($e->getMessage()));
        }
        $reach = new Reach(array_map(fn (Worksheet $sheet) => $sheet->getTitle(), $sheets));
        $cells = new CellCount($limits);
        $tabs = array_map(fn (Worksheet $sheet, int $at): TabRead => $this->tab($sheet, $at, $cells, $reach), $sheets, array_keys($sheets));
        $said = OdsNotes::read($archive->fileIfThere('content.xml', $limits->unpacked) ?? '');
        $reach->notes($said);
        $parts = [];
        foreach ($tabs as $at => $tab) {
            array_push($parts, ...$tab->parts($at, $sheets[$at]->getTitle(), $reach->of($at), $limits));
        }

        return new Content(new SpreadsheetKind, PartTree::of($parts), said: $said);
    }

    /** @throws Unreadable */
    private function tab(Worksheet $sheet, int $at, CellCount $cells, Reach $reach): TabRead
    {
        $tab = new TabRead;
        $tab->frozen = (int) preg_replace('/\D+/', '', (string) $sheet->getFreezePane()) - 1;
        foreach ($sheet->getColumnDimensions() as $letters => $column) {
            $tab->widths[Coordinate::columnIndexFromString((string) $letters)] = max(0, (int) round($column->getWidth() * 7));
        }
        foreach ($sheet->getCoordinates(false) as $coordinate) {
            $cell = $sheet->getCell($coordinate);
            $formula = $cell->getDataType() === DataType::TYPE_FORMULA ? $cell->getValue() : null;
            is_string($formula) && $reach->add($formula, $at);
            $value = CellValue::dressed(self::value($cell), self::look($cell));
            if ($value !== null) {
                $cells->cells(1);
                $cells->text($value);
                $tab->put($cell->getRow(), Coordinate::columnIndexFromString($cell->getColumn()), $value);
            }
        }

        return $tab;
    }

    /** Bold, italic, where it is, and the number format. */
    private static function look(Cell $cell): string
    {
        if ($cell->getXfIndex() === 0) {
            return '';
        }
        $style = $cell->getStyle();
        $code = (string) $style->getNumberFormat()->getFormatCode();
        $font = $style->getFont();
        $look = ($font->getBold() ? 'b' : '')
        .($font->getItalic() ? 'i' : '')
        .(self::SIDES[$style->getAlignment()->getHorizontal() ?? ''] ?? '');
        // What a day looks like by itself needs no format.
        $plain = in_array($code, ['', NumberFormat::FORMAT_GENERAL, '@', NumberFormat::FORMAT_DATE_YYYYMMDD, 'yyyy-mm-dd hh:mm:ss'], true)
        || mb_strlen($code) > 60
        || preg_match('/[\r\n]/', $code) === 1;

        return $plain ? $look : "{$look}|{$code}";
    }

    /** @return string|int|float|bool|list<string|int|float|bool>|null */
    private static function value(Cell $cell): string|int|float|bool|array|null
    {
        $value = $cell->getValue();
        if (
            $cell->getDataType() === DataType::TYPE_FORMULA
            && is_array($attributes = $cell->getFormulaAttributes())
            && ($attributes['t'] ?? '') === 'array'
        ) {
            // What works on whole blocks is not worked out here: what it gave stays, and is told.
            return self::plain($cell, $cell->getOldCalculatedValue());
        }
        if ($cell->getDataType() === DataType::TYPE_FORMULA && is_string($value)) {
            $result = self::plain($cell, $cell->getOldCalculatedValue());

            // The truth is a function there, and a word here.
            $formula = (string) preg_replace('/"(?:[^"]|"")*"(*SKIP)(*F)|\b(TRUE|FALSE)\(\)/', '$1', ltrim($value, '='));

            return CellValue::read(['=', $formula, ...($result === null ? [] : (array) $result)]);
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
        if (
            (is_int($value) || is_float($value))
            && ! NumberLook::isTime((string) $cell->getStyle()->getNumberFormat()->getFormatCode())
            && Date::isDateTime($cell, $value)
        ) {
            $date = Date::excelToDateTimeObject($value);

            return ['d', $date->format(fmod((float) $value, 1.0) === 0.0 ? 'Y-m-d' : 'Y-m-d\TH:i:s')];
        }
        if (is_string($value)) {
            $value = mb_substr(mb_scrub($value), 0, CellValue::MOST);
        }

        return CellValue::read($value);
    }
}
