<?php

declare(strict_types=1);

namespace Tests\Core;

use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Files\FileWriter;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\LeftOut;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Workbook\CellNote;
use MistyAttic\Core\Formats\Workbook\OdsFormula;
use MistyAttic\Core\Formats\Workbook\SheetFormat;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Formula;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\ReferenceHelper;
use PhpOffice\PhpSpreadsheet\RichText\RichText;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/** XLSX as it is written and read here, held against two programs that share nothing with it: PhpSpreadsheet and openpyxl. */
#[Group('slow')]
final class WorkbookTest extends TestCase
{
    private const TEXTS = [
        'plain',
        '  two spaces ',
        "two\nlines",
        '<b>&amp;',
        '日本',
        '007',
        '1.50',
        '_x0041_',
        "tab\there",
        "a\x0Bb",
        '=1+1',
        'TRUE',
        "it's “so”",
        '🔧',
        '#N/A!x',
    ];

    private const LOOKS = ['', '', '', 'b', 'bi', 'ic', 'r', '|0.00', 'bl|#,##0.00', '|0%', '|[$€-407] #,##0.00', '|"x" 0'];

    private const FORMULAS = [
        'SUM(A1:A3)',
        '"a "" b"&B2',
        "'My tab'!B\$2*2",
        'IF(A1>1,"big","small")',
        'Other!A1',
        'CONCAT(A1:A2)',
        'A1/0',
        '$A$1+A$2-$B1',
    ];

    public function test_what_is_written_is_read_by_others_and_comes_back(): void
    {
        mt_srand($seed = (int) (getenv('SEED') ?: random_int(1, 1 << 30)));
        for ($run = 0; $run < 20; $run++) {
            $tree = self::book();
            $bytes = FileWriter::of(FileFormat::Xlsx, 'book', $tree, []);
            $says = "seed {$seed}, run {$run}";
            self::assertSame(self::ours($tree), self::ours(FileFormat::Xlsx->reader()->read($bytes, new FormatLimits)->tree), $says);
            self::assertSame(self::plain($tree), self::theirs($bytes), $says);
            if (is_dir('/usr/lib/python3/dist-packages/openpyxl') && $run < 3) {
                self::assertSame(self::plain($tree), self::python($bytes), $says);
            }
        }
    }

    public function test_what_others_write_is_read_as_they_read_it(): void
    {
        mt_srand($seed = (int) (getenv('SEED') ?: random_int(1, 1 << 30)));
        for ($run = 0; $run < 10; $run++) {
            $tree = self::book();
            $book = IOFactory::load($path = self::file(FileWriter::of(FileFormat::Xlsx, 'book', $tree, [])));
            IOFactory::createWriter($book, 'Xlsx')->setPreCalculateFormulas(false)->save($path);
            $bytes = (string) file_get_contents($path);
            unlink($path);
            [$wanted, $read] = [self::plain($tree), self::plain(FileFormat::Xlsx->reader()->read($bytes, new FormatLimits)->tree)];
            // The library writes numbers with fewer digits.
            foreach ($read as $place => $value) {
                $was = $wanted[$place] ?? null;
                $read[$place]
                    = (is_int($value) || is_float($value)) && (is_int($was) || is_float($was)) && abs($value - $was) <= 1e-8 * abs($was)
                        ? $was
                        : $value;
            }
            self::assertSame($wanted, $read, "seed {$seed}, run {$run}");
        }
    }

