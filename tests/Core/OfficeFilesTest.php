<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** DOCX and ODT as two programs read them that share nothing with us: pandoc, and python-docx or odfpy. */
#[Group('slow')]
final class OfficeFilesTest extends TestCase
{
    private const WORDS = ['Opening', 'checks', 'für', '日本', '&', '<b>', 'a  b', '“so”', "it's", '100 %', 'x²'];

    /** @return array<string, array{DocumentFormat}> */
    public static function formats(): array
    {
        return ['DOCX' => [DocumentFormat::Docx], 'ODT' => [DocumentFormat::Odt]];
    }

    #[DataProvider('formats')]
    public function test_what_is_written_is_read_by_others(DocumentFormat $format): void
    {
        if (trim((string) shell_exec('command -v pandoc')) === '' || ! is_dir('/usr/lib/python3/dist-packages/docx')) {
            self::markTestSkipped('bin/test installs pandoc, python3-docx and python3-odf');
        }
        mt_srand($seed = random_int(1, 1 << 30));
        for ($run = 0; $run < 5; $run++) {
            // pandoc passes over the heading rows of ODT; odfpy reads them.
            $tree = self::document(heads: $format === DocumentFormat::Docx);
            $bytes = $format->writer()->write('A title', $tree, fn () => null);
            self::assertSame(
                self::told($tree),
                array_values(
                    array_filter(
                        Pandoc::read($bytes, $format->value),
                        fn (array $block) => ($block[1] ?? '') !== '' || $block[0] !== 'paragraph',
                    ),
                ),
                "seed {$seed}, run {$run}",
            );
            file_put_contents($path = sys_get_temp_dir().'/attic-'.bin2hex(random_bytes(6)).".{$format->value}", $bytes);
            try {
                $read = json_decode(
                    (string) shell_exec('/usr/bin/python3 '.escapeshellarg(__DIR__.'/readers.py').' '.escapeshellarg($path)),
                    true,
                    512,
                    JSON_THROW_ON_ERROR,
                );
            } finally {
                unlink($path);
            }
            self::assertSame(
                self::plain($tree),
                array_map(fn (array $block) => $block[0] === 'p' ? [self::shape((string) $block[1]), $block[2]] : $block, $read),
                "seed {$seed}, run {$run}",
            );
        }
    }

    private static function shape(string $style): string
    {
        return preg_match('/heading (\d)/i', $style, $found) === 1 ? "heading {$found[1]}" : '';
    }

    private static function document(bool $heads): PartTree
    {
        $parts = [];
        for ($at = 0; $at < 14; $at++) {
            $id = sprintf('p%04d', $at);
            $role = ['paragraph', 'heading', 'item', 'item', 'table'][mt_rand(0, 4)];
            array_push($parts, ...match ($role) {
                'heading' => [new Part($id, $role, 0, ['level' => mt_rand(1, 4), 'text' => self::text()])],
                'item' => [new Part($id, $role, 0, ['style' => 'bullet', 'done' => false, 'text' => self::text()])],
                'table' => self::table($id, $heads),
                default => [new Part($id, $role, 0, ['text' => self::text()])],
            });
        }

        return PartTree::of($parts);
    }

    /** @return list<Part> */
    private static function table(string $id, bool $heads): array
    {
        $parts = [new Part($id, 'table', 0, [])];
        [$rows, $columns] = [mt_rand(1, 3), mt_rand(1, 3)];
        for ($row = 0; $row < $rows; $row++) {
            $parts[] = new Part("{$id}r{$row}", 'row', 1, []);
            for ($column = 0; $column < $columns; $column++) {
                $parts[] = new Part("{$id}r{$row}c{$column}", 'cell', 2, ['head' => $heads && $row === 0, 'text' => self::text(1)]);
            }
        }

        return $parts;
    }

    private static function text(int $most = 4): RichText
    {
        $runs = [];
        for ($at = mt_rand(1, $most); $at > 0; $at--) {
            $marks = [];
            foreach (['bold', 'italic', 'strike', ['raised', 'lowered'][mt_rand(0, 1)]] as $mark) {
                $marks += mt_rand(0, 3) === 0 ? [$mark => true] : [];
            }
            $runs[] = [self::WORDS[array_rand(self::WORDS)].' ', $marks];
        }

        return RichText::fromJson(['runs' => [...$runs, ['end', []]]]);
    }

    /** @return list<mixed> as {@see Pandoc} tells it */
    private static function told(PartTree $tree): array
    {
        return array_map(fn (Part $part): array => match ($part->role) {
            'heading' => ['heading', $part->int('level'), self::letters($part->richText())],
            'item' => ['item', 0, 'bullet', self::letters($part->richText())],
            'table', 'row' => [$part->role],
            default => [$part->role, self::letters($part->richText())],
        }, $tree->parts);
    }

    /** @return list<mixed> paragraphs and tables, each with its bare text */
    private static function plain(PartTree $tree): array
    {
        $plain = [];
        $text = fn (string $id): string => $tree->get($id)->richText()->text();
        $children = $tree->children();
        foreach ($tree->parts as $part) {
            if ($part->role === 'table') {
                $plain[] = [
                    'table',
                    array_map(fn (string $row): array => array_map($text, $children[$row] ?? []), $children[$part->id] ?? []),
                ];
            } elseif ($part->role !== 'row' && $part->role !== 'cell') {
                $plain[] = [$part->role === 'heading' ? "heading {$part->int('level')}" : '', $part->richText()->text()];
            }
        }

        return $plain;
    }

    private static function letters(RichText $text): string
    {
        return trim(
            (string) preg_replace(
                '/ +/',
                ' ',
                implode(
                    '',
                    array_map(
                        fn (Run $run) => implode(
                            '',
                            array_map(
                                fn (string $letter) => $letter === ' '
                                    ? ' '
                                    : $letter
                                        .($run->marks === []
                                            ? ''
                                            : '<'.implode(',', array_map(fn (string $mark) => $mark[0], array_keys($run->marks))).'>'),
                                mb_str_split($run->text),
                            ),
                        ),
                        $text->runs,
                    ),
                ),
            ),
        );
    }
}
