<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Document\HtmlReader;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Package;
use MistyAttic\Core\Kinds\Numbering;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Numbers of lists: what they start with goes out and comes in, and a list that goes on behind a paragraph goes on. */
#[Group('slow')]
final class NumberingTest extends TestCase
{
    public function test_each_counts_on_from_the_one_before_or_starts(): void
    {
        $items = fn (string $lines): PartTree => PartTree::of(
            array_map(
                function (string $line, int $at): Part {
                    [$depth, $sign, $start] = [...explode(' ', $line), ''];

                    return $sign === 'p'
                        ? new Part("p{$at}aa", 'paragraph', 0, ['text' => RichText::plain('x')])
                        : new Part("p{$at}aa", 'item', max(0, (int) $depth), [
                            'style' => $sign === '1' ? 'number' : 'bullet',
                            'done' => false,
                            ...$start === '' ? [] : ['start' => (int) $start],
                            'text' => RichText::plain('x'),
                        ]);
                },
                $all = explode(', ', $lines),
                array_keys($all),
            ),
        );
        foreach (
            [
                '0 1, 0 1, 0 1' => [1, 2, 3],
                '0 1 5, 0 1' => [5, 6],
                '0 1, 1 1, 1 1, 0 1, 1 1' => [1, 1, 2, 2, 1],
                '0 1, 0 p, 0 1, 0 1 7' => [1, 1, 7],
                '0 1, 0 -, 0 1' => [1, 1],
                '0 1 0, 0 1' => [0, 1],
                '0 1 3, 1 1 9, 0 1' => [3, 9, 4],
            ] as $lines => $numbers
        ) {
            self::assertSame($numbers, array_column(array_values(Numbering::of($items($lines))), 0), $lines);
        }
    }

    #[TestWith([DocumentFormat::Docx])]
    #[TestWith([DocumentFormat::Odt])]
    #[TestWith([DocumentFormat::Html])]
    #[TestWith([DocumentFormat::Markdown])]
    public function test_what_is_written_comes_back_with_its_numbers(DocumentFormat $format): void
    {
        mt_srand($seed = random_int(1, 1 << 30));
        for ($run = 0; $run < 25; $run++) {
            $parts = [];
            $depth = -1;
            for ($at = 0; $at < 14; $at++) {
                $depth = mt_rand(0, 5) === 0 ? -1 : mt_rand(0, min(3, $depth + 1));
                $style = ['number', 'number', 'number', 'bullet'][mt_rand(0, 3)];
                $parts[] = $depth < 0
                    ? new Part(sprintf('p%04d', $at), 'paragraph', 0, ['text' => RichText::plain("Words {$at}")])
                    : new Part(sprintf('p%04d', $at), 'item', $depth, [
                        'style' => $style,
                        'done' => false,
                        ...$style === 'number' && mt_rand(0, 2) === 0 ? ['start' => mt_rand(0, 20)] : [],
                        'text' => RichText::plain("Item {$at}"),
                    ]);
            }
            $tree = PartTree::of($parts);
            $bytes = $format->writer()->write('A list', $tree, fn () => null);
            $back = FileFormat::from($format->value)->reader()->read($bytes, new FormatLimits)->tree;
            self::assertSame(self::told($tree), self::told($back), "seed {$seed}, run {$run}");
            if (trim((string) shell_exec('command -v pandoc')) !== '' && $run < 4 && $format === DocumentFormat::Docx) {
                self::assertSame(
                    array_map(fn (string $line) => (string) preg_replace('/^(\d+) (\d+) .*/', '$1 $2', $line), self::told($tree)),
                    array_map(
                        fn (array $block): string => $block[0] === 'item'
                            ? "{$block[1]} "
                                .(str_starts_with($block[2], 'number') ? substr($block[2], 7) : '-')
                                .($block[2] === 'bullet' ? " {$block[3]}" : '')
                            : "p {$block[1]}",
                        Pandoc::read($bytes, 'docx'),
                    ),
                    "seed {$seed}, run {$run}",
                );
            }
        }
    }