    /** @return array<string, array{string, list<mixed>, 2?: string}> rows, the values of all cells in order, shared texts and styles */
    public static function sheets(): array
    {
        $date
            = '<styleSheet xmlns="urn:x"><cellXfs><xf/><xf numFmtId="14"/><xf numFmtId="46"/><xf numFmtId="0" fontId="1"/></cellXfs><fonts><font/><font><b/><i val="0"/></font></fonts></styleSheet>';

        return [
            'texts of all sorts' => [
                '<row r="1"><c r="A1" t="s"><v>0</v></c><c r="B1" t="inlineStr"><is><r><t>in </t></r><r><t>line</t></r></is></c><c r="C1" t="str"><f>"x"</f><v>x</v></c><c r="D1" t="s"><v>9</v></c></row>',
                ['A rich text', 'in line', ['=', '"x"', 'x']],
            ],
            'letters by their numbers' => [
                '<row r="1"><c r="A1" t="inlineStr"><is><t>a_x000D_b_x005F_x0041_</t></is></c></row>',
                ["a\rb_x0041_"],
            ],
            'booleans, errors, days' => [
                '<row r="1"><c t="b"><v>1</v></c><c t="e"><v>#N/A</v></c><c t="e"><v>#GETTING_DATA</v></c><c t="d"><v>2026-05-03T10:00:00Z</v></c><c><v>1.5e3</v></c></row>',
                [true, ['!', '#N/A'], ['!', '#VALUE!'], ['d', '2026-05-03T10:00:00'], 1500],
            ],
            'a shared formula goes down and stays where it is fixed' => [
                '<row r="1"><c r="A1"><f t="shared" si="0" ref="A1:A3">B1*$C$1+"B1"</f><v>1</v></c></row><row r="3"><c r="A3"><f t="shared" si="0"/><v>2</v></c></row>',
                [['=', 'B1*$C$1+"B1"', 1], ['=', 'B3*$C$1+"B1"', 2]],
            ],
            'what works on a block keeps what it gave' => [
                '<row r="1"><c r="A1"><f t="array" ref="A1:A2">B1:B2*2</f><v>4</v></c></row>',
                [4],
            ],
            'days, stretches of time and bold by their style' => [
                '<row r="1"><c s="1"><v>45000</v></c><c s="1"><v>45000.5</v></c><c s="2"><v>1.25</v></c><c s="3"><v>7</v></c><c s="1"><v>-3</v></c><c s="1"><v>99999999</v></c></row>',
                [
                    ['*', '|'.'m/d/yyyy', 'd', '2023-03-15'],
                    ['*', '|m/d/yyyy', 'd', '2023-03-15T12:00:00'],
                    ['*', '|[h]:mm:ss', 1.25],
                    ['*', 'b', 7],
                    ['*', '|m/d/yyyy', -3],
                    ['*', '|m/d/yyyy', 99999999],
                ],
                $date,
            ],
            'rows and cells without a place' => [
                '<row><c><v>1</v></c><c><v>2</v></c></row><row r="4"><c r="C4"><v>3</v></c><c><v>4</v></c></row>',
                [1, 2, 3, 4],
            ],
        ];
    }

    /** @param list<mixed> $values */
    #[DataProvider('sheets')]
    public function test_what_others_may_write_is_read(string $rows, array $values, string $styles = '<styleSheet xmlns="urn:x"/>'): void
    {
        $shared = '<si><r><t>A rich </t></r><rPh><t>aloud</t></rPh><r><t>text</t></r></si>';
        foreach (
            [
                ['http://schemas.openxmlformats.org/spreadsheetml/2006/main', ''],
                ['http://purl.oclc.org/ooxml/spreadsheetml/main', ''],
                ['http://schemas.openxmlformats.org/spreadsheetml/2006/main', 'x:'],
            ] as [$main, $prefix]
        ) {
            $in = fn (string $root, string $xml): string => preg_replace('~<(/?)(\w)~', "<$1{$prefix}$2", "<{$root}>{$xml}</{$root}>").'';
            $named = fn (string $xml): string => (string) preg_replace(
                '/>/',
                ' xmlns'
                    .($prefix === '' ? '' : ':x')
                    ."=\"{$main}\" xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\">",
                $xml,
                1,
            );
            $bytes = self::zipped([
                'xl/workbook.xml' => $named($in('workbook', '<sheets><sheet name="One" sheetId="7" r:id="a"/></sheets>')),
                'xl/_rels/workbook.xml.rels' => preg_replace(
                    '~<(/?)R~',
                    "<$1{$prefix}R",
                    '<Relationships xmlns'
                        .rtrim(":{$prefix}", ':')
                        .'="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="a" Type="x/worksheet" Target="/xl/worksheets/odd name.xml"/><Relationship Id="b" Type="x/sharedStrings" Target="./s/../strings.xml"/><Relationship Id="c" Type="x/styles" Target="styles.xml"/></Relationships>',
                ).'',
                'xl/worksheets/odd name.xml' => $named($in('worksheet', "<sheetData>{$rows}</sheetData>")),
                'xl/strings.xml' => $named($in('sst', $shared)),
                'xl/styles.xml' => str_replace('urn:x', $main, $styles),
            ]);
            $tree = FileFormat::Xlsx->reader()->read($bytes, new FormatLimits)->tree;
            self::assertSame(
                $values,
                array_merge(...array_map(fn (Part $part): array => $part->role === 'row' ? array_values($part->fields) : [], $tree->parts)),
            );
        }
    }

