<?php

declare(strict_types=1);

namespace Tests\CommandLine;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Files\FileMerge;
use MistyAttic\Core\Files\FileWriter;
use MistyAttic\Core\Files\LineChanges;
use MistyAttic\Core\Files\Source;
use MistyAttic\Core\Formats\Document\DocxWriter;
use MistyAttic\Core\Formats\Document\HtmlWriter;
use MistyAttic\Core\Formats\Document\MarkdownReader;
use MistyAttic\Core\Formats\Document\MarkdownWriter;
use MistyAttic\Core\Formats\Document\OdtWriter;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\Lines;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\RandomContent;
use Tests\Core\Sketch;

/** Formats read and written, and the core on files. */
final class FilesTest extends TestCase
{
    private const DOCUMENT = <<<'TEXT'
        h1 # Opening <checks> & more
        p1 . Walk the **whole** room.
        i1 - outer
          i2 1 first
          i3 1 second
        i4 x done
        i5 o to do
        q1 > Nobody was told off.
        t1 |
          r1 /
            c1 = For
            c2 = Ask
          r2 /
            c3 = Sewing
            c4 = Jun
        l1 ---
        h2 ## After
        TEXT;

    /** @return array<string, array{FileFormat}> */
    public static function documents(): array
    {
        return [
            'Markdown' => [FileFormat::Markdown],
            'HTML' => [FileFormat::Html],
            'ODT' => [FileFormat::Odt],
            'DOCX' => [FileFormat::Docx],
        ];
    }

    #[DataProvider('documents')]
    public function test_a_document_comes_back_from_a_file(FileFormat $format): void
    {
        $tree = Sketch::read(self::DOCUMENT);
        $writer = match ($format) {
            FileFormat::Markdown => new MarkdownWriter,
            FileFormat::Html => new HtmlWriter,
            FileFormat::Odt => new OdtWriter,
            default => new DocxWriter,
        };
        $back = $format->reader()->read($writer->write('Opening', $tree, fn () => null), new FormatLimits)->tree;
        // In Markdown the first row of a table is its heading, whether it was one or not.
        self::assertSame(
            preg_replace('/^(\s*)\w+ /m', '$1', Sketch::write($tree)),
            preg_replace('/^(\s*)\w+ /m', '$1', Sketch::write($back)),
        );
    }

    #[DataProvider('documents')]
    public function test_pictures_and_marks_survive(FileFormat $format): void
    {
        $pixel = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        $markdown
            = "A **bold**, *slanted*, ~~struck~~, `code` and <u>under</u> [link](https://example.org/a?b=1&c=2).\n\n![A bench](data:image/png;base64,"
            .base64_encode($pixel)
            .")\n";
        $content = (new MarkdownReader)->read($markdown, new FormatLimits);
        $writer = match ($format) {
            FileFormat::Markdown => new MarkdownWriter,
            FileFormat::Html => new HtmlWriter,
            FileFormat::Odt => new OdtWriter,
            default => new DocxWriter,
        };
        $bytes = $writer->write(
            'x',
            $content->tree,
            fn (string $chunk) => 'data:image/png;base64,'.base64_encode($content->pictures[$chunk]),
        );
        $back = $format->reader()->read($bytes, new FormatLimits);
        self::assertSame($content->tree->parts[0]->record(), $back->tree->parts[0]->record());
        self::assertSame($content->tree->parts[1]->record(), $back->tree->parts[1]->record());
        self::assertSame([$pixel], array_values($back->pictures));
    }

    /** @return array<string, array{FileFormat}> */
    public static function workbooks(): array
    {
        return ['XLSX' => [FileFormat::Xlsx], 'ODS' => [FileFormat::Ods]];
    }

