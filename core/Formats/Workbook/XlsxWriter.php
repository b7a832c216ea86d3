<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Xml;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/**
 * A spreadsheet as an XLSX workbook (ECMA-376), row by row. Results are written as they are kept; where one is missing, whoever opens the
 * file works them out.
 */
final readonly class XlsxWriter
{
    private const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    private const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const TYPE = 'application/vnd.openxmlformats-officedocument.spreadsheetml.';

    /** After so many rows it is told how far writing has come. */
    private const ROWS = 500;

    /** @param (Closure(float): void)|null $share is told now and then how far writing has come, from 0 to 1 */
    public function __construct(private ?Closure $share = null) {}

    /**
     * @param  bool  $isKept  whether formulas are as they are kept, and not as people write them
     * @param  array<string, array<string, CellNote>>  $notes  row => column => note
     */
    public function write(PartTree $tree, bool $isKept = false, array $notes = []): string
    {
        $tree = TabNames::fitting($tree);
        $looks = new XlsxLooks;
        $cells = new XlsxCells($looks, $isKept ? new CellPlaces($tree) : null);
        $package = new Package;
        $names = $withNotes = [];
        $written = 0;
        foreach (self::tabs($tree) as $tab) {
            $names[] = $tab[0]->string('name');
            $share = $this->share === null ? null : fn (int $parts) => ($this->share)(($written + $parts) / count($tree->parts));
            $of = new XlsxNotes;
            $package->add('xl/worksheets/sheet'.count($names).'.xml', $this->sheet($tab, $cells, $share, $notes, $of));
            if (! $of->isEmpty()) {
                $withNotes[] = count($names);
                $this->addNotes($package, count($names), $of);
            }
            $written += count($tab);
        }
        if ($names === []) {
            $names[] = 'Sheet 1';
            $package->add('xl/worksheets/sheet1.xml', $this->sheet([], $cells));
        }
        $package->add('xl/sharedStrings.xml', self::HEAD.'<sst xmlns="'.self::MAIN."\">{$cells->texts()}</sst>");
        $package->add('xl/styles.xml', self::HEAD.'<styleSheet xmlns="'.self::MAIN."\">{$looks->xml()}</styleSheet>");
        $package->add('xl/workbook.xml', $this->workbook($names, $cells->lacksResults));
        $package->add(
            'xl/_rels/workbook.xml.rels',
            $this->relations([
                ...array_map(fn (int $at): array => ['worksheet', "worksheets/sheet{$at}.xml"], range(1, count($names))),
                ['styles', 'styles.xml'],
                ['sharedStrings', 'sharedStrings.xml'],
            ]),
        );
        $package->add('_rels/.rels', $this->relations([['officeDocument', 'xl/workbook.xml']]));
        $package->add('[Content_Types].xml', $this->types(count($names), $withNotes));

        return $package->bytes();
    }

    private function addNotes(Package $package, int $number, XlsxNotes $notes): void
    {
        $package->add("xl/comments{$number}.xml", $notes->comments());
        $package->add("xl/drawings/notes{$number}.vml", $notes->boxes());
        $package->add(
            "xl/worksheets/_rels/sheet{$number}.xml.rels",
            $this->relations([['comments', "../comments{$number}.xml"], ['vmlDrawing', "../drawings/notes{$number}.vml"]]),
        );
    }

    /** @return iterable<non-empty-list<Part>> a tab with what is in it */
    private static function tabs(PartTree $tree): iterable
    {
        $tab = [];
        foreach ($tree->parts as $part) {
            if ($part->role === SpreadsheetRole::Tab->value && $tab !== []) {
                yield $tab;
                $tab = [];
            }
            $tab[] = $part;
        }
        if ($tab !== []) {
            yield $tab;
        }
    }

    /**
     * @param  list<Part>  $parts
     * @param  (Closure(int): mixed)|null  $share
     * @param  array<string, array<string, CellNote>>  $notes
     * @param  XlsxNotes  $of  is given those of this sheet
     */
    private function sheet(array $parts, XlsxCells $cells, ?Closure $share = null, array $notes = [], XlsxNotes $of = new XlsxNotes): string
    {
        $columns = $looks = [];
        $widths = $rows = '';
        $row = 0;
        foreach ($parts as $at => $part) {
            $share === null || $at % self::ROWS !== 0 || $share($at);
            if ($part->role === SpreadsheetRole::Column->value) {
                $number = count($columns) + 1;
                $columns[$part->id] = CellPlaces::letters($number - 1);
                $looks[$part->id] = $part->string('format');
                $widths .= $part->int('width') > 0
                    ? "<col min=\"{$number}\" max=\"{$number}\" width=\"".round($part->int('width') / 7, 4).'" customWidth="1"/>'
                    : '';
            } elseif ($part->role === SpreadsheetRole::Row->value) {
                $row++;
                $written = '';
                foreach (array_intersect_key($columns, $part->fields) as $column => $letters) {
                    $written .= $cells->cell($letters.$row, $part->id, $part->fields[$column], $looks[$column]);
                }
                foreach (array_intersect_key($columns, $notes[$part->id] ?? []) as $column => $letters) {
                    $of->add($letters.$row, $notes[$part->id][$column]);
                }
                $rows .= $written === '' ? '' : "<row r=\"{$row}\">{$written}</row>";
            }
        }
        $frozen = $parts === [] ? 0 : $parts[0]->int('frozen');
        $pane = $frozen > 0 && $row > 0
            ? "<pane ySplit=\"{$frozen}\" topLeftCell=\"A".($frozen + 1).'" activePane="bottomLeft" state="frozen"/>'
            : '';

        return self::HEAD
            .'<worksheet xmlns="'
            .self::MAIN
            .'" xmlns:r="'
            .self::OFFICE
            ."\"><sheetViews><sheetView workbookViewId=\"0\">{$pane}</sheetView></sheetViews>"
            .($widths === '' ? '' : "<cols>{$widths}</cols>")
            ."<sheetData>{$rows}</sheetData>"
            .($of->isEmpty() ? '' : '<legacyDrawing r:id="r2"/>')
            .'</worksheet>';
    }

    /** @param non-empty-list<string> $names of the tabs */
    private function workbook(array $names, bool $lacksResults): string
    {
        $sheets = '';
        foreach ($names as $at => $name) {
            $number = $at + 1;
            $sheets .= '<sheet name="'.Xml::escape($name)."\" sheetId=\"{$number}\" r:id=\"r{$number}\"/>";
        }

        return self::HEAD
            .'<workbook xmlns="'
            .self::MAIN
            .'" xmlns:r="'
            .self::OFFICE
            ."\"><bookViews><workbookView/></bookViews><sheets>{$sheets}</sheets>"
            .($lacksResults ? '<calcPr fullCalcOnLoad="1"/>' : '')
            .'</workbook>';
    }

    /** @param list<array{string, string}> $targets type and file */
    private function relations(array $targets): string
    {
        $xml = '';
        foreach ($targets as $at => [$type, $file]) {
            $xml .= '<Relationship Id="r'.($at + 1).'" Type="'.self::OFFICE."/{$type}\" Target=\"{$file}\"/>";
        }

        return self::HEAD."<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\">{$xml}</Relationships>";
    }

    /** @param list<int> $withNotes */
    private function types(int $sheets, array $withNotes): string
    {
        $of = fn (string $file, string $type): string => "<Override PartName=\"/xl/{$file}.xml\" ContentType=\""
            .self::TYPE
            ."{$type}+xml\"/>";

        return self::HEAD
            .'<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>'
            .'<Default Extension="xml" ContentType="application/xml"/>'
            .($withNotes === [] ? '' : '<Default Extension="vml" ContentType="application/vnd.openxmlformats-officedocument.vmlDrawing"/>')
            .implode('', array_map(fn (int $at) => $of("comments{$at}", 'comments'), $withNotes))
            .$of('workbook', 'sheet.main')
            .implode('', array_map(fn (int $at) => $of("worksheets/sheet{$at}", 'worksheet'), range(1, $sheets)))
            .$of('styles', 'styles')
            .$of('sharedStrings', 'sharedStrings')
            .'</Types>';
    }
}