    public function test_a_workbook_that_counts_its_days_from_1904(): void
    {
        $book = new Spreadsheet;
        $before = Date::getExcelCalendar();
        try {
            $book->setExcelCalendar(Date::CALENDAR_MAC_1904);
            $book->getActiveSheet()->setCellValue('A1', 43_538)->getStyle('A1')->getNumberFormat()->setFormatCode('yyyy-mm-dd');
            IOFactory::createWriter($book, 'Xlsx')->save($path = self::file(''));
        } finally {
            Date::setExcelCalendar($before);
        }
        $bytes = (string) file_get_contents($path);
        unlink($path);
        self::assertSame(['d', '2023-03-15'], FileFormat::Xlsx->reader()->read($bytes, new FormatLimits)->tree->parts[2]->fields['t0c01']);
    }

    public function test_tabs_get_names_that_workbooks_take_and_formulas_follow(): void
    {
        $long = str_repeat('A long name ', 5);
        $parts = [];
        foreach (["{$long}one", "{$long}two", 'Jan/Feb', 'jan feb', "'", ''] as $at => $name) {
            array_push(
                $parts,
                new Part("tab{$at}", 'tab', 0, ['name' => $name, 'frozen' => 0]),
                new Part("t{$at}c1", 'column', 1, ['width' => 0, 'format' => '']),
                new Part("t{$at}r1", 'row', 1, ["t{$at}c1" => $at === 0 ? ['=', '[t1r1.t1c1]+[t2r1.t2c1]', 3] : $at]),
            );
        }
        foreach ([SheetFormat::Xlsx, SheetFormat::Ods] as $format) {
            $back = FileFormat::from($format->value)->reader()->read($format->write(PartTree::of($parts)), new FormatLimits)->tree;
            self::assertSame(
                ['A long name A long name A long', 'A long name A long name A lon 2', 'Jan Feb', 'jan feb 2', 'Sheet 5', 'Sheet 6'],
                array_values(
                    array_map(fn (Part $part) => $part->string('name'), array_filter($back->parts, fn (Part $part) => $part->role === 'tab')),
                ),
            );
            self::assertSame("'A long name A long name A lon 2'!A1+'Jan Feb'!A1", Cell::formula($back->parts[2]->fields['t0c01']));
        }
    }

    public function test_formulas_go_out_to_ods_as_the_standard_spells_them_and_come_back(): void
    {
        $spelled = [
            'LOG10(A1)+1' => 'LOG10([.A1])+1',
            'SUM({1,2;3,4})' => 'SUM({1;2|3;4})',
            'SUM({"a,b","c;d"})' => 'SUM({"a,b";"c;d"})',
            'IF(A1>1,"x, y;z",B1)' => 'IF([.A1]>1;"x, y;z";[.B1])',
            "SUM('My tab'!A1:\$B2,A:A,2:2)" => "SUM(['My tab'.A1:.\$B2];[.A:.A];[.2:.2])",
            'VLOOKUP(A1,A1:B2,2,FALSE)' => 'VLOOKUP([.A1];[.A1:.B2];2;FALSE())',
            '"TRUE()"&CEILING(A1,2)' => '"TRUE()"&COM.MICROSOFT.CEILING([.A1];2)',
            'A1%-B1^2' => '[.A1]%-[.B1]^2',
        ];
        $parts = [
            new Part('tab0', 'tab', 0, ['name' => 'My tab', 'frozen' => 0]),
            new Part('t0c01', 'column', 1, ['width' => 0, 'format' => '']),
        ];
        foreach (array_keys($spelled) as $at => $formula) {
            self::assertSame("of:={$spelled[$formula]}", OdsFormula::of($formula));
            $parts[] = new Part(sprintf('t0r%02d', $at + 1), 'row', 1, ['t0c01' => ['=', $formula, $at]]);
        }
        $back = FileFormat::Ods->reader()->read(FileWriter::of(FileFormat::Ods, 'book', PartTree::of($parts), []), new FormatLimits)->tree;
        foreach (array_keys($spelled) as $at => $formula) {
            self::assertSame(['=', $formula, $at], $back->get(sprintf('t0r%02d', $at + 1))->fields['t0c01']);
        }
    }

