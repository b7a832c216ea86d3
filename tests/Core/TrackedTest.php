<?php

declare(strict_types=1);

namespace Tests\Core;

use DOMDocument;
use DOMElement;
use DOMXPath;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Files\DocxTracked;
use MistyAttic\Core\Files\OdtTracked;
use MistyAttic\Core\Files\TrackedBy;
use MistyAttic\Core\Files\Tracking;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Document\DocxPackage;
use MistyAttic\Core\Formats\Document\DocxReader;
use MistyAttic\Core\Formats\Document\OdtPackage;
use MistyAttic\Core\Formats\Document\OdtReader;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Kinds\Numbering;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use ZipArchive;

/**
 * Comparisons as text documents with tracked changes: accepted, they are the later state, rejected the earlier one, by the rules of the
 * standard and by another program.
 */
final class TrackedTest extends TestCase
{
    private const W = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main';

    #[TestWith([DocumentFormat::Docx])]
    #[TestWith([DocumentFormat::Odt])]
    public function test_accepting_all_gives_the_later_state_and_rejecting_all_the_earlier_one(DocumentFormat $format): void
    {
        $seed = random_int(1, 1 << 30);
        for ($round = 0; $round < (int) (getenv('ROUNDS') ?: 40); $round++) {
            $random = new RandomContent($seed + $round);
            $old = $random->tree(2 + $random->under(14));
            $new = $random->edited($old, 1 + $random->under(10));
            $bytes = self::tracked($old, $new, format: $format);
            self::assertSame(
                self::read($format->writer()->write('', $new, fn () => null), $format),
                self::read(self::settled($bytes, true, $format), $format),
                'accepted, seed '.($seed + $round),
            );
            self::assertSame(
                self::read($format->writer()->write('', $old, fn () => null), $format),
                self::read(self::settled($bytes, false, $format), $format),
                'rejected, seed '.($seed + $round),
            );
        }
    }

    #[TestWith([DocumentFormat::Docx])]
    #[TestWith([DocumentFormat::Odt])]
    public function test_our_reader_settles_them_as_the_standard_says(DocumentFormat $format): void
    {
        $seed = random_int(1, 1 << 30);
        for ($round = 0; $round < (int) (getenv('ROUNDS') ?: 40); $round++) {
            $random = new RandomContent($seed + $round);
            $old = $random->tree(2 + $random->under(14));
            $new = $random->edited($old, 1 + $random->under(10));
            $bytes = self::tracked(
                $old,
                $new,
                [['by' => new TrackedBy('Ines', '2026-11-04T08:00:00Z'), 'initials' => 'IO', 'text' => 'Why?']],
                $format,
            );
            $tracked = ($format === DocumentFormat::Odt ? new OdtReader : new DocxReader)->tracked($bytes, new FormatLimits);
            self::assertSame(
                self::read(self::settled($bytes, true, $format), $format),
                self::read($bytes, $format),
                'accepted, seed '.($seed + $round),
            );
            self::assertSame(
                self::read(self::settled($bytes, false, $format), $format),
                self::told($tracked->tree),
                'rejected, seed '.($seed + $round),
            );
            self::assertSame(
                $tracked->tracked === [] ? [] : [['Nell & Co', self::read($bytes, $format)]],
                array_map(fn (TrackedTree $of) => [$of->by, self::told($of->tree)], $tracked->tracked),
            );
        }
    }