    #[DataProvider('workbooks')]
    public function test_a_workbook_comes_back_with_its_values_and_formulas(FileFormat $format): void
    {
        $tree = Sketch::read(
            "t1 tab name=June | frozen=1\n  c1 column width=140\n  c2 column\n  r1 row c1=Item | c2=Price\n  r2 row c1=Kettle | c2=12.5\n  r3 row c1=007 | c2==SUM(B2:B2)*2 → 25\n  r4 row c1=2026-05-03 | c2=TRUE\n  r5 row c1== looks like a formula\nt2 tab name=Empty",
            'spreadsheet',
        );
        $parts = $tree->parts;
        $parts[5] = $parts[5]->with('c1', '007');
        $parts[7] = $parts[7]->with('c1', '=1+1 as text');
        $bytes = FileWriter::of($format, 'book', PartTree::of(array_values($parts)), []);
        $back = $format->reader()->read($bytes, new FormatLimits);
        self::assertSame(
            ['June', 'Item|Price', 'Kettle|12.5', '"007"|["=","SUM(B2:B2)*2",25]', '["d","2026-05-03"]|true', '"=1+1 as text"', 'Empty'],
            array_values(
                array_map(
                    fn (Part $part) => $part->role === 'tab'
                        ? $part->string('name')
                        : implode(
                            '|',
                            array_map(
                                fn (mixed $value) => is_string($value) && ! is_numeric($value) && ! str_starts_with($value, '=')
                                    ? $value
                                    : (string) json_encode($value, JSON_UNESCAPED_SLASHES),
                                $part->fields,
                            ),
                        ),
                    array_filter($back->tree->parts, fn (Part $part) => $part->role !== 'column'),
                ),
            ),
        );
        // The library neither writes nor reads frozen rows of ODS.
        self::assertSame(
            [$format === FileFormat::Xlsx ? 1 : 0, 0],
            array_values(
                array_map(
                    fn (Part $part) => $part->int('frozen'),
                    array_filter($back->tree->parts, fn (Part $part) => $part->role === 'tab'),
                ),
            ),
        );
        self::assertSame([], Kinds::named('spreadsheet')->repair($back->tree) === $back->tree ? [] : ['stray cells']);
    }

    public function test_numbers_in_csv_are_numbers_only_if_nothing_is_lost(): void
    {
        $tree = (new CsvReader)->read("a;007;1.50;1.5;-3;1e3;\"x;\"\"y\"\"\n2\";\r\n", new FormatLimits)->tree;
        self::assertSame(['a', '007', '1.50', 1.5, -3, '1e3', "x;\"y\"\n2"], array_values($tree->parts[count($tree->parts) - 1]->fields));
    }

    public function test_text_that_looks_like_a_formula_is_harmless_in_exported_csv(): void
    {
        $tree = Sketch::read("t1 tab\n  c1 column\n  r1 row c1=x", 'spreadsheet');
        foreach (
            [
                '=HYPERLINK("http://x")' => "\"'=HYPERLINK(\"\"http://x\"\")\"\r\n",
                '@SUM(A1)' => "'@SUM(A1)\r\n",
                '-2+3' => "'-2+3\r\n",
                '+1' => "'+1\r\n",
                'plain' => "plain\r\n",
            ] as $text => $written
        ) {
            $parts = $tree->parts;
            $parts[2] = $parts[2]->with('c1', $text);
            self::assertSame($written, (new CsvWriter)->write(PartTree::of(array_values($parts)), new Grid('column', 'row')));
        }
        $parts[2] = $parts[2]->with('c1', -2);
        self::assertSame(
            "-2\r\n",
            (new CsvWriter)->write(PartTree::of(array_values($parts)), new Grid('column', 'row')),
            'a number is a number',
        );
    }

    public function test_items_of_every_kind_come_back_from_json(): void
    {
        foreach (Kinds::all() as $kind) {
            $tree = (new RandomContent(11, $kind->name()))->tree(30);
            $back = FileFormat::Json->reader()->read((new JsonWriter)->write($kind, $tree), new FormatLimits);
            self::assertSame($kind->name(), $back->kind->name());
            self::assertEquals($tree->parts, $back->tree->parts);
        }
    }

    public function test_line_changes_give_the_other_text_to_the_byte(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        for ($round = 0; $round < 300; $round++) {
            $random = new Randomizer(new Mt19937($seed + $round));
            $old = $this->text($random, $random->getInt(0, 30));
            $new = $this->edited($random, $old);
            $changes = LineChanges::fromJson(json_decode((string) json_encode(LineChanges::between($old, $new)->toJson()), true));
            self::assertSame([$new, []], $changes->apply($old), 'SEED='.($seed + $round));
            self::assertSame($old === $new, $changes->hunks === []);
            self::assertSame($old, implode('', Lines::of($old)));
        }
    }

