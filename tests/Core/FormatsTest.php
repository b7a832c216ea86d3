<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use PHPUnit\Framework\TestCase;

final class FormatsTest extends TestCase
{
    private const DOCUMENT = <<<'TEXT'
        h1 # Opening <checks>
        p1 . Walk the **whole** room.
        i1 - outer
          i2 1 first
          i3 1 second
        i4 x done * and _ so on
        q1 > Nobody was told off.
        t1 |
          r1 /
            c1 = For | against
            c2 = Ask
        l1 ---
        m1 * A "bench"
        TEXT;

    public function test_html(): void
    {
        $html = $this->write(DocumentFormat::Html);
        self::assertStringContainsString('<h1>Opening &lt;checks&gt;</h1>', $html);
        self::assertStringContainsString('<p>Walk the <strong>whole</strong> room.</p>', $html);
        self::assertStringContainsString(
            "<ul>\n<li>outer\n<ol>\n<li>first</li>\n<li>second</li>\n</ol>\n</li>\n<li><input type=\"checkbox\" disabled checked> done",
            $html,
        );
        self::assertStringContainsString('<td>For | against</td>', $html);
        self::assertStringContainsString('<img src="data:image/png;base64,AA==" alt="A &quot;bench&quot;">', $html);
        $document = new \DOMDocument;
        self::assertTrue(@$document->loadHTML($html));
    }

    public function test_markdown(): void
    {
        $markdown = $this->write(DocumentFormat::Markdown);
        foreach (
            [
                "# Opening \\<checks\\>\n",
                'Walk the **whole** room.',
                "- outer\n  1. first\n  2. second\n* [x] done \\* and \\_ so on",
                '> Nobody was told off.',
                "| For \\| against | Ask |\n| --- | --- |",
                "\n***\n",
                '![A "bench"][picture-1]',
                '[picture-1]: data:image/png;base64,AA==',
            ] as $part
        ) {
            self::assertStringContainsString($part, $markdown);
        }
    }

    public function test_markdown_keeps_signs_from_becoming_markup(): void
    {
        $tree = PartTree::of([
            new Part('paaa', 'paragraph', 0, ['text' => RichText::plain("1. not a list\n# not a heading\n- nor this")]),
            new Part('pbbb', 'code', 0, ['text' => RichText::plain('a ``` b')]),
            new Part('pccc', 'paragraph', 0, [
                'text' => new RichText([
                    new Run(' bold with spaces ', ['bold' => true]),
                    new Run('a`b', ['code' => true]),
                    new Run('here', ['link' => 'https://example.org/(x)']),
                ]),
            ]),
        ]);
        self::assertSame(
            "1\\. not a list\\\n\\# not a heading\\\n\\- nor this\n\n````\na ``` b\n````\n\n**bold with spaces** ``a`b``[here](<https://example.org/(x)>)\n",
            DocumentFormat::Markdown->writer()->write('t', $tree, fn () => null),
        );
    }

    public function test_plain_text(): void
    {
        self::assertSame(<<<'TEXT'
            Opening <checks>

            Walk the whole room.

            • outer
              1. first
              2. second
            [x] done * and _ so on

            Nobody was told off.

            For | against	Ask

            * * *

            [A "bench"]

            TEXT, $this->write(DocumentFormat::PlainText));
    }

    private function write(DocumentFormat $format): string
    {
        return $format->writer()->write('Opening', Sketch::read(self::DOCUMENT), fn (string $chunk) => 'data:image/png;base64,AA==');
    }
}
