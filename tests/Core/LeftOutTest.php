<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Document\DocxReader;
use MistyAttic\Core\Formats\Document\HtmlReader;
use MistyAttic\Core\Formats\Document\OdtReader;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\LeftOut;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\Workbook\XlsxReader;
use MistyAttic\Core\Kinds\Dataset\Source;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/** What a file holds besides is counted, and what comes in keeps its meaning. */
final class LeftOutTest extends TestCase
{
    /** @return array<string, array{FileFormat, string, array<string, int>}> format, its text, what is left out */
    public static function files(): array
    {
        return [
            'footnotes; comments come in as talk' => [
                FileFormat::Docx,
                '<w:p><w:r><w:t>a</w:t><w:footnoteReference w:id="1"/><w:endnoteReference w:id="1"/></w:r><w:commentReference w:id="0"/></w:p>',
                ['footnotes' => 2],
            ],
            'what waits to be taken on, which is proposed' => [
                FileFormat::Docx,
                '<w:p><w:ins w:id="1" w:author="A"><w:r><w:t>a</w:t></w:r></w:ins><w:del w:id="2"><w:r/></w:del></w:p>',
                [],
            ],
            'another prefix' => [FileFormat::Docx, '<x:p><x:r><x:footnoteReference x:id="1"/></x:r></x:p>', ['footnotes' => 1]],
            'joined cells' => [
                FileFormat::Docx,
                '<w:tbl><w:tc><w:tcPr><w:vMerge w:val="restart"/></w:tcPr></w:tc><w:tc><w:tcPr><w:vMerge/></w:tcPr></w:tc></w:tbl>',
                ['merged' => 1],
            ],
            'an equation' => [FileFormat::Docx, '<w:p><m:oMath><m:r/></m:oMath></w:p>', ['equations' => 1]],
            'nothing' => [FileFormat::Docx, '<w:p><w:r><w:t>plain &lt;footnoteReference&gt;</w:t></w:r></w:p>', []],
            'notes in ODT' => [
                FileFormat::Odt,
                '<text:p>a<text:note text:id="1"><text:note-body/></text:note></text:p><office:annotation/>',
                ['footnotes' => 1],
            ],
            'HTML' => [
                FileFormat::Html,
                '<p>x<sup>2</sup></p><iframe src="x"></iframe><table><td rowspan="2">a</td></table>',
                ['embedded' => 1, 'merged' => 1],
            ],
        ];
    }

    /** @param array<string, int> $left */
    #[DataProvider('files')]
    public function test_it_is_counted(FileFormat $format, string $text, array $left): void
    {
        self::assertSame($left, LeftOut::of($format, match ($format) {
            FileFormat::Docx => self::zipped('word/document.xml', "<w:document><w:body>{$text}</w:body></w:document>"),
            FileFormat::Odt => self::zipped('content.xml', "<office:document-content>{$text}</office:document-content>"),
            default => $text,
        }, new FormatLimits, []));
    }