    public function test_line_changes_find_their_place_in_a_text_that_moved_on(): void
    {
        $old = implode("\n", range('a', 't'))."\n";
        $changes = LineChanges::between($old, str_replace("k\n", "K\n", $old));
        self::assertSame(["new\nnew\n".str_replace("k\n", "K\n", $old), []], $changes->apply("new\nnew\n".$old));
        [, $misfits] = $changes->apply(str_replace("k\n", "changed\n", $old));
        self::assertSame(10, $misfits[0]->at);
    }

    public function test_texts_merge_line_by_line_and_keep_their_ends(): void
    {
        $merge = fn (string $base, string $mine, string $theirs): FileMerge => FileMerge::of(
            ...array_map(
                fn (string $name, string $bytes) => new Source(FileFormat::Text, $name, $bytes),
                ['base.txt', 'mine.txt', 'theirs.txt'],
                [$base, $mine, $theirs],
            ),
        );
        self::assertSame("a!\r\nb\rc?", $merge("a\r\nb\rc", "a!\r\nb\rc", "a\r\nb\rc?")->bytes);
        self::assertSame('the blue box', $merge('the red bin', 'the red box', 'the blue bin')->bytes);
        $met = $merge("a\r\nx\r\n", "b\r\nx\r\n", "c\r\nx\r\n");
        self::assertSame(
            "---- held back, mine: mine.txt\r\nb\r\n---- held back, base: base.txt\r\na\r\n---- held back, theirs: theirs.txt\r\nc\r\n---- end of what was held back\r\nx\r\n",
            $met->bytes,
        );
        self::assertSame([['line' => 1, 'mine' => ['b'], 'base' => ['a'], 'theirs' => ['c']]], $met->conflicts);
        self::assertSame("a\nb", $merge("a\nb\n", "a\nb", "a\nb\n")->bytes, 'the last newline is an edit like any other');
    }

    public function test_tables_and_documents_merge_by_cell_and_part(): void
    {
        $csv = fn (string ...$texts): FileMerge => FileMerge::of(
            ...array_map(fn (string $bytes) => new Source(FileFormat::Csv, 'x.csv', $bytes), $texts),
        );
        $base = "No,Item,Price\r\n1,Kettle,12\r\n2,\"Lamp\",8\r\n";
        self::assertSame(
            "No,Item,Price\r\n1,Red kettle,14\r\n2,\"Lamp\",8\r\n",
            $csv($base, str_replace('12', '14', $base), str_replace('Kettle', 'Red kettle', $base))->bytes,
        );
        $met = $csv($base, str_replace('12', '14', $base), str_replace('12', '13', $base));
        self::assertSame('1,Kettle,theirs: 13 | mine: 14 | base: 12', explode("\r\n", $met->bytes)[1]);
        self::assertSame([12, 14, 13], [$met->conflicts[0]['base'], $met->conflicts[0]['mine'], $met->conflicts[0]['theirs']]);
        $odt = fn (string ...$texts): FileMerge => FileMerge::of(
            ...array_map(
                fn (string $text) => new Source(FileFormat::Odt, 'x.odt', (new OdtWriter)->write('x', Sketch::read($text), fn () => null)),
                $texts,
            ),
        );
        $both = $odt(
            "p1 . Test every socket today.\np2 . Tape it.",
            "p1 . Test each socket today.\np2 . Tape it.",
            "p1 . Test every socket now.\np2 . Tape it.\np3 . Tell the owner.",
        );
        self::assertSame([], $both->conflicts);
        self::assertSame(
            'Test each socket now.|Tape it.|Tell the owner.',
            implode(
                '|',
                array_map(
                    fn (Part $part) => $part->richText()->text(),
                    FileFormat::Odt->reader()->read($both->bytes, new FormatLimits)->tree->parts,
                ),
            ),
        );
        $met = $odt('p1 . Test every socket.', 'p1 . Test each socket.', 'p1 . Test any socket.');
        self::assertCount(1, $met->conflicts);
        self::assertSame(
            'Test any socket.|Held back, mine: Test each socket.',
            implode(
                '|',
                array_map(
                    fn (Part $part) => $part->richText()->text(),
                    FileFormat::Odt->reader()->read($met->bytes, new FormatLimits)->tree->parts,
                ),
            ),
        );
    }

