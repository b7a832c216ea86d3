<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Telling\Movement;
use MistyAttic\Core\Compare\Telling\Side;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Page\PageKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Pages: which way blocks moved, the layout with its traces, and the way through files. */
final class PageTest extends TestCase
{
    private const PAGE = <<<'TEXT'
        s1 section title=Opening hours | background=plain
          c1 column width=8
            b1 heading level=2 | text=When we are open
            b2 rich_text style=plain | text=Every second Saturday.
            b3 heading level=2 | text=Find us
            b4 rich_text style=plain | text=Behind the old laundry.
          c2 column width=4
            b5 heading level=2 | text=Bring
        s2 section title=Good to know | background=tinted
          c3 column width=12
            b6 divider
        TEXT;

    /** @return array<string, array{string, array<string, string>}> how the page is after, and what is said of `b3` */
    public static function moves(): array
    {
        return [
            'across' => [
                self::arranged(['c1' => ['b1', 'b2', 'b4'], 'c2' => ['b3', 'b5'], 'c3' => ['b6']]),
                ['direction' => 'across', 'from_side' => 'left', 'to_side' => 'right'],
            ],
            'to another section' => [
                self::arranged(['c1' => ['b1', 'b2', 'b4'], 'c2' => ['b5'], 'c3' => ['b6', 'b3']]),
                ['direction' => 'away', 'from_name' => 'Opening hours', 'to_name' => 'Good to know'],
            ],
            'up in its column' => [
                self::arranged(['c1' => ['b3', 'b1', 'b2', 'b4'], 'c2' => ['b5'], 'c3' => ['b6']]),
                ['direction' => 'up'],
            ],
        ];
    }

    /** @param array<string, string> $said */
    #[DataProvider('moves')]
    public function test_which_way_a_block_moved(string $after, array $said): void
    {
        [$old, $new] = [Sketch::read(self::PAGE, 'page'), Sketch::read($after, 'page')];
        self::assertSame($said, Movement::of(new PageKind, 'b3', $old, $new, TreeCompare::moved($old, $new)));
    }

    public function test_sides_are_named_by_how_many_columns_there_are(): void
    {
        $named = fn (int $count): array => array_map(
            fn (int $at) => Side::of(
                PartTree::of([
                    new Part('s', 'section', 0, []),
                    ...array_map(fn (int $column) => new Part("c{$column}", 'column', 1, ['width' => 3]), range(1, $count)),
                ]),
                "c{$at}",
            )->value,
            range(1, $count),
        );
        self::assertSame(
            [['only'], ['left', 'right'], ['left', 'middle', 'right'], ['first', 'second', 'third', 'last']],
            array_map($named, [1, 2, 3, 4]),
        );
    }

    public function test_what_moved_leaves_a_trace_where_it_stood_and_without_traces_it_does_not(): void
    {
        $old = Sketch::read(self::PAGE, 'page');
        $new = Sketch::read(self::arranged(['c1' => ['b1', 'b2', 'b4'], 'c2' => ['b3', 'b5'], 'c3' => []]), 'page');
        $changes = TreeCompare::of($old, $new);
        $shown = fn (bool $traces): string => implode(' ', array_map(self::marked(...), Layout::of($old, $new, $changes, $traces)));
        self::assertSame('s1(c1(b1 b2 >b3 b4) c2(b3~ b5)) s2(c3(b6-))', $shown(true));
        self::assertSame('s1(c1(b1 b2 b4) c2(b3~ b5)) s2(c3(b6-))', $shown(false));
    }

    public function test_the_earlier_side_shows_each_part_where_it_stood(): void
    {
        $old = Sketch::read(self::PAGE, 'page');
        $new = Sketch::read(self::arranged(['c1' => ['b1', 'b2', 'b4'], 'c2' => ['b3', 'b5'], 'c3' => []]), 'page');
        self::assertSame(
            's1(c1(b1 b2 b3~ b4) c2(b5)) s2(c3(b6-))',
            implode(' ', array_map(self::marked(...), Layout::earlier($old, $new, TreeCompare::of($old, $new)))),
        );
    }

    public function test_a_section_that_two_people_emptied_gets_a_column_and_the_same_one_everywhere(): void
    {
        $kind = new PageKind;
        $empty = PartTree::of([new Part('s1', 'section', 0, ['title' => 'A']), new Part('s2', 'section', 0, ['title' => 'B'])]);
        $repaired = $kind->repair($empty);
        self::assertSame(['section', 'column', 'section', 'column'], array_column($repaired->parts, 'role'));
        self::assertSame(array_column($repaired->parts, 'id'), array_column($kind->repair($empty)->parts, 'id'));
        self::assertSame($repaired, $kind->repair($repaired));
    }