    public function test_a_workbook_keeps_what_its_formulas_say(): void
    {
        $book = new Spreadsheet;
        $one = $book
            ->getActiveSheet()
            ->setTitle('One')
            ->fromArray([['x', 1], ['y', 2]]);
        foreach (
            [
                'C1' => '=SUM(B1:B2000)',
                'C2' => "='The other'!A50",
                'C3' => '=FILTER(A1:A2,B1:B2>1)',
                'C4' => '=SUM(B:B)',
                'C5' => '="A9000"',
            ] as $at => $formula
        ) {
            $one->setCellValue($at, $formula);
        }
        foreach (
            ['D1' => [0.6041666, 'hh:mm'], 'D2' => [1.25, '[h]:mm'], 'D3' => [45_000, 'dd/mm/yyyy'], 'D4' => [45_000.5, 'd mmm hh:mm']] as $at => [$number, $format]
        ) {
            $one->setCellValue($at, $number)->getStyle($at)->getNumberFormat()->setFormatCode($format);
        }
        $one->mergeCells('A6:B6');
        $book->createSheet()->setTitle('The other')->setCellValue('A1', 'q')->setSheetState('hidden');
        (new Xlsx($book))->save($path = (string) tempnam(sys_get_temp_dir(), 'book'));
        $zip = new ZipArchive;
        $zip->open($path);
        $xml = (string) $zip->getFromName('xl/worksheets/sheet1.xml');
        $zip->addFromString(
            'xl/worksheets/sheet1.xml',
            (string) preg_replace('~<c r="B2"[^>]*>.*?</c>~', '<c r="B2"><f t="array" ref="B2">SUM(B1:B1*B1:B1)</f><v>2</v></c>', $xml),
        );
        $zip->close();
        $bytes = (string) file_get_contents($path);
        unlink($path);
        self::assertSame(
            ['merged' => 1, 'hidden' => 1, 'arrays' => 1, 'unknown:FILTER' => 1],
            LeftOut::of(FileFormat::Xlsx, $bytes, new FormatLimits, ['SUM']),
        );
        $tree = (new XlsxReader)->read($bytes, new FormatLimits)->tree;
        $rows = array_count_values(
            array_map(
                fn (string $id): string => substr($id, 0, 2),
                array_column(array_filter($tree->parts, fn ($part) => $part->role === 'row'), 'id'),
            ),
        );
        // A place that a formula names is there, and a whole column goes as far as the table does.
        self::assertSame(['t0' => 2_000, 't1' => 50], $rows);
        // As data a time is what it shows.
        $data = Source::tab(
            PartTree::of([...array_slice($tree->parts, 0, 5), new Part('head', 'row', 1, []), ...array_slice($tree->parts, 5)]),
            'tab0',
        );
        self::assertSame(['14:30', '30:00'], array_column(array_slice(array_values($data->records), 0, 2), 't0c04'));
        $cells = $tree->get('t0r01')->fields;
        self::assertSame(
            [
                ['=', 'SUM(B1:B2000)', 3],
                ['*', '|hh:mm', 0.6041666],
                ['*', '|[h]:mm', 1.25],
                ['*', '|dd/mm/yyyy', 'd', '2023-03-15'],
                ['*', '|d mmm hh:mm', 'd', '2023-03-15T12:00:00'],
                2,
            ],
            [
                $cells['t0c03'],
                $cells['t0c04'],
                ...array_map(fn (int $row) => $tree->get("t0r0{$row}")->fields['t0c04'], [2, 3, 4]),
                $tree->get('t0r02')->fields['t0c02'],
            ],
        );
    }