    public function test_whatever_met_is_labelled_where_it_stands(): void
    {
        $csv = fn (string ...$texts): array => explode(
            "\n",
            FileMerge::of(...array_map(fn (string $text) => new Source(FileFormat::Csv, 'x.csv', "No,Item,Price\n{$text}"), $texts))->bytes,
        );
        $base = "1,Kettle,12\n2,Lamp,8\n3,Rug,20\n4,Chair,30\n";
        $without = str_replace("2,Lamp,8\n", '', $base);
        $dearer = str_replace('Lamp,8', 'Lamp,9', $base);
        self::assertSame('2 | mine: removed this row,Lamp,9', $csv($base, $without, $dearer)[2]);
        self::assertSame('2 | theirs: removed this row,Lamp,9', $csv($base, $dearer, $without)[2]);
        $narrow = fn (string $text): string => (string) preg_replace('/^(\\w+,\\w+),\\w+$/m', '$1', "No,Item,Price\n{$text}");
        $merge = FileMerge::of(
            ...array_map(fn (string $text) => new Source(FileFormat::Csv, 'x.csv', $text), [
                "No,Item,Price\n{$base}",
                $narrow($base),
                "No,Item,Price\n{$dearer}",
            ]),
        );
        self::assertSame('No,Item,Price | mine: removed this column', explode("\n", $merge->bytes)[0]);

        $odt = function (string ...$texts): string {
            $merged = FileMerge::of(
                ...array_map(
                    fn (string $text) => new Source(
                        FileFormat::Odt,
                        'x.odt',
                        (new OdtWriter)->write('x', Sketch::read($text), fn () => null),
                    ),
                    $texts,
                ),
            );

            return implode(
                '|',
                array_map(
                    fn (Part $part) => $part->richText()->text(),
                    FileFormat::Odt->reader()->read($merged->bytes, new FormatLimits)->tree->parts,
                ),
            );
        };
        $base = "p1 . Test every socket before the van leaves.\np2 . Tape the cables down.\np3 . Tell the owner about the rest.";
        $without = "p1 . Test every socket before the van leaves.\np3 . Tell the owner about the rest.";
        $edited = str_replace('cables down', 'cables down well', $base);
        self::assertSame(
            'Test every socket before the van leaves.|Tape the cables down well.|Held back: mine removed this, theirs edited it.|Tell the owner about the rest.',
            $odt($base, $without, $edited),
        );
        self::assertSame(
            'Test every socket before the van leaves.|Tape the cables down well.|Held back: mine edited this, theirs removed it.|Tell the owner about the rest.',
            $odt($base, $edited, $without),
        );
        self::assertSame(
            'Ways home|Held back, mine: level 3|The bus goes at six.',
            $odt(
                "h1 # Ways home\np1 . The bus goes at six.",
                "h1 ### Ways home\np1 . The bus goes at six.",
                "h1 ## Ways home\np1 . The bus goes at six.",
            ),
        );
    }

    private function text(Randomizer $random, int $lines): string
    {
        $text = '';
        for (; $lines > 0; $lines--) {
            $text .= ['', 'a', 'b', 'long line', "\xff bad", '修理'][$random->getInt(0, 5)].["\n", "\n", "\r\n", "\r"][$random->getInt(0, 3)];
        }

        return $text.['', 'end without newline'][$random->getInt(0, 1)];
    }

    private function edited(Randomizer $random, string $text): string
    {
        $lines = Lines::of($text);
        for ($edits = $random->getInt(0, 4); $edits > 0; $edits--) {
            array_splice(
                $lines,
                $random->getInt(0, count($lines)),
                $random->getInt(0, 2),
                Lines::of($this->text($random, $random->getInt(0, 2))),
            );
        }

        return implode('', $lines);
    }
}
