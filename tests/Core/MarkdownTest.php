<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\MarkdownReader;
use MistyAttic\Core\Formats\Document\MarkdownText;
use MistyAttic\Core\Formats\Document\MarkdownWriter;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Kinds\Numbering;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** What is written as Markdown is read as the same, by the reader of ours and by another one. */
final class MarkdownTest extends TestCase
{
    private const WORDS = [
        'a',
        'word',
        '1.50',
        '&copy;',
        '&',
        'Look!',
        '===',
        '---',
        '(bold)',
        '**',
        '*',
        '_',
        '__',
        'snake_case',
        '`',
        '``x`',
        '[y]',
        '[a](b)',
        '<b>',
        '<u>',
        'é',
        '日本',
        '#',
        '# x',
        '1.',
        '2) x',
        'a.',
        'i)',
        '$5',
        '$',
        '{',
        '{.x}',
        '^',
        '~',
        '~~',
        '|',
        'a | b',
        '|-|',
        ':smile:',
        ':',
        ': x',
        ':::',
        '\\',
        '\\\\',
        '"so"',
        "it's",
        'https://host.example/a_b',
        '!',
        '+',
        '- x',
        '> q',
        '(@)',
        '“',
        '…',
        '%',
        '@me',
        '=',
        '-',
        '1234567890. x',
        'http:',
        '&#65;',
    ];

    /** @return array<string, array{list<array{string, array<string, true|string>}>, string}> */
    public static function texts(): array
    {
        return [
            'a number' => [[['1.50', []]], '1.50'],
            'a list' => [[['1. x', []]], '1\\. x'],
            'an entity' => [[['&copy; & co', []]], '\\&copy; & co'],
            'before a link' => [[['Look!', []], ['here', ['link' => '/x']]], 'Look\\![here](/x)'],
            'a line of signs' => [[["a\n===\n---", []]], "a\\\n\\===\\\n\\---"],
            'brackets in bold' => [[['a', []], ['(bold)', ['bold' => true]], ['b', []]], '&#97;**(bold)**&#98;'],
            'a word in a word' => [[['un', []], ['bel', ['bold' => true]], ['ievable', []]], 'un**bel**ievable'],
            'bold, then italic' => [[['aa', ['bold' => true]], ['bb', ['italic' => true]], ['c', []]], '**aa**_bb_&#99;'],
            'within' => [[['a ', ['bold' => true]], ['b', ['bold' => true, 'italic' => true]], [' c', ['bold' => true]]], '**a *b* c**'],
            'money' => [[['$5', []]], '$5'],
            'two prices' => [[['$5 or $6', []]], '\\$5 or \\$6'],
            'code with ticks' => [[['`', ['code' => true]]], '`` ` ``'],
            'an address with brackets' => [[['x', ['link' => '/a(b)']]], '[x](</a(b)>)'],
        ];
    }

    /** @param list<array{string, array<string, true|string>}> $runs */
    #[DataProvider('texts')]
    public function test_a_text_is_written_as_plainly_as_it_can_be(array $runs, string $written): void
    {
        $text = new RichText(array_map(fn (array $run) => new Run(...$run), $runs));
        self::assertSame($written, MarkdownText::of($text));
        self::assertSame(
            self::letters($text),
            self::letters((new MarkdownReader)->read(MarkdownText::of($text), new FormatLimits)->tree->parts[0]->richText()),
        );
    }

    public function test_any_document_is_read_again_as_it_was(): void
    {
        mt_srand($seed = random_int(1, 1 << 30));
        for ($run = 0; $run < 150; $run++) {
            $tree = self::document();
            $text = (new MarkdownWriter)->write('', $tree, fn () => 'data:image/png;base64,AA==');
            self::assertSame(
                self::told($tree),
                self::told((new MarkdownReader)->read($text, new FormatLimits)->tree),
                "seed {$seed}, run {$run}\n{$text}",
            );
        }
    }

    #[Group('slow')]
    public function test_another_reader_reads_the_same(): void
    {
        if (trim((string) shell_exec('command -v pandoc')) === '') {
            self::markTestSkipped('bin/test installs pandoc');
        }
        mt_srand($seed = random_int(1, 1 << 30));
        for ($run = 0; $run < 12; $run++) {
            $tree = self::document(25);
            $text = (new MarkdownWriter)->write('', $tree, fn () => 'data:image/png;base64,AA==');
            self::assertSame(
                self::told($tree),
                Pandoc::read($text, 'commonmark_x-smart-definition_lists'),
                "seed {$seed}, run {$run}\n{$text}",
            );
        }
    }