    public function test_a_list_that_others_let_go_on_goes_on(): void
    {
        $item = fn (
            string $text,
            int $list,
            int $level = 0,
        ): string => "<w:p><w:pPr><w:numPr><w:ilvl w:val=\"{$level}\"/><w:numId w:val=\"{$list}\"/></w:numPr></w:pPr><w:r><w:t>{$text}</w:t></w:r></w:p>";
        $main = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
        $docx = self::zipped([
            'word/document.xml' => "<w:document {$main}><w:body>{$item('a', 1)}{$item('b', 1)}{$item(
                'deeper',
                1,
                1,
            )}<w:p><w:r><w:t>Words</w:t></w:r></w:p>{$item('c', 1)}{$item('anew', 2)}{$item('d', 1)}</w:body></w:document>",
            'word/numbering.xml' => "<w:numbering {$main}><w:abstractNum w:abstractNumId=\"9\"><w:lvl w:ilvl=\"0\"><w:start w:val=\"4\"/><w:numFmt w:val=\"decimal\"/></w:lvl><w:lvl w:ilvl=\"1\"><w:start w:val=\"2\"/><w:numFmt w:val=\"decimal\"/></w:lvl></w:abstractNum><w:num w:numId=\"1\"><w:abstractNumId w:val=\"9\"/></w:num><w:num w:numId=\"2\"><w:abstractNumId w:val=\"9\"/><w:lvlOverride w:ilvl=\"0\"><w:startOverride w:val=\"1\"/></w:lvlOverride></w:num></w:numbering>",
        ]);
        self::assertSame(
            ['0 4 a', '0 5 b', '1 2 deeper', 'p Words', '0 6 c', '0 1 anew', '0 7 d'],
            self::told(FileFormat::Docx->reader()->read($docx, new FormatLimits)->tree),
        );

        $names
            = 'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"';
        $odt = self::zipped([
            'content.xml'
                => "<office:document-content {$names}><office:automatic-styles><text:list-style style:name=\"L\"><text:list-level-style-number text:level=\"1\" text:start-value=\"3\"/></text:list-style></office:automatic-styles><office:body><office:text>"
                .'<text:list text:style-name="L"><text:list-item><text:p>a</text:p></text:list-item><text:list-item text:start-value="8"><text:p>b</text:p></text:list-item></text:list><text:p>Words</text:p><text:list text:style-name="L" text:continue-numbering="true"><text:list-item><text:p>c</text:p></text:list-item></text:list><text:p>Words</text:p><text:list text:style-name="L"><text:list-item><text:p>anew</text:p></text:list-item></text:list></office:text></office:body></office:document-content>',
        ]);
        self::assertSame(
            ['0 3 a', '0 8 b', 'p Words', '0 9 c', 'p Words', '0 3 anew'],
            self::told(FileFormat::Odt->reader()->read($odt, new FormatLimits)->tree),
        );

        self::assertSame(
            ['0 5 a', '0 9 b', '0 10 c', '0 1 d'],
            self::told(
                (new HtmlReader)->read(
                    '<ol start="5"><li>a</li><li value="9">b</li><li>c</li></ol><ol><li>d</li></ol>',
                    new FormatLimits,
                )->tree,
            ),
        );
    }

    /** @return list<string> */
    private static function told(PartTree $tree): array
    {
        $numbers = Numbering::of($tree);

        return array_map(
            fn (Part $part): string => ($part->role === 'item' ? "{$part->depth} ".($numbers[$part->id][0] ?? '-') : 'p')
                ." {$part->richText()->text()}",
            $tree->parts,
        );
    }

    /** @param array<string, string> $files */
    private static function zipped(array $files): string
    {
        $package = new Package;
        foreach ($files as $name => $text) {
            $package->add($name, $text);
        }

        return $package->bytes();
    }
}