    public function test_what_was_moved_stands_in_a_control_or_in_a_table_of_a_cell_comes_in(): void
    {
        $run = fn (string $text): string => "<w:p><w:r><w:t>{$text}</w:t></w:r></w:p>";
        $body = "<w:moveTo w:id=\"1\">{$run(
            'Moved',
        )}</w:moveTo><w:p><w:bdo w:val=\"rtl\"><w:r><w:t>Turned</w:t></w:r></w:bdo></w:p><w:sdt><w:sdtContent>{$run(
            'Held',
        )}</w:sdtContent></w:sdt>"
        ."<w:tbl><w:tr><w:tc>{$run('Outer')}<w:tbl><w:tr><w:tc>{$run('Inner')}</w:tc></w:tr></w:tbl></w:tc></w:tr></w:tbl>";
        $tree = (new DocxReader)->read(
            self::zipped(
                'word/document.xml',
                "<w:document xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\"><w:body>{$body}</w:body></w:document>",
            ),
            new FormatLimits,
        )->tree;
        self::assertSame(
            ['Moved', 'Turned', 'Held', "Outer\nInner"],
            array_values(array_filter(array_map(fn ($part) => isset($part->fields['text']) ? $part->richText()->text() : '', $tree->parts))),
        );
    }

    public function test_what_stands_in_a_cell_of_a_text_document_comes_in(): void
    {
        $names
            = 'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"';
        $cell
            = '<text:p>Outer</text:p><text:list><text:list-item><text:p>One</text:p><text:list><text:list-item><text:p>Deeper</text:p></text:list-item></text:list></text:list-item></text:list>'
            .'<text:section><text:p>Apart</text:p></text:section><table:table><table:table-row><table:table-cell><text:p>Inner</text:p></table:table-cell></table:table-row></table:table>';
        $body = "<table:table><table:table-row><table:table-cell>{$cell}</table:table-cell></table:table-row></table:table>";
        $tree = (new OdtReader)->read(
            self::zipped(
                'content.xml',
                "<office:document-content {$names}><office:body><office:text>{$body}</office:text></office:body></office:document-content>",
            ),
            new FormatLimits,
        )->tree;
        self::assertSame(['table', 'row', 'cell'], array_column($tree->parts, 'role'));
        self::assertSame("Outer\nOne\nDeeper\nApart\nInner", $tree->parts[2]->richText()->text());
    }

    #[TestWith([DocumentFormat::Docx])]
    #[TestWith([DocumentFormat::Odt])]
    public function test_prefixes_may_be_any(DocumentFormat $format): void
    {
        $text = fn (string $text, array $marks = []): RichText => new RichText([new Run($text, $marks)]);
        $tree = PartTree::of([
            new Part('p1', 'heading', 0, ['level' => 2, 'text' => $text('Opening')]),
            new Part('p2', 'item', 0, ['style' => 'number', 'done' => false, 'text' => $text('One', ['bold' => true])]),
            new Part('p3', 'paragraph', 0, ['text' => $text('a link', ['link' => 'https://example.org/'])]),
            new Part('p4', 'table', 0, []),
            new Part('p5', 'row', 1, []),
            new Part('p6', 'cell', 2, ['head' => true, 'text' => $text('Bench')]),
        ]);
        $bytes = $format->writer()->write('A title', $tree, fn () => null);
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'prefix'), $bytes);
        $zip = new ZipArchive;
        $zip->open($path);
        for ($at = 0; $at < $zip->numFiles; $at++) {
            $name = (string) $zip->getNameIndex($at);
            if (preg_match('/\.(xml|rels)$/', $name) === 1 && $name !== '[Content_Types].xml') {
                $zip->addFromString(
                    $name,
                    (string) preg_replace(
                        ['/(<\/?|\s)(?!xml)(\w+):(?=[\w-]+[\s=>\/])/', '/xmlns:(\w+)=/'],
                        ['$1of$2:', 'xmlns:of$1='],
                        (string) $zip->getFromIndex($at),
                    ),
                );
            }
        }
        $zip->close();
        $other = (string) file_get_contents($path);
        unlink($path);
        self::assertNotSame($bytes, $other);
        $told = fn (string $bytes): array => array_map(
            fn (Part $part) => [
                $part->role,
                $part->depth,
                json_encode(array_map(fn (mixed $field): mixed => $field instanceof RichText ? $field->toJson() : $field, $part->fields)),
            ],
            FileFormat::from($format->value)->reader()->read($bytes, new FormatLimits)->tree->parts,
        );
        self::assertSame($told($bytes), $told($other));
        self::assertCount(6, $told($other));
    }

    public function test_a_table_in_a_cell_comes_in_once(): void
    {
        $tree = (new HtmlReader)->read(
            '<table><tr><td>outer<table><tr><td>one</td><td>two</td></tr></table></td><td>beside</td></tr></table>',
            new FormatLimits,
        )->tree;
        self::assertSame(['table', 'row', 'cell', 'cell'], array_column($tree->parts, 'role'));
        self::assertSame(
            ["outer\none two", 'beside'],
            array_map(fn (Part $part) => $part->richText()->text(), array_slice($tree->parts, 2)),
        );
    }

    private static function zipped(string $name, string $text): string
    {
        $package = new Package;
        $package->add($name, $text);

        return $package->bytes();
    }
}