    private static function document(int $blocks = 10): PartTree
    {
        $parts = [];
        $depth = -1;
        for ($at = 0; $at < $blocks; $at++) {
            $id = sprintf('p%04d', $at);
            $role = ['paragraph', 'paragraph', 'heading', 'quote', 'item', 'item', 'item', 'code', 'table', 'rule'][mt_rand(0, 9)];
            $depth = $role === 'item' ? mt_rand(0, min(4, $depth + 1)) : -1;
            array_push(
                $parts,
                ...match ($role) {
                    'heading' => [new Part($id, $role, 0, ['level' => mt_rand(1, 4), 'text' => self::text(lines: false)])],
                    'item' => [
                        new Part($id, $role, max(0, $depth), [
                            'style' => ($style = ['bullet', 'number', 'number', 'task'][mt_rand(0, 3)]),
                            'done' => false,
                            ...$style === 'number' && mt_rand(0, 3) === 0 ? ['start' => mt_rand(0, 12)] : [],
                            'text' => self::text(),
                        ]),
                    ],
                    'code' => [
                        new Part($id, $role, 0, [
                            'text' => RichText::plain(
                                implode("\n", array_map(fn () => self::WORDS[array_rand(self::WORDS)], range(1, mt_rand(1, 4)))),
                            ),
                        ]),
                    ],
                    'table' => self::table($id),
                    'rule' => [new Part($id, $role, 0, [])],
                    default => [new Part($id, $role, 0, ['text' => self::text()])],
                },
            );
        }

        return PartTree::of($parts);
    }

    /** @return list<Part> */
    private static function table(string $id): array
    {
        $parts = [new Part($id, 'table', 0, [])];
        [$rows, $columns] = [mt_rand(1, 3), mt_rand(1, 3)];
        for ($row = 0; $row < $rows; $row++) {
            $parts[] = new Part("{$id}r{$row}", 'row', 1, []);
            for ($column = 0; $column < $columns; $column++) {
                $parts[] = new Part("{$id}r{$row}c{$column}", 'cell', 2, ['head' => $row === 0, 'text' => self::text(3, slashes: false)]);
            }
        }

        return $parts;
    }

    /** @param bool $slashes a backslash before a bar in code has no way to be written in a table */
    private static function text(int $most = 6, bool $lines = true, bool $slashes = true): RichText
    {
        $runs = [];
        for ($at = mt_rand(1, $most); $at > 0; $at--) {
            $marks = [];
            foreach (
                [
                    'bold' => true,
                    'italic' => true,
                    'strike' => true,
                    'code' => true,
                    ['raised', 'lowered', 'underline'][mt_rand(0, 2)] => true,
                    'link' => ['/a', 'https://x.example/?a=1&copy=2', '#top'][mt_rand(0, 2)],
                ] as $mark => $value
            ) {
                $marks += mt_rand(0, 4) === 0 ? [$mark => $value] : [];
            }
            $words = array_map(fn () => self::WORDS[array_rand(self::WORDS)], range(1, mt_rand(1, 3)));
            $runs[] = new Run(implode(['', ' ', ' '][mt_rand(0, 2)], $words).['', '', ' ', $lines ? "\n" : ' '][mt_rand(0, 3)], $marks);
        }

        $runs = $slashes ? $runs : array_map(fn (Run $run) => new Run(str_replace('\\', '/', $run->text), $run->marks), $runs);

        // Something of a word is in every text: an empty one has no Markdown.
        return RichText::fromJson(['runs' => array_map(fn (Run $run) => [$run->text, $run->marks], [...$runs, new Run('w')])]);
    }

    /** @return list<mixed> kinds of blocks, with what they say */
    private static function told(PartTree $tree): array
    {
        $told = [];
        $numbers = Numbering::of($tree);
        foreach ($tree->parts as $part) {
            $told[] = match ($part->role) {
                'heading' => ['heading', $part->int('level'), self::letters($part->richText())],
                'item' => [
                    'item',
                    $part->depth,
                    isset($numbers[$part->id]) ? "number {$numbers[$part->id][0]}" : $part->string('style'),
                    self::letters($part->richText()),
                ],
                'code' => ['code', $part->richText()->text()],
                'table', 'row', 'rule' => [$part->role],
                default => [$part->role, self::letters($part->richText())],
            };
        }

        return $told;
    }

    /** Letter by letter, each with its marks; a space has none. */
    private static function letters(RichText $text): string
    {
        $letters = '';
        foreach ($text->runs as $run) {
            foreach (mb_str_split($run->text) as $letter) {
                $marks = $run->marks;
                ksort($marks);
                $letters .= trim($letter) === ''
                    ? ($letter === "\n"
                        ? "\n"
                        : ' ')
                    : $letter
                        .($marks === []
                            ? ''
                            : '<'
                                .implode(
                                    ',',
                                    array_map(
                                        fn (string $mark, true|string $value) => $value === true ? $mark[0] : $value,
                                        array_keys($marks),
                                        $marks,
                                    ),
                                )
                                .'>');
            }
        }

        return trim((string) preg_replace('/ +/', ' ', $letters));
    }
}