    public function test_what_two_people_changed_is_told_apart_and_a_split_is_taken_back(): void
    {
        $run = fn (string $text, string $tag = 'w:t'): string => "<w:r><{$tag} xml:space=\"preserve\">{$text}</{$tag}></w:r>";
        $by = fn (string $who): string => "w:id=\"1\" w:author=\"{$who}\" w:date=\"2026-11-03T12:04:00Z\"";
        $body = "<w:p>{$run('Every lead is ')}<w:del {$by('Nell')}>{$run('looked at', 'w:delText')}</w:del><w:ins {$by('Nell')}>{$run(
            'tested',
        )}</w:ins>{$run(', and ')}<w:ins {$by('Tobi')}>{$run('soon ')}<w:del {$by('Nell')}>{$run(
            'very ',
            'w:delText',
        )}</w:del></w:ins><w:commentRangeStart w:id=\"7\"/>{$run('tagged')}<w:commentRangeEnd w:id=\"7\"/>.</w:p>"
        ."<w:p><w:pPr><w:rPr><w:ins {$by('Tobi')}/></w:rPr></w:pPr>{$run('Sign ')}</w:p><w:p>{$run('the log.')}</w:p>"
        ."<w:p><w:pPr><w:jc w:val=\"center\"/><w:rPr><w:del {$by('Nell')}/></w:rPr></w:pPr><w:del {$by('Nell')}>{$run(
            'Gone.',
            'w:delText',
        )}</w:del></w:p>"
        ."<w:p><w:r><w:rPr><w:b/><w:rPrChange {$by('Tobi')}><w:rPr><w:i/></w:rPr></w:rPrChange></w:rPr><w:t>Bold</w:t></w:r></w:p>";
        $package = new DocxPackage;
        $bytes = $package->bytes('', $body);
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'attic-'), $bytes);
        $zip = new ZipArchive;
        $zip->open($file);
        $zip->addFromString(
            'word/comments.xml',
            '<w:comments xmlns:w="'
                .self::W
                ."\"><w:comment w:id=\"7\" w:author=\"Rafi\"><w:p>{$run('With what?')}</w:p></w:comment></w:comments>",
        );
        $zip->close();
        $read = (new DocxReader)->tracked((string) file_get_contents($file), new FormatLimits);
        unlink($file);
        $texts = fn (PartTree $tree): array => array_map(fn (Part $part) => $part->richText()->text(), $tree->parts);
        self::assertSame(['Every lead is looked at, and tagged', 'Sign the log.', 'Gone.', 'Bold'], $texts($read->tree));
        self::assertSame(
            [['italic' => true], ['Nell', 'Tobi']],
            [$read->tree->parts[3]->richText()->runs[0]->marks, array_column($read->tracked, 'by')],
        );
        self::assertSame(['Every lead is tested, and tagged', 'Sign the log.', 'Bold'], $texts($read->tracked[0]->tree));
        self::assertSame(
            ['Every lead is looked at, and soon very tagged', 'Sign', 'the log.', 'Gone.', 'Bold'],
            $texts($read->tracked[1]->tree),
        );
        self::assertSame(
            [['Rafi', 'With what?', 'tagged']],
            array_map(fn (SaidInFile $said) => [$said->by, $said->text, $said->quote], $read->said),
        );
    }

    public function test_a_text_of_another_program_is_settled_across_its_paragraphs(): void
    {
        $region = fn (
            string $id,
            string $type,
            string $who,
            string $blocks = '',
        ): string => "<text:changed-region xml:id=\"{$id}\"><text:{$type}><office:change-info><dc:creator>{$who}</dc:creator><dc:date>2026-11-03T12:04:00</dc:date></office:change-info>{$blocks}</text:{$type}></text:changed-region>";
        $mark = fn (string $id, string $end = ''): string => "<text:change{$end} text:change-id=\"{$id}\"/>";
        $body = '<text:tracked-changes>'
        .$region('c1', 'deletion', 'Nell', '<text:p>looked at</text:p>')
        .$region('c2', 'insertion', 'Nell')
        .$region(
            'c3',
            'deletion',
            'Tobi',
            '<text:h text:outline-level="2">A heading that went</text:h><text:p>and its text</text:p><text:p/>',
        )
        .$region('c4', 'insertion', 'Tobi')
        .$region('c5', 'deletion', 'Tobi', '<text:p> before</text:p><text:p>Doors open </text:p>')
        .'</text:tracked-changes>'
        ."<text:p>Every lead is {$mark('c1')}{$mark('c2', '-start')}tested{$mark(
            'c2',
            '-end',
        )}, and <office:annotation office:name=\"a1\"><dc:creator>Rafi</dc:creator><dc:date>2026-11-04T08:00:00</dc:date><text:p>With</text:p><text:p>what?</text:p></office:annotation>tagged<office:annotation-end office:name=\"a1\"/>.</text:p>"
        ."<text:p>{$mark('c3')}Sign the log.{$mark(
            'c4',
            '-start',
        )}</text:p><text:list><text:list-item><text:p>wear closed shoes</text:p></text:list-item></text:list><text:p>Twice.{$mark(
            'c4',
            '-end',
        )} Then go home.</text:p>"
        ."<text:p>The evening{$mark('c5')}at seven.</text:p>";
        $bytes = self::with(
            (new OdtPackage)->bytes('', ''),
            'content.xml',
            str_replace(
                '<office:text></office:text>',
                "<office:text>{$body}</office:text>",
                self::part((new OdtPackage)->bytes('', ''), 'content.xml'),
            ),
        );
        $read = (new OdtReader)->tracked($bytes, new FormatLimits);
        $texts = fn (PartTree $tree): array => array_map(fn (Part $part) => $part->richText()->text(), $tree->parts);
        self::assertSame(
            [
                'Every lead is looked at, and tagged.',
                'A heading that went',
                'and its text',
                'Sign the log. Then go home.',
                'The evening before',
                'Doors open at seven.',
            ],
            $texts($read->tree),
        );
        self::assertSame('heading', $read->tree->parts[1]->role);
        self::assertSame(['Nell', 'Tobi'], array_column($read->tracked, 'by'));
        self::assertSame(['Every lead is tested, and tagged.', ...array_slice($texts($read->tree), 1)], $texts($read->tracked[0]->tree));
        self::assertSame(
            ['Every lead is looked at, and tagged.', 'Sign the log.', 'wear closed shoes', 'Twice. Then go home.', 'The eveningat seven.'],
            $texts($read->tracked[1]->tree),
        );
        self::assertSame(
            ['Every lead is tested, and tagged.', 'Sign the log.', 'wear closed shoes', 'Twice. Then go home.', 'The eveningat seven.'],
            $texts((new OdtReader)->read($bytes, new FormatLimits)->tree),
        );
        self::assertSame(
            [['Rafi', "With\nwhat?", 'tagged', '2026-11-04T08:00:00Z']],
            array_map(fn (SaidInFile $said) => [$said->by, $said->text, $said->quote, $said->at], $read->said),
        );
    }

    public function test_another_program_reads_it_alike(): void
    {
        if (trim((string) shell_exec('command -v pandoc')) === '') {
            self::markTestSkipped('bin/test installs pandoc');
        }
        $part = fn (string $id, string $role, string $text, array $fields = []) => new Part($id, $role, 0, [
            'text' => RichText::plain($text),
            ...$fields,
        ]);
        $old = PartTree::of([
            $part('pa', 'heading', 'Leads', ['level' => 2]),
            $part('pb', 'paragraph', 'Every lead is looked at before it goes back.'),
            $part('pc', 'paragraph', 'Gone soon.'),
            $part('pd', 'item', 'wear closed shoes', ['style' => 'bullet', 'done' => false]),
            $part('pe', 'paragraph', 'This one moves up.'),
            $part('pf', 'paragraph', 'The end.'),
        ]);
        $new = PartTree::of([
            $part('pa', 'heading', 'Leads and plugs', ['level' => 2]),
            $part('pe', 'paragraph', 'This one moves up.'),
            $part('pb', 'paragraph', 'Every lead is tested before it goes back on its hook.'),
            $part('pd', 'item', 'wear closed shoes', ['style' => 'bullet', 'done' => false]),
            $part('pn', 'item', 'tie long hair back', ['style' => 'bullet', 'done' => false]),
            $part('pf', 'paragraph', 'The end.'),
        ]);
        $bytes = self::tracked($old, $new);
        foreach (['accept' => $new, 'reject' => $old] as $how => $tree) {
            // It leaves an item without words where one was not taken.
            $read = array_values(
                array_filter(
                    Pandoc::read($bytes, 'docx', "--track-changes={$how}"),
                    fn (array $block): bool => $block !== ['item', 0, 'bullet', ''],
                ),
            );
            self::assertSame(Pandoc::read(DocumentFormat::Docx->writer()->write('', $tree, fn () => null), 'docx'), $read, $how);
        }
        // Of ODT it reads what is accepted; what is rejected is in the file, and is settled by the standard's rules first.
        $odt = self::tracked($old, $new, format: DocumentFormat::Odt);
        self::assertSame(Pandoc::read(DocumentFormat::Odt->writer()->write('', $new, fn () => null), 'odt'), Pandoc::read($odt, 'odt'));
        self::assertSame(
            Pandoc::read(DocumentFormat::Odt->writer()->write('', $old, fn () => null), 'odt'),
            Pandoc::read(self::settled($odt, false, DocumentFormat::Odt), 'odt'),
        );
        $all = self::part($bytes, 'word/document.xml');
        self::assertStringContainsString('w:author="Nell &amp; Co" w:date="2026-11-03T12:04:00Z"', $all);
        self::assertSame(
            2,
            substr_count($all, '<w:moveFrom ')
                - substr_count($all, '<w:rPr><w:moveFrom ')
                + substr_count($all, '<w:moveTo ')
                - substr_count($all, '<w:rPr><w:moveTo '),
        );
    }

    public function test_formats_kinds_of_blocks_and_comments_are_tracked(): void
    {
        $old = PartTree::of([new Part('pa', 'paragraph', 0, ['text' => RichText::plain('Before the doors open.')])]);
        $new = PartTree::of([
            new Part('pa', 'heading', 0, [
                'level' => 1,
                'text' => new RichText([new Run('Before the '), new Run('doors', ['bold' => true]), new Run(' open.')]),
            ]),
        ]);
        $bytes = self::tracked($old, $new, [
            ['by' => new TrackedBy('Ines', '2026-11-04T08:00:00Z'), 'initials' => 'IO', 'text' => "Which doors?\n<all>"],
        ]);
        $xml = self::part($bytes, 'word/document.xml');
        self::assertStringContainsString('<w:pStyle w:val="Heading1"/><w:pPrChange', $xml);
        self::assertStringContainsString('<w:rPr><w:b/><w:rPrChange', $xml);
        self::assertStringContainsString('<w:commentRangeStart w:id="0"/>', $xml);
        self::assertStringContainsString(
            'w:author="Ines" w:initials="IO" w:date="2026-11-04T08:00:00Z"><w:p><w:r><w:t xml:space="preserve">Which doors?</w:t></w:r></w:p><w:p><w:r><w:t xml:space="preserve">&lt;all&gt;',
            self::part($bytes, 'word/comments.xml'),
        );
        self::assertSame(
            self::read(DocumentFormat::Docx->writer()->write('', $old, fn () => null)),
            self::read(self::settled($bytes, false)),
        );
    }

    /** @param list<array{by: TrackedBy, initials: string, text: string}> $said about each part */
    private static function tracked(PartTree $old, PartTree $new, array $said = [], DocumentFormat $format = DocumentFormat::Docx): string
    {
        $changes = TreeCompare::of($old, $new);
        $by = new class ($said) implements Tracking {
            /** @param list<array{by: TrackedBy, initials: string, text: string}> $said */
            public function __construct(private readonly array $said) {}

            public function of(string $part, ChangeType $type): TrackedBy
            {
                return new TrackedBy('Nell & Co', '2026-11-03T12:04:00Z');
            }

            public function words(MarkedPart $marked): array
            {
                $old = $marked->before?->richText() ?? $marked->part->richText();

                return array_map(
                    fn (Span $span) => [$span, $this->of('', ChangeType::Edited)],
                    TextCompare::of($old, $marked->part->richText(), new Words)->spans(),
                );
            }

            public function said(string $part): array
            {
                return $this->said;
            }
        };

        return ($format === DocumentFormat::Odt
            ? OdtTracked::write(...)
            : DocxTracked::write(...))('', $old, $new, Layout::of($old, $new, $changes, true), $by, fn () => null);
    }

    /** @return list<list<mixed>> what our own reader reads, with the numbers that items have, however they come by them */
    private static function read(string $bytes, DocumentFormat $format = DocumentFormat::Docx): array
    {
        return self::told(($format === DocumentFormat::Odt ? new OdtReader : new DocxReader)->read($bytes, new FormatLimits)->tree);
    }

    /** @return list<list<mixed>> */
    private static function told(PartTree $tree): array
    {
        $numbers = Numbering::of($tree);

        return array_map(
            fn (Part $part) => [
                $part->role,
                $part->depth,
                $numbers[$part->id][0] ?? 0,
                ...array_values(
                    array_map(
                        fn (mixed $value) => $value instanceof RichText ? $value->toJson() : $value,
                        array_diff_key($part->fields, ['chunk' => 1, 'start' => 1]),
                    ),
                ),
            ],
            $tree->parts,
        );
    }

    private static function part(string $bytes, string $name): string
    {
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'attic-'), $bytes);
        $zip = new ZipArchive;
        $zip->open($path);
        $xml = (string) $zip->getFromName($name);
        $zip->close();
        unlink($path);

        return $xml;
    }

    private static function settled(string $bytes, bool $accepts, DocumentFormat $format = DocumentFormat::Docx): string
    {
        return $format === DocumentFormat::Odt
            ? self::with($bytes, 'content.xml', self::settledOdt(self::part($bytes, 'content.xml'), $accepts))
            : self::with($bytes, 'word/document.xml', self::settledDocx($bytes, $accepts));
    }

    private static function with(string $bytes, string $name, string $xml): string
    {
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'attic-'), $bytes);
        $zip = new ZipArchive;
        $zip->open($file);
        $zip->addFromString($name, $xml);
        $zip->close();
        $settled = (string) file_get_contents($file);
        unlink($file);

        return $settled;
    }

    /** All changes accepted or rejected, by ODF 1.3 part 3, 5.5, where none begins in one block and ends in another. */
    private static function settledOdt(string $xml, bool $accepts): string
    {
        $content = [];
        preg_match_all(
            '~<text:changed-region xml:id="(\w+)"[^>]*><text:deletion><office:change-info>.*?</office:change-info>(.*?)</text:deletion></text:changed-region>~s',
            $xml,
            $regions,
            PREG_SET_ORDER,
        );
        foreach ($regions as [, $id, $blocks]) {
            $content[$id] = $blocks;
        }
        $xml = (string) preg_replace('~<text:tracked-changes>.*?</text:tracked-changes>~s', '', $xml);
        if (! $accepts) {
            $xml = (string) preg_replace(
                '~<text:change-start text:change-id="(\w+)"/>.*?<text:change-end text:change-id="\1"/>~s',
                '',
                $xml,
            );
        }
        $xml = (string) preg_replace('~<text:change-(start|end) [^>]*/>~', '', $xml);
        // Within a paragraph, all but the tags around; between blocks, as it is.
        $isOpen = fn (string $before): bool => preg_match_all('~<text:[ph][ >]~', $before)
            > preg_match_all('~</text:[ph]>~', $before) + preg_match_all('~<text:[ph] [^>]*/>~', $before);
        while (preg_match('~<text:change text:change-id="(\w+)"/>~', $xml, $mark, PREG_OFFSET_CAPTURE) === 1) {
            $before = substr($xml, 0, $mark[0][1]);
            $blocks = $accepts ? '' : $content[$mark[1][0]];
            $xml = $before
            .($isOpen($before) ? (string) preg_replace('~^<text:p>(.*)</text:p>$~s', '$1', $blocks) : $blocks)
            .substr($xml, $mark[0][1] + strlen($mark[0][0]));
        }

        return $xml;
    }

    /** All changes accepted or rejected, by ECMA-376 part 1, 17.13.5. */
    private static function settledDocx(string $bytes, bool $accepts): string
    {
        $document = new DOMDocument;
        $document->loadXML(self::part($bytes, 'word/document.xml'));
        $path = new DOMXPath($document);
        $path->registerNamespace('w', self::W);
        $all = fn (string $query): array => array_values(
            array_filter(iterator_to_array($path->query($query) ?: []), fn ($node) => $node instanceof DOMElement),
        );
        [$stays, $goes] = $accepts ? [['ins', 'moveTo'], ['del', 'moveFrom']] : [['del', 'moveFrom'], ['ins', 'moveTo']];
        foreach ($all('//w:rPrChange | //w:pPrChange | //w:trPrChange') as $change) {
            $properties = $change->parentNode;
            if (! $accepts && $properties instanceof DOMElement) {
                $was = $change->firstElementChild;
                $mark = $properties->localName === 'pPr'
                    ? array_values(
                        array_filter(
                            iterator_to_array($properties->childNodes),
                            fn ($node) => $node instanceof DOMElement && $node->localName === 'rPr',
                        ),
                    )
                    : [];
                $was !== null && $properties->parentNode?->replaceChild($was, $properties);
                array_map(fn (DOMElement $kept) => $was?->appendChild($kept), $mark);
            } else {
                $properties?->removeChild($change);
            }
        }
        foreach ($goes as $tag) {
            foreach ($all("//w:tr[w:trPr/w:{$tag}]") as $row) {
                $row->parentNode?->removeChild($row);
            }
            foreach ($all('//w:tc[w:tcPr/w:cell'.ucfirst($tag).']') as $cell) {
                $cell->parentNode?->removeChild($cell);
            }
            foreach ($all("//w:p/w:{$tag} | //w:hyperlink/w:{$tag}") as $runs) {
                $runs->parentNode?->removeChild($runs);
            }
            // Without its end a paragraph is one with the next; these are empty by then.
            foreach ($all("//w:p[w:pPr/w:rPr/w:{$tag}]") as $paragraph) {
                $paragraph->parentNode?->removeChild($paragraph);
            }
        }
        foreach ($all('//w:cellIns | //w:cellDel') as $mark) {
            $mark->parentNode?->removeChild($mark);
        }
        foreach ($all('//w:tbl[not(w:tr)]') as $table) {
            $table->parentNode?->removeChild($table);
        }
        foreach ($stays as $tag) {
            foreach ($all("//w:{$tag}") as $runs) {
                while ($runs->firstChild !== null) {
                    $runs->parentNode?->insertBefore($runs->firstChild, $runs);
                }
                $runs->parentNode?->removeChild($runs);
            }
        }
        return str_replace('w:delText', 'w:t', (string) $document->saveXML());
    }
}
