<?php

declare(strict_types=1);

namespace Tests\CommandLine;

use JsonSchema\Validator;
use MistyAttic\Core\Files\FileWriter;
use MistyAttic\Core\Formats\Document\DocxWriter;
use MistyAttic\Core\Formats\Document\OdtWriter;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Package;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Sketch;

/** bin/attic as people run it, also on what was made to hurt. */
final class AtticTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/attic-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
    }

    /** @return array<string, array{string, string, string}> ending, old and new */
    public static function pairs(): array
    {
        $document = fn (string $sketch) => Sketch::read($sketch);
        $old = "h1 # Opening checks\np1 . Test every socket and lead.\ni1 - tools\ni2 - paint\np2 . Tape what fails.";
        $new = "h1 # Opening checks\np2 . Tape what fails.\np1 . Test every red socket.\ni1 - tools\ni2 - wax";
        $sheet
            = "t1 tab name=June\n  c1 column\n  c2 column\n  r1 row c1=Item | c2=Price\n  r2 row c1=Kettle | c2=12\n  r3 row c1=Lamp | c2=8";
        $odt = fn (string $sketch): string => (new OdtWriter)->write('x', Sketch::read($sketch), fn () => null);
        $docx = fn (string $sketch): string => (new DocxWriter)->write('x', Sketch::read($sketch), fn () => null);
        $book = fn (FileFormat $format, string $sketch): string => FileWriter::of($format, 'book', Sketch::read($sketch, 'spreadsheet'), []);
        $changed = str_replace('c2=8', 'c2=9', $sheet)."\n  r4 row c1=Fan | c2=3";

        return [
            'text' => ['txt', "one\ntwo\nthree\n", "one\nTWO\nthree\nfour"],
            'Markdown' => ['md', "# Checks\n\nTest every socket.\n\n- tools\n", "# Checks\r\n\r\nTest each socket.\r\n"],
            'HTML' => ['html', '<h1>Checks</h1><p>Test every socket.</p>', '<h1>Checks</h1><p>Test each socket.</p>'],
            'CSV' => ['csv', "No,Item\n1,Kettle\n2,Lamp\n", "No,Item,Who\r\n2,Lamp,Jun\r\n1,\"Red \"\"kettle\"\"\",\r\n"],
            'Windows-1252' => ['csv', "No;Who\n1;M\xfcller\n", "No;Who\n1;M\xf6ller\n2;Gro\xdf\n"],
            'UTF-16' => [
                'csv',
                "\xFF\xFE".mb_convert_encoding("No,Who\n1,Müller\n", 'UTF-16LE', 'UTF-8'),
                "\xFF\xFE".mb_convert_encoding("No,Who\n1,Möller\n", 'UTF-16LE', 'UTF-8'),
            ],
            'two encodings' => ['txt', "M\xfcller\none\n", "Müller\ntwo\n"],
            'TSV' => ['tsv', "No\tItem\n1\tKettle\n", "No\tItem\n1\tRed, kettle\n"],
            'JSON' => ['json', '{"a": [1, 2, {"b": null}], "c": "x"}', "{\"c\": \"y\",\n \"a\": [2, {\"b\": 1.50}]}"],
            'an item of ours' => [
                'json',
                '{"kind": "entry", "parts": [["a1b2","answer",0,{"label":"Collected on","value":["d","2026-05-03"]}]]}',
                '{"kind": "entry", "parts": [["a1b2","answer",0,{"label":"Collected on","value":["d","2026-05-05"]}]]}',
            ],
            'ODT' => ['odt', $odt($old), $odt($new)],
            'DOCX' => ['docx', $docx($old), $docx($new)],
            'XLSX' => ['xlsx', $book(FileFormat::Xlsx, $sheet), $book(FileFormat::Xlsx, $changed)],
            'ODS' => ['ods', $book(FileFormat::Ods, $sheet), $book(FileFormat::Ods, $changed)],
        ];
    }

    #[DataProvider('pairs')]
    public function test_a_pair_is_compared_applied_and_merged(string $ending, string $old, string $new): void
    {
        $this->put("old.{$ending}", $old);
        $this->put("new.{$ending}", $new);
        [$code, $text] = $this->attic('compare', "old.{$ending}", "new.{$ending}", '--words');
        self::assertSame(1, $code);
        self::assertStringContainsString("old.{$ending} → new.{$ending}", $text);
        self::assertSame(0, $this->attic('compare', "old.{$ending}", "old.{$ending}")[0]);

        [$code, $json] = $this->attic('compare', "old.{$ending}", "new.{$ending}", '--format=json');
        self::assertSame(1, $code);
        $this->matchesSchema($json);
        $this->put('changes.json', $json);
        self::assertSame([0, '', ''], $this->attic('apply', "old.{$ending}", 'changes.json', '-o', "made.{$ending}"));
        self::assertSame(0, $this->attic('compare', "made.{$ending}", "new.{$ending}")[0]);
        if (FileFormat::from($ending)->isText()) {
            self::assertSame($new, file_get_contents("{$this->folder}/made.{$ending}"));
        }

        [$code, $html] = $this->attic('compare', "old.{$ending}", "new.{$ending}", '--format=html');
        self::assertSame(1, $code);
        self::assertStringStartsWith('<!doctype html>', $html);
        self::assertStringNotContainsString('<script', $html);

        self::assertSame(0, $this->attic('merge', "new.{$ending}", "old.{$ending}", "old.{$ending}", '-o', "merged.{$ending}")[0]);
        [$code, $text] = $this->attic('compare', "merged.{$ending}", "new.{$ending}");
        // Items of ours are written one part a line, however they came.
        self::assertTrue($code === 0 || str_contains($text, 'The same content, written in another way'), $text);
        self::assertTrue($code === 0 || $ending === 'json');
        self::assertSame($old, file_get_contents("{$this->folder}/old.{$ending}"), 'input is never changed');
    }

    #[DataProvider('pairs')]
    public function test_the_unified_form_is_what_patch_takes(string $ending, string $old, string $new): void
    {
        $this->put("old.{$ending}", $old);
        $this->put("new.{$ending}", $new);
        [$code, $unified, $error] = $this->attic('compare', "old.{$ending}", "new.{$ending}", '--format=unified');
        if (! FileFormat::from($ending)->isText() || str_contains($old, "\0")) {
            self::assertSame(2, $code);
            self::assertStringContainsString('made of lines', $error);

            return;
        }
        self::assertSame(1, $code);
        // The judge reads it line by line: what it keeps and removes is the old text, what it keeps and adds the new one.
        $sides = ['-' => '', '+' => ''];
        $last = '+';
        $at = 0;
        $lines = preg_split('/(?<=\n)/', $old, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach (array_slice(preg_split('/(?<=\n)/', $unified, -1, PREG_SPLIT_NO_EMPTY) ?: [], 2) as $line) {
            if (preg_match('/^@@ -(\d+)(?:,(\d+))? /', $line, $found) === 1) {
                $from = (int) $found[1] - (($found[2] ?? '1') === '0' ? 0 : 1);
                $between = implode('', array_slice($lines, $at, $from - $at));
                $sides = ['-' => $sides['-'].$between, '+' => $sides['+'].$between];
                $at = $from + (int) ($found[2] ?? 1);
            } elseif ($line[0] === '\\') {
                $sides = array_map(fn (string $side) => $side, [...$sides, $last => substr($sides[$last], 0, -1)]);
            } else {
                foreach ($line[0] === ' ' ? ['-', '+'] : [$line[0]] as $last) {
                    $sides[$last] .= substr($line, 1);
                }
            }
        }
        $rest = implode('', array_slice($lines, $at));
        self::assertSame([$old, $new], [$sides['-'].$rest, $sides['+'].$rest]);
    }

    public function test_trouble_is_one_sentence_and_exit_2(): void
    {
        $this->put('a.txt', "x\n");
        $this->put('b.md', "x\n");
        $this->put('broken.docx', 'no archive');
        $this->put('broken.json', '{"a": ');
        $this->put('kind.json', '{"kind": "spaceship", "parts": []}');
        $this->put('a.exe', 'x');
        foreach (
            [
                ['compare', 'a.txt'],
                ['compare', 'a.txt', 'nowhere.txt'],
                ['compare', 'a.txt', 'b.md'],
                ['compare', 'broken.docx', 'broken.docx'],
                ['compare', 'broken.json', 'broken.json'],
                ['compare', 'kind.json', 'kind.json'],
                ['compare', 'a.exe', 'a.exe'],
                ['compare', 'a.txt', 'a.txt', '--format=pdf'],
                ['compare', '.', 'a.txt'],
                ['explode'],
                ['apply', 'a.txt', 'broken.json'],
                ['apply', 'a.txt', 'kind.json'],
                ['merge', 'a.txt', 'a.txt', 'b.md'],
                ['merge', 'a.txt', 'a.txt', 'a.txt', '-o', 'no/such/folder.txt'],
            ] as $arguments
        ) {
            [$code, $out, $error] = $this->attic(...$arguments);
            self::assertSame([2, ''], [$code, $out], implode(' ', $arguments));
            self::assertMatchesRegularExpression('/^attic: [^\n]+\n$/', $error);
            self::assertStringNotContainsString('something is wrong in here', $error, implode(' ', $arguments));
        }
    }

    public function test_changes_that_do_not_fit_are_told(): void
    {
        $this->put('old.txt', "a\nb\nc\n");
        $this->put('new.txt', "a\nB\nc\n");
        $this->put('moved.txt', "a\nbee\nc\n");
        $this->put('changes.json', $this->attic('compare', 'old.txt', 'new.txt', '--format=json')[1]);
        [$code, $out, $error] = $this->attic('apply', 'moved.txt', 'changes.json');
        self::assertSame([1, ''], [$code, $out]);
        self::assertStringContainsString('the lines from 2 on are not as they were', $error);
    }

    /** @return array<string, array{string, string, list<string>}> */
    public static function trees(): array
    {
        return [
            'a value of a list' => ['{"b": [1, 2, 3]}', '{"b": [1, 5, 3]}', ['Changed “b.1” from “2” to “5”']],
            'a value of a list beside an object that changed too' => [
                '[1, 2, {"b": "x y"}]',
                '[1, 3, {"b": "x z"}]',
                ['Changed “1” from “2” to “3”', 'Changed “2.b” from “x y” to “x z”'],
            ],
            'values of a list that share no word' => [
                '["red", "blue"]',
                '["green", "pink"]',
                ['Changed “0” from “red” to “green”', 'Changed “1” from “blue” to “pink”'],
            ],
            'alike ones first, then by place' => [
                '["x", "green lights out", "blue"]',
                '["x", "pink", "green lights are out"]',
                ['Moved “1” up', 'Changed “1” from “blue” to “pink”', 'Changed “2” from “green lights out” to “green lights are out”'],
            ],
            'one that went elsewhere, with another in its place' => [
                '["oak", "elm", "ash"]',
                '["fir", "elm", "ash", "oak"]',
                ['Added “0”', 'Moved “3” down'],
            ],
            'a list that moves on' => ['[1, 2, 3]', '[2, 3, 4]', ['Removed “0”', 'Added “2”']],
            'a field' => ['{"a": {"x": true}}', '{"a": {"x": false}}', ['Changed “a.x” from “TRUE” to “FALSE”']],
        ];
    }

    /** @param list<string> $said */
    #[DataProvider('trees')]
    public function test_plain_json_is_compared_as_a_tree_of_fields(string $old, string $new, array $said): void
    {
        $this->put('old.json', $old);
        $this->put('new.json', $new);
        self::assertSame($said, json_decode($this->attic('compare', 'old.json', 'new.json', '--format=json')[1], true)['sentences']);
    }

    public function test_other_programs_call_it_with_names_of_their_own(): void
    {
        $this->put('tmp1', "No,Item\n1,Kettle\n2,Lamp\n");
        $this->put('tmp2', "No,Item\n1,Red kettle\n2,Lamp\n");
        $this->put('tmp3', "No,Item\n1,Kettle\n2,Old lamp\n");
        self::assertSame(2, $this->attic('compare', 'tmp1', 'tmp2')[0]);
        self::assertSame([1, '', ''], $this->attic('compare', '-q', '--as=csv', 'tmp1', 'tmp2'));
        self::assertSame([0, '', ''], $this->attic('compare', '-q', '--as=.csv', 'tmp1', 'tmp1'));
        // As diff3 -m has them: mine, the one that both came of, theirs.
        self::assertSame([0, "No,Item\n1,Red kettle\n2,Old lamp\n", ''], $this->attic('merge', '--as=csv', 'tmp2', 'tmp1', 'tmp3'));
        foreach ([['compare', '--as=exe', 'tmp1', 'tmp2'], ['compare', '--as=csv', '-', '-']] as $arguments) {
            self::assertSame(2, $this->attic(...$arguments)[0]);
        }
        exec(
            PHP_BINARY
                .' '
                .escapeshellarg(dirname(__DIR__, 2).'/bin/attic')
                .' compare -q --as=csv - '
                .escapeshellarg("{$this->folder}/tmp1")
                .' < '
                .escapeshellarg("{$this->folder}/tmp1"),
            $out,
            $code,
        );
        self::assertSame([0, []], [$code, $out]);
        self::assertMatchesRegularExpression('/^attic \d+\.\d+\.\d+$/m', $this->attic('--version')[1]);
    }

    public function test_two_tables_in_windows_1252_are_merged_and_stay_what_they_are(): void
    {
        $this->put('base.csv', "No;Who\n1;M\xfcller\n2;Kr\xfcger\n");
        $this->put('mine.csv', "No;Who\n1;M\xf6ller\n2;Kr\xfcger\n");
        $this->put('theirs.csv', "No;Who\n1;M\xfcller\n2;Kr\xf6ger\n");
        self::assertSame([0, "No;Who\n1;M\xf6ller\n2;Kr\xf6ger\n", ''], $this->attic('merge', 'mine.csv', 'base.csv', 'theirs.csv'));
        self::assertStringContainsString('Möller', $this->attic('compare', 'base.csv', 'mine.csv')[1]);
        // What it can't say is said in UTF-8.
        $this->put('theirs.csv', "No;Who\n1;M\xfcller\n2;Kr\xfcger\n3;Žižka\n");
        self::assertStringContainsString('Žižka', $this->attic('merge', 'mine.csv', 'base.csv', 'theirs.csv')[1]);
    }

    public function test_a_merge_says_how_much_is_held_back(): void
    {
        $this->put('base.csv', "No,Item\n1,Kettle\n2,Lamp\n");
        $this->put('mine.csv', "No,Item\n1,Red kettle\n2,Lamp\n");
        $this->put('theirs.csv', "No,Item\n1,Blue kettle\n2,Lamp\n");
        [$code, $out, $error] = $this->attic('merge', 'mine.csv', 'base.csv', 'theirs.csv');
        self::assertSame([1, "No,Item\n1,theirs: Blue kettle | mine: Red kettle | base: Kettle\n2,Lamp\n"], [$code, $out]);
        self::assertSame("One edit met another and is held back; --format=json tells it.\n", $error);
        self::assertSame('', $this->attic('merge', 'mine.csv', 'base.csv', 'theirs.csv', '--format=json')[2]);
    }

    /** @return array<string, array{string, string, list<int>}> ending, bytes, exit codes when compared with a plain file */
    public static function hostile(): array
    {
        $zip = function (array $files): string {
            $package = new Package;
            foreach ($files as $name => $bytes) {
                $package->add((string) $name, $bytes);
            }

            return $package->bytes();
        };
        $deep = 100_000;

        return [
            'JSON nested 100,000 deep' => ['json', str_repeat('[', $deep).str_repeat(']', $deep), [2]],
            'Markdown quotes nested 100,000 deep' => ['md', str_repeat('>', $deep)." x\n", [1]],
            'Markdown brackets' => ['md', str_repeat('[', 20_000).str_repeat('*a **a ', 4_000), [1]],
            'Markdown list nested 2,000 deep' => [
                'md',
                implode("\n", array_map(fn (int $at) => str_repeat('  ', $at).'- x', range(0, 400))),
                [1],
            ],
            'HTML nested 100,000 deep' => ['html', str_repeat('<div>', $deep).'x', [2]],
            'HTML with script and handlers' => [
                'html',
                '<p onclick="x()">a<script>alert(1)</script><img src=x onerror=y><a href="javascript:1">b</a></p>',
                [1],
            ],
            'HTML that is nothing of the kind' => ['html', '<<<>>>&&&<p <b </i></table><td>x', [1]],
            'a line of 1 MB' => ['txt', str_repeat('word ', 200_000), [1]],
            'a paragraph of 1 MB' => ['md', str_repeat('word ', 200_000), [1]],
            'NUL bytes' => ['txt', "a\0b\0\n\0", [2]],
            'NUL bytes in CSV' => ['csv', "a\0,b\n\0\0,c\n", [2]],
            '5 KB of binary called CSV' => [
                'csv',
                implode('', array_map(fn (int $at) => hash('sha256', (string) $at, true), range(1, 160))),
                [2],
            ],
            'invalid UTF-8' => ['md', "\xff\xfe\xc3\x28 # x\n\n\xed\xa0\x80", [1, 2]],
            'broken UTF-8' => ['md', "\xc3\x28 # x\n\n\xed\xa0\x80", [1]],
            'invalid UTF-8 in JSON' => ['json', "{\"a\": \"\xff\"}", [2]],
            'combining, right-to-left and emoji' => [
                'md',
                "e\u{301}e\u{301} שלום \u{202E}abc\u{202C} 👩‍👩‍👧‍👦🏳️‍🌈\n\n\u{200d}\u{200d}\u{feff}\n",
                [1],
            ],
            'terminal escapes' => ['txt', "\e[2J\e]0;title\x07 hello\n", [1]],
            '10,000 columns' => ['csv', implode(',', range(1, 10_000))."\n".implode(',', range(1, 10_000))."\n", [1]],
            '20,000 columns' => ['csv', str_repeat(',', 20_000), [2]],
            'ragged rows' => ['csv', "a,b,c\n1\n1,2,3,4,5\n\n,,\n", [1]],
            'a quotation mark that nobody closes' => ['csv', "a,\"b\n".str_repeat("1,2\n", 5_000), [1]],
            'huge numbers' => ['json', '{"a": 1e999, "b": 123456789012345678901234567890, "c": -0.0, "d": 1e-400}', [1, 2]],
            'doubled keys' => ['json', '{"a": 1, "a": 2, "": 3, "0": 4}', [1]],
            'doubled ids' => [
                'json',
                '{"kind": "entry", "parts": [["a1b2","answer",0,{"label":"x"}],["a1b2","answer",0,{"label":"x"}]]}',
                [2],
            ],
            'formula-like text' => ['csv', "=cmd|' /C calc'!A0,@SUM(1),+1,-1\n", [1]],
            'an empty file' => ['txt', '', [1]],
            'an empty Markdown file' => ['md', '', [1]],
            'an empty table' => ['csv', '', [1]],
            'empty JSON' => ['json', '', [2]],
            'an archive that leads out' => ['docx', $zip(['../../etc/passwd' => 'x', 'word/document.xml' => '<w:document/>']), [2]],
            'an archive that is a bomb' => [
                'docx',
                $zip(array_fill_keys(array_map(fn (int $at) => "f{$at}", range(1, 30)), str_repeat("\0", 10_000_000))),
                [2],
            ],
            'an archive of nothing' => ['odt', $zip(['x' => 'y']), [2]],
            'XML with entities' => [
                'odt',
                $zip([
                    'content.xml'
                        => '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]><office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0">&b;</office:document-content>',
                ]),
                [2],
            ],
            'XML with an external entity' => [
                'docx',
                $zip(['word/document.xml' => '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><w:document>&a;</w:document>']),
                [2],
            ],
            'HTML of elements that are never closed' => ['html', str_repeat('<div/>', 60_000), [2]],
            'HTML of bold in bold' => ['html', '<p>'.str_repeat('<b/>', 60_000).'x</p>', [2]],
            'HTML of too many tags' => ['html', '<ul>'.str_repeat('<li>x</li>', 100_000).'</ul>', [2]],
            'a paragraph of 100,000 attributes' => [
                'html',
                '<p '.implode(' ', array_map(fn (int $at) => "a{$at}=\"1\"", range(1, 100_000))).'>x</p>',
                [2],
            ],
            'entities in UTF-16' => [
                'docx',
                $zip([
                    'word/document.xml' => "\xFF\xFE"
                    .mb_convert_encoding(
                        '<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE x [<!ENTITY a "aaaa">]><w:document xmlns:w="w">&a;</w:document>',
                        'UTF-16LE',
                        'UTF-8',
                    ),
                ]),
                [2],
            ],
            'entities behind a long comment' => [
                'xlsx',
                $zip([
                    '[Content_Types].xml'
                        => '<!--'.str_repeat('x', 9000).'--><!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><Types/>',
                    'xl/workbook.xml' => '<workbook/>',
                ]),
                [2],
            ],
            'XML nested 100,000 deep' => ['odt', $zip(['content.xml' => str_repeat('<a>', $deep).str_repeat('</a>', $deep)]), [2]],
            'a workbook with an external entity' => [
                'xlsx',
                $zip([
                    '[Content_Types].xml' => '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><Types/>',
                    'xl/workbook.xml' => '<workbook/>',
                ]),
                [2],
            ],
            'a workbook that is none' => ['xlsx', $zip(['xl/workbook.xml' => '<workbook/>']), [2]],
            'formulas that go round in a circle' => [
                'xlsx',
                FileWriter::of(
                    FileFormat::Xlsx,
                    'book',
                    Sketch::read("t1 tab name=June\n  c1 column\n  r1 row c1==A2 → 1\n  r2 row c1==A1 → 1", 'spreadsheet'),
                    [],
                ),
                [1],
            ],
        ];
    }

    /** @param list<int> $codes */
    #[DataProvider('hostile')]
    public function test_nothing_that_was_made_to_hurt_does(string $ending, string $bytes, array $codes): void
    {
        $this->put("bad.{$ending}", $bytes);
        $this->put(
            "good.{$ending}",
            match ($ending) {
                'json' => '{"a": 1}',
                'odt' => (new OdtWriter)->write('x', Sketch::read('p1 . One.'), fn () => null),
                'docx' => (new DocxWriter)->write('x', Sketch::read('p1 . One.'), fn () => null),
                'xlsx' => FileWriter::of(
                    FileFormat::Xlsx,
                    'book',
                    Sketch::read("t1 tab name=June\n  c1 column\n  r1 row c1=x", 'spreadsheet'),
                    [],
                ),
                default => "plain, text\n",
            },
        );
        foreach ([['bad', 'good'], ['good', 'bad']] as [$old, $new]) {
            [$code, $out, $error] = $this->attic('compare', "{$old}.{$ending}", "{$new}.{$ending}", ...($old === 'bad' ? ['--words'] : []));
            self::assertContains($code, $codes, $error);
            self::assertStringNotContainsString('something is wrong in here', $error);
            self::assertDoesNotMatchRegularExpression('/Stack trace|#0 |Warning|Deprecated/', $out.$error);
            self::assertLessThanOrEqual(1, substr_count($error, "\n"));
            self::assertDoesNotMatchRegularExpression('/\x1b(?!\[[0-9;]*m)|\x07/', $out, 'no escape of a file reaches the terminal');
            self::assertSame($code === 2, $error !== '');
        }
        self::assertSame($code, $this->attic('compare', "good.{$ending}", "bad.{$ending}", '--format=json')[0]);
        self::assertSame($bytes, file_get_contents("{$this->folder}/bad.{$ending}"));
    }

    private function put(string $name, string $bytes): void
    {
        file_put_contents("{$this->folder}/{$name}", $bytes);
    }

    /** @return array{int, string, string} exit code, standard output and error */
    private function attic(string ...$arguments): array
    {
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__, 2).'/bin/attic', ...array_values($arguments)],
            [1 => ['file', "{$this->folder}/.out", 'w'], 2 => ['file', "{$this->folder}/.error", 'w']],
            $pipes,
            $this->folder,
        );
        self::assertIsResource($process);
        $code = proc_close($process);
        $read = array_map(fn (string $name) => (string) file_get_contents("{$this->folder}/{$name}"), ['.out', '.error']);
        array_map(fn (string $name) => unlink("{$this->folder}/{$name}"), ['.out', '.error']);

        return [$code, ...$read];
    }

    private function matchesSchema(string $json): void
    {
        $value = json_decode($json);
        $validator = new Validator;
        $validator->validate($value, json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/formats/changes.schema.json')));
        self::assertSame([], $validator->getErrors());
    }
}
