<?php

declare(strict_types=1);

namespace Tests\Core;

use Closure;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Unreadable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Small files that say that they are very large: refused while they are read, at a cost of their own size. */
final class HostileFilesTest extends TestCase
{
    /** Bytes of memory that reading any of them may take. */
    private const MOST = 250_000_000;

    private const CELL = '<table:table-cell office:value-type="string"%s><text:p>a</text:p></table:table-cell>';

    /** @return array<string, array{FileFormat, Closure(): string, string}> format, bytes, why it is refused */
    public static function files(): array
    {
        $rows = fn (string $rows): Closure => fn (): string => self::xlsx("<sheetData>{$rows}</sheetData>");

        return [
            'cells without a place' => [FileFormat::Xlsx, $rows('<row>'.str_repeat('<c><v>1</v></c>', 400_000).'</row>'), 'more cells'],
            'a long text in every cell' => [
                FileFormat::Xlsx,
                fn () => self::xlsx(
                    '<sheetData>'.str_repeat('<row>'.str_repeat('<c t="s"><v>0</v></c>', 10).'</row>', 20_000).'</sheetData>',
                    '<si><t>'.str_repeat('a', 32_000).'</t></si>',
                ),
                'texts are larger',
            ],
            'repeated rows' => [
                FileFormat::Ods,
                fn () => self::ods(
                    '<table:table-row table:number-rows-repeated="1000000">'.sprintf(self::CELL, '').'</table:table-row>',
                ),
                'more cells',
            ],
            'repeated columns' => [
                FileFormat::Ods,
                fn () => self::ods(
                    str_repeat(
                        '<table:table-row>'.sprintf(self::CELL, ' table:number-columns-repeated="16000"').'</table:table-row>',
                        100,
                    ),
                ),
                'more cells',
            ],
            'both' => [
                FileFormat::Ods,
                fn () => self::ods(
                    '<table:table-row table:number-rows-repeated="99999999999">'
                        .sprintf(self::CELL, ' table:number-columns-repeated="99999999999"')
                        .'</table:table-row>',
                ),
                'more cells',
            ],
            'spaces in a cell' => [
                FileFormat::Ods,
                fn () => self::ods(
                    '<table:table-row><table:table-cell office:value-type="string"><text:p><text:s text:c="2000000000"/></text:p></table:table-cell></table:table-row>',
                ),
                'more than can be read',
            ],
            'spaces in a text' => [
                FileFormat::Odt,
                fn () => self::odf('text', '<text:p>'.str_repeat('<text:s text:c="2000000000"/>', 20_000).'</text:p>'),
                'more spaces',
            ],
            'short lines and a quotation mark' => [
                FileFormat::Csv,
                fn () => str_repeat("a\n", 300_000).'"'.str_repeat("b\n", 300_000),
                'more rows',
            ],
            'lines and lines' => [FileFormat::Csv, fn () => str_repeat("\n", 3_000_001), 'more lines'],
            'values and values' => [FileFormat::Json, fn () => '['.str_repeat('1,', 300_000).'1]', 'more values'],
        ];
    }

    /** @param Closure(): string $make */
    #[DataProvider('files')]
    #[Group('slow')]
    public function test_it_is_refused_before_it_grows(FileFormat $format, Closure $make, string $why): void
    {
        $bytes = $make();
        gc_collect_cycles();
        $before = memory_get_usage();
        memory_reset_peak_usage();
        try {
            $format
                ->reader()
                ->read($bytes, new FormatLimits(bytes: 10_485_760, unpacked: 134_217_728, tree: 8_388_608, parts: 250_000, cells: 300_000));
            self::fail('It was read.');
        } catch (Unreadable $refused) {
            self::assertStringContainsString($why, $refused->getMessage());
        }
        self::assertLessThan(self::MOST, memory_get_peak_usage() - $before);
    }

    public function test_a_link_over_all_cells_makes_none(): void
    {
        $bytes = self::xlsx(
            '<sheetData><row r="1"><c r="A1"><v>1</v></c></row></sheetData><hyperlinks><hyperlink ref="A1:XFD1048576" location="S!A1"/></hyperlinks>',
        );
        self::assertSame(
            ['tab', 'column', 'row'],
            array_column(FileFormat::Xlsx->reader()->read($bytes, new FormatLimits)->tree->parts, 'role'),
        );
    }

    private static function xlsx(string $sheet, string $shared = ''): string
    {
        $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
        $package = new Package;
        $package->add('[Content_Types].xml', '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>');
        $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $package->add(
            'xl/workbook.xml',
            "<workbook xmlns=\"{$main}\" xmlns:r=\"{$office}\"><sheets><sheet name=\"S\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>",
        );
        $package->add(
            'xl/_rels/workbook.xml.rels',
            "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\" Type=\"{$office}/worksheet\" Target=\"worksheets/sheet1.xml\"/><Relationship Id=\"r2\" Type=\"{$office}/sharedStrings\" Target=\"sharedStrings.xml\"/></Relationships>",
        );
        $package->add('xl/worksheets/sheet1.xml', "<worksheet xmlns=\"{$main}\">{$sheet}</worksheet>");
        $package->add('xl/sharedStrings.xml', "<sst xmlns=\"{$main}\">{$shared}</sst>");

        return $package->bytes();
    }

    private static function ods(string $rows): string
    {
        return self::odf('spreadsheet', "<table:table table:name=\"S\">{$rows}</table:table>");
    }

    private static function odf(string $kind, string $body): string
    {
        $package = new Package;
        $package->add('mimetype', "application/vnd.oasis.opendocument.{$kind}", packed: false);
        $of = 'urn:oasis:names:tc:opendocument:xmlns';
        $package->add(
            'content.xml',
            "<office:document-content xmlns:office=\"{$of}:office:1.0\" xmlns:table=\"{$of}:table:1.0\" xmlns:text=\"{$of}:text:1.0\"><office:body><office:{$kind}>{$body}</office:{$kind}></office:body></office:document-content>",
        );

        return $package->bytes();
    }
}