    public function test_a_target_that_would_run_a_script_is_no_address(): void
    {
        $read = fn (string $target) => (new PageKind)->read(
            $this->page(['bbbb', 'button', 2, ['label' => 'Press', 'target' => $target]]),
            new Limits,
        );
        foreach (
            [
                'javascript:alert(1)',
                ' JaVaScRiPt:alert(1)',
                'data:text/html,x',
                'vbscript:x',
                "java\tscript:alert(1)",
                '//elsewhere.example/x',
            ] as $target
        ) {
            self::assertSame(
                ['parts.2.fields.target'],
                array_map(fn (Problem $problem) => $problem->path, $read($target)->problems),
                $target,
            );
        }
        foreach (['https://one.example/', '/read/book', 'mailto:a@b.example', 'tel:5550142', ''] as $target) {
            self::assertSame([], $read($target)->problems, $target);
        }
    }

    public function test_a_page_comes_back_from_its_html_as_it_was(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        for ($run = 0; $run < 60; $run++) {
            $tree = (new PageKind)->repair((new RandomContent($seed + $run, 'page'))->tree(14));
            // A text that says nothing is not read back.
            $tree = PartTree::of(
                array_values(
                    array_filter(
                        $tree->parts,
                        fn (Part $part) => ! in_array($part->role, ['rich_text', 'heading', 'call_out'], true)
                            || trim($part->richText()->text()) !== '',
                    ),
                ),
            );
            $html = PageFormat::Html->write('T', $tree, fn () => 'data:image/png;base64,'.base64_encode(self::pixel()));
            $back = $this->read(PageFormat::Html, $html)->tree;
            // A browser folds and trims spaces; apart from them, writing what was read gives the file again.
            $again = PageFormat::Html->write('T', $back, fn () => 'data:image/png;base64,'.base64_encode(self::pixel()));
            self::assertSame(self::folded($html), self::folded($again), 'SEED='.($seed + $run));
        }
    }

    public function test_every_block_comes_back_from_html_with_its_settings(): void
    {
        $chunk = str_repeat('ab', 20);
        $tree = PartTree::of([
            new Part('s1', 'section', 0, ['title' => 'Opening <hours>', 'background' => 'deep']),
            new Part('c1', 'column', 1, ['width' => 8]),
            new Part('b1', 'heading', 2, ['level' => 3, 'text' => RichText::plain('When')]),
            new Part('b2', 'rich_text', 2, ['style' => 'number', 'text' => new RichText([new Run('one', ['bold' => true])])]),
            new Part('b3', 'call_out', 2, ['tone' => 'warning', 'text' => RichText::plain('Careful')]),
            new Part('b4', 'picture', 2, ['chunk' => $chunk, 'alt' => 'A bench', 'caption' => 'Two lamps', 'width' => 1, 'height' => 1]),
            new Part('c2', 'column', 1, ['width' => 4]),
            new Part('b5', 'button', 2, ['label' => 'Book', 'target' => '/read/book']),
            new Part('b6', 'links', 2, ['title' => 'Read on', 'labels' => ['One', 'Two'], 'targets' => ['https://one.example/', '/two']]),
            new Part('b7', 'hours', 2, ['title' => 'Benches', 'days' => ['Sat'], 'times' => ['10 to 3']]),
            new Part('b8', 'contact', 2, ['name' => 'The café', 'lines' => ['14 Fennel Street', 'Ring twice']]),
            new Part('b9', 'divider', 2, []),
            new Part('ba', 'figure', 2, ['label' => 'Tell us', 'source' => '/read/form']),
        ]);
        $back = $this->read(
            PageFormat::Html,
            PageFormat::Html->write('T', $tree, fn () => 'data:image/png;base64,'.base64_encode(self::pixel())),
        );
        $facts = fn (PartTree $of): array => array_map(
            fn (Part $part) => [
                $part->role,
                $part->depth,
                array_map(
                    fn (mixed $value) => $value instanceof RichText ? $value->toJson() : $value,
                    array_diff_key($part->fields, ['chunk' => 1]),
                ),
            ],
            $of->parts,
        );
        self::assertEquals($facts($tree), $facts($back->tree));
        self::assertSame([self::pixel()], array_values($back->pictures));
    }