    public function test_a_formula_that_is_written_further_on_is_as_the_library_has_it(): void
    {
        foreach (['A1', '$A1', 'A$1', '$A$1', 'SUM(B2:$C3)', 'B:B', '3:4', 'C5&"C5"', 'ZZ9+AA10'] as $formula) {
            foreach ([[0, 0], [1, 2], [3, 0], [0, 5]] as [$columns, $rows]) {
                self::assertSame(
                    ReferenceHelper::getInstance()->updateFormulaReferences($formula, 'A1', $columns, $rows),
                    Formula::moved($formula, $columns, $rows),
                    "{$formula} by {$columns}, {$rows}",
                );
            }
        }
        // The library takes functions for places.
        self::assertSame('LOG10(D7)', Formula::moved('LOG10(C5)', 1, 2));
        self::assertSame("#REF!+B1+'It''s'!D7&\"C5\"+Other!B3:\$D5", Formula::moved("A2+C2+'It''s'!E8&\"C5\"+Other!C4:\$D6", -1, -1));
    }

    public function test_notes_of_cells_go_out_and_come_in(): void
    {
        $tree = PartTree::of([
            new Part('tone', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
            new Part('c1', 'column', 1, []),
            new Part('c2', 'column', 1, []),
            new Part('r1', 'row', 1, ['c1' => 'x', 'c2' => 3]),
            new Part('r2', 'row', 1, []),
            new Part('ttwo', 'tab', 0, ['name' => 'Two', 'frozen' => 0]),
            new Part('d1', 'column', 1, []),
            new Part('s1', 'row', 1, ['d1' => 'y']),
        ]);
        $notes = [
            'r1' => ['c2' => new CellNote('Ines & co', "Ines: why <3>?\nTobi: \x0Bso.")],
            'r2' => ['c2' => new CellNote('Tobi', 'On an empty cell')],
            's1' => ['d1' => new CellNote('Ines & co', 'On the other tab'), 'c1' => new CellNote('x', 'of no column here')],
        ];
        foreach ([SheetFormat::Xlsx, SheetFormat::Ods] as $format) {
            $bytes = $format->write($tree, notes: $notes);
            $mark = $format === SheetFormat::Xlsx ? "\x0B" : '';
            $said = [
                ['Ines & co', "Ines: why <3>?\nTobi: {$mark}so.", [0, 0, 1]],
                ['Tobi', 'On an empty cell', [0, 1, 1]],
                ['Ines & co', 'On the other tab', [1, 0, 0]],
            ];
            $content = FileFormat::from($format->value)->reader()->read($bytes, new FormatLimits);
            self::assertSame(
                $said,
                array_map(fn (SaidInFile $one): array => [$one->by, $one->text, $one->cell], $content->said),
                $format->value,
            );
            self::assertSame([], LeftOut::of(FileFormat::from($format->value), $bytes, new FormatLimits, ['SUM']));
            // The place of a note is there, though nothing is in it.
            self::assertEquals(
                ['row' => 3, 'column' => 3],
                array_intersect_key(array_count_values(array_column($content->tree->parts, 'role')), ['row' => 0, 'column' => 0]),
            );
            $book = IOFactory::load($path = self::file($bytes, $format->value));
            unlink($path);
            self::assertSame(['B1', 'B2'], array_keys($book->getSheet(0)->getComments()), $format->value);
            self::assertStringContainsString('why <3>?', $book->getSheet(0)->getComment('B1')->getText()->getPlainText());
        }
        // Threads of newer files are read, and not what their notes repeat of them; a note far away makes no table longer.
        $book = IOFactory::load($path = self::file(SheetFormat::Xlsx->write($tree, notes: $notes), 'xlsx'));
        $zip = new ZipArchive;
        $zip->open($path);
        $zip->addFromString('xl/persons/person.xml', '<personList><person displayName="Nell" id="{1}"/></personList>');
        $zip->addFromString(
            'xl/threadedComments/threadedComment1.xml',
            '<ThreadedComments><threadedComment ref="B1" personId="{1}"><text>First</text></threadedComment><threadedComment ref="B1" personId="{2}"><text>Second</text></threadedComment><threadedComment ref="A999999" personId="{1}"><text>Far</text></threadedComment></ThreadedComments>',
        );
        foreach (
            [
                'xl/worksheets/_rels/sheet1.xml.rels' => ['threadedComment', '../threadedComments/threadedComment1.xml'],
                'xl/_rels/workbook.xml.rels' => ['person', 'persons/person.xml'],
            ] as $name => [$type, $target]
        ) {
            $zip->addFromString(
                $name,
                str_replace(
                    '</Relationships>',
                    "<Relationship Id=\"rx\" Type=\"http://schemas.example/{$type}\" Target=\"{$target}\"/></Relationships>",
                    (string) $zip->getFromName($name),
                ),
            );
        }
        $zip->close();
        $content = FileFormat::Xlsx->reader()->read((string) file_get_contents($path), new FormatLimits);
        unlink($path);
        self::assertSame(
            [['Nell', 'First'], ['', 'Second'], ['Nell', 'Far'], ['Tobi', 'On an empty cell'], ['Ines & co', 'On the other tab']],
            array_map(fn (SaidInFile $one): array => [$one->by, $one->text], $content->said),
        );
        self::assertSame(3, count(array_keys(array_column($content->tree->parts, 'role'), 'row', true)));
    }

    public function test_it_is_told_how_far_writing_and_reading_have_come(): void
    {
        $parts = [];
        foreach ([0, 1] as $at) {
            $parts[] = new Part("tab{$at}", 'tab', 0, ['name' => "T{$at}", 'frozen' => 0]);
            $parts[] = new Part("t{$at}c1", 'column', 1, ['width' => 0, 'format' => '']);
            for ($row = 0; $row < 2_000; $row++) {
                $parts[] = new Part("t{$at}r{$row}", 'row', 1, ["t{$at}c1" => $row]);
            }
        }
        $shares = [[], []];
        $told = function (int $of) use (&$shares): Closure {
            return function (float $share) use (&$shares, $of): void {
                $shares[$of][] = round($share, 2);
            };
        };
        FileFormat::Xlsx->reader($told(1))->read(SheetFormat::Xlsx->write(PartTree::of($parts), share: $told(0)), new FormatLimits);
        self::assertSame([0.0, 0.12, 0.25, 0.37, 0.5, 0.5, 0.62, 0.75, 0.87, 1.0], $shares[0]);
        self::assertSame([0.13, 0.25, 0.38, 0.5, 0.63, 0.75, 0.88, 1.0], $shares[1]);
    }

    public function test_what_is_broken_is_refused(): void
    {
        $good = FileWriter::of(FileFormat::Xlsx, 'book', self::book(), []);
        $zip = new ZipArchive;
        $zip->open($path = self::file($good));
        $zip->addFromString('xl/worksheets/sheet1.xml', substr((string) $zip->getFromName('xl/worksheets/sheet1.xml'), 0, -20));
        $zip->close();
        $this->expectException(Unreadable::class);
        $this->expectExceptionMessage('its XML is broken');
        FileFormat::Xlsx->reader()->read((string) file_get_contents($path), new FormatLimits);
    }

    private static function book(): PartTree
    {
        $parts = [];
        foreach (['My tab', 'Other'] as $at => $name) {
            $columns = mt_rand(1, 5);
            $parts[] = new Part("tab{$at}", 'tab', 0, ['name' => $name, 'frozen' => mt_rand(0, 2)]);
            for ($column = 1; $column <= $columns; $column++) {
                $parts[] = new Part("t{$at}c0{$column}", 'column', 1, ['width' => 70 * mt_rand(0, 3), 'format' => '']);
            }
            for ($row = 1; $row <= 6; $row++) {
                $fields = [];
                for ($column = 1; $column <= $columns; $column++) {
                    $value = self::value();
                    $value === null || $fields["t{$at}c0{$column}"] = $value;
                }
                $parts[] = new Part("t{$at}r0{$row}", 'row', 1, $fields);
            }
        }

        return PartTree::of($parts);
    }

    /** @return string|int|float|bool|list<string|int|float|bool>|null */
    private static function value(): string|int|float|bool|array|null
    {
        $result = match (mt_rand(0, 6)) {
            0 => null,
            1, 2 => self::TEXTS[mt_rand(0, count(self::TEXTS) - 1)],
            3 => mt_rand(-1000, 1000),
            4 => Cell::number((float) (mt_rand(1, 1 << 30) / (1 << mt_rand(1, 20)) * 10 ** mt_rand(-8, 8))),
            5 => (bool) mt_rand(0, 1),
            default => [['d', '2026-05-03'], ['d', '2026-05-03T14:30:00'], ['!', '#DIV/0!'], ['!', '#REF!']][mt_rand(0, 3)],
        };
        $look = self::LOOKS[mt_rand(0, count(self::LOOKS) - 1)];
        if (is_array($result) && $result[0] === 'd') {
            return Cell::dressed($result, explode('|', $look)[0]);
        }
        $value = mt_rand(0, 4) === 0 && $result !== null
            ? ['=', self::FORMULAS[mt_rand(0, count(self::FORMULAS) - 1)], ...(array) $result]
            : $result;

        return $value === null && $look === '' ? null : Cell::dressed($value, $look);
    }

    /** @return list<array{string, array<string, mixed>}> all that is kept of each tab and row, by place */
    private static function ours(PartTree $tree): array
    {
        $rows = array_map(
            fn (Part $part): array => [
                $part->role === 'tab' ? $part->string('name').$part->int('frozen') : (string) $part->int('width'),
                $part->role === 'row' ? $part->fields : [],
            ],
            $tree->parts,
        );
        // Empty rows and columns at the ends are nothing that a file tells.
        return array_values(array_filter($rows, fn (array $row) => $row[1] !== []));
    }

    /** @return array<string, mixed> tab!A1 => the formula, or the plain value */
    private static function plain(PartTree $tree): array
    {
        $cells = [];
        $tab = '';
        foreach ($tree->parts as $part) {
            $tab = $part->role === 'tab' ? $part->string('name') : $tab;
            foreach ($part->role === 'row' ? $part->fields : [] as $column => $value) {
                $result = Cell::result($value);
                $formula = Cell::formula($value);
                if ($formula !== null || $result !== null) {
                    $at = chr(64 + (int) substr($column, -2)).(int) substr($part->id, -2);
                    $cells["{$tab}!{$at}"] = $formula !== null ? "={$formula}" : (is_array($result) ? (string) $result[1] : $result);
                }
            }
        }
        ksort($cells);

        return $cells;
    }

    /** @return array<string, mixed> */
    private static function theirs(string $bytes): array
    {
        $book = IOFactory::load($path = self::file($bytes));
        unlink($path);
        $cells = [];
        foreach ($book->getAllSheets() as $sheet) {
            foreach ($sheet->getCoordinates() as $at) {
                $value = self::their($sheet, $at);
                $value === null || $cells["{$sheet->getTitle()}!{$at}"] = $value;
            }
        }
        ksort($cells);

        return $cells;
    }

    private static function their(Worksheet $sheet, string $at): mixed
    {
        $cell = $sheet->getCell($at);
        $value = $cell->getValue();
        if (is_string($value) && $cell->isFormula()) {
            return str_replace('_xlfn.', '', $value);
        }
        if (is_numeric($value) && ! is_string($value)) {
            return Date::isDateTime($cell)
                ? str_replace('T00:00:00', '', Date::excelToDateTimeObject($value)->format('Y-m-d\TH:i:s'))
                : Cell::number((float) $value);
        }

        return $value instanceof RichText ? $value->getPlainText() : $value;
    }

    /** @return array<string, mixed> */
    private static function python(string $bytes): array
    {
        $path = self::file($bytes, '.xlsx');
        try {
            $cells = json_decode(
                (string) shell_exec('/usr/bin/python3 '.escapeshellarg(__DIR__.'/readers.py').' '.escapeshellarg($path)),
                true,
                512,
                JSON_THROW_ON_ERROR,
            );
        } finally {
            unlink($path);
        }
        ksort($cells);

        return array_map(
            fn (mixed $value): mixed => is_int($value) || is_float($value)
                ? Cell::number((float) $value)
                : (is_string($value)
                    ? str_replace(['_xlfn.', '_x000B_', '_x005F_'], ['', "\x0B", '_'], $value)
                    : $value),
            $cells,
        );
    }

    /** @param array<string, string> $files */
    private static function zipped(array $files): string
    {
        $package = new Package;
        foreach ($files as $name => $bytes) {
            $package->add($name, $bytes);
        }

        return $package->bytes();
    }

    private static function file(string $bytes, string $ending = ''): string
    {
        file_put_contents($path = sys_get_temp_dir().'/attic-'.bin2hex(random_bytes(6)).$ending, $bytes);

        return $path;
    }
}