    public function test_markdown_makes_sections_of_titles_and_blocks_of_the_rest(): void
    {
        $page = $this->read(
            PageFormat::Markdown,
            "# Opening hours\n\n## When\n\nEvery *second* Saturday.\n\n- one\n- two\n\n> Careful\n\n[Book](https://book.example/)\n\n| Sat | 10 to 3 |\n| --- | --- |\n| Wed | from 6 |\n\n---\n\n# More\n",
        );
        self::assertSame(
            [
                's0 Opening hours',
                'c1',
                'heading 2 When',
                'rich_text 2 Every second Saturday.',
                'rich_text 2 one',
                'rich_text 2 two',
                'call_out 2 Careful',
                'button 2',
                'hours 2',
                'divider 2',
                's0 More',
                'c1',
            ],
            array_map(
                fn (Part $part) => match ($part->role) {
                    'section' => 's0 '.$part->string('title'),
                    'column' => 'c1',
                    default => trim("{$part->role} {$part->depth} {$part->richText()->text()}"),
                },
                $page->tree->parts,
            ),
        );
        $markdown = PageFormat::Markdown->write('T', $page->tree, fn () => null);
        self::assertSame($markdown, PageFormat::Markdown->write('T', $this->read(PageFormat::Markdown, $markdown)->tree, fn () => null));
    }

    public function test_files_of_any_kind_are_read_without_harm_or_refused(): void
    {
        $hostile
            = '<section class="deep" onclick="alert(1)"><h1>A</h1><script>alert(1)</script><p>B<img src=x onerror=alert(1)></p><p class="button"><a href="javascript:alert(1)">C</a></p><iframe src="//elsewhere.example"></iframe><style>p{}</style></section>';
        $html = PageFormat::Html->write('T', $this->read(PageFormat::Html, $hostile)->tree, fn () => null);
        foreach (['<script', 'onclick', 'onerror', 'javascript:', '<iframe', 'elsewhere.example'] as $harm) {
            self::assertStringNotContainsString($harm, substr($html, (int) strpos($html, '<main>')));
        }
        $this->expectException(Unreadable::class);
        $this->read(PageFormat::Html, str_repeat('<div>', 5_000).'x');
    }

    public function test_a_list_holds_as_many_as_its_role_says(): void
    {
        $read = fn (int $count): array => array_values(
            array_filter(
                (new PageKind)->read(
                    [
                        ['sect', 'section', 0, ['background' => 'plain']],
                        ['colu', 'column', 1, ['width' => 12]],
                        ['cont', 'contact', 2, ['name' => 'Ines', 'lines' => array_fill(0, $count, 'Call twice')]],
                    ],
                    new Limits,
                )->problems,
                fn (Problem $problem) => $problem->code === 'bad_list',
            ),
        );
        self::assertEquals([[], [new Problem('bad_list', 'parts.2.fields.lines', ['max' => 20])]], [$read(20), $read(21)]);
    }

    public function test_a_file_with_too_many_parts_is_refused(): void
    {
        $this->expectException(Unreadable::class);
        PageFormat::Html->reader()->read(str_repeat('<p>x</p>', 60), new FormatLimits(parts: 50));
    }

    private function read(PageFormat $format, string $text): Content
    {
        return $format->reader()->read($text, new FormatLimits);
    }

    /**
     * @param  list<mixed>  $block
     * @return list<list<mixed>>
     */
    private function page(array $block): array
    {
        return [['ssss', 'section', 0, ['title' => '', 'background' => 'plain']], ['cccc', 'column', 1, ['width' => 12]], $block];
    }

    /** @param array<string, list<string>> $blocks by column */
    private static function arranged(array $blocks): string
    {
        $lines = [];
        foreach (explode("\n", self::PAGE) as $line) {
            $id = strtok(trim($line), ' ');
            $lines[$id] = $line;
        }
        $page = [];
        foreach (['s1' => ['c1', 'c2'], 's2' => ['c3']] as $section => $columns) {
            $page[] = $lines[$section];
            foreach ($columns as $column) {
                array_push($page, $lines[$column], ...array_map(fn (string $id) => $lines[$id], $blocks[$column]));
            }
        }

        return implode("\n", $page);
    }

    private static function marked(MarkedPart $marked): string
    {
        $id = ($marked->isTrace ? '>' : '')
        .$marked->part->id
        .($marked->state === ChangeType::Removed ? '-' : ($marked->movedFrom !== null ? '~' : ''));

        return $marked->children === [] ? $id : $id.'('.implode(' ', array_map(self::marked(...), $marked->children)).')';
    }

    private static function folded(string $html): string
    {
        $main = substr($html, (int) strpos($html, '<main>'));

        return str_replace('><', ">\n<", (string) preg_replace('/\s+(?=<)|(?<=>)\s+/u', '', (string) preg_replace('/\s+/u', ' ', $main)));
    }

    private static function pixel(): string
    {
        return (string) base64_decode(
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
            true,
        );
    }
}
