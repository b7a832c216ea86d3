<?php

declare(strict_types=1);

namespace Tests\Core;

/** What another program reads in a file, told as MarkdownTest tells documents. */
final class Pandoc
{
    /** @return list<mixed> */
    public static function read(string $bytes, string $from, string ...$options): array
    {
        $process = proc_open(
            ['pandoc', '-f', $from, '-t', 'json', ...array_values($options)],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        \assert(is_resource($process));
        fwrite($pipes[0], $bytes);
        fclose($pipes[0]);
        $json = (string) stream_get_contents($pipes[1]);
        $error = (string) stream_get_contents($pipes[2]);
        proc_close($process) === 0 || throw new \RuntimeException($error);

        return self::blocks(json_decode($json, true, 512, JSON_THROW_ON_ERROR)['blocks']);
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @return list<mixed>
     */
    private static function blocks(array $blocks, string $role = 'paragraph'): array
    {
        $told = [];
        foreach ($blocks as $block) {
            $c = $block['c'] ?? null;
            array_push($told, ...match ($block['t']) {
                'Para', 'Plain' => [[$role, self::letters($c)]],
                'Header' => [['heading', $c[0], self::letters($c[2])]],
                'BlockQuote' => self::blocks($c, 'quote'),
                'CodeBlock' => [['code', $c[1]]],
                'HorizontalRule' => [['rule']],
                'BulletList' => self::items($c, 'bullet', 0),
                'OrderedList' => self::items($c[1], 'number', 0, $c[0][0]),
                'Table' => self::table($c),
                'Div' => self::blocks($c[1], $role),
                default => [[$block['t'], $c]],
            });
        }

        return $told;
    }

    /**
     * @param  list<list<array<string, mixed>>>  $items
     * @return list<mixed>
     */
    private static function items(array $items, string $style, int $depth, int $number = 0): array
    {
        $told = [];
        foreach ($items as $blocks) {
            $text = [];
            $below = [];
            foreach ($blocks as $block) {
                if ($block['t'] === 'BulletList' || $block['t'] === 'OrderedList') {
                    array_push(
                        $below,
                        ...self::items(
                            $block['t'] === 'BulletList' ? $block['c'] : $block['c'][1],
                            $block['t'] === 'BulletList' ? 'bullet' : 'number',
                            $depth + 1,
                            $block['t'] === 'BulletList' ? 0 : $block['c'][0][0],
                        ),
                    );
                } else {
                    $text = $block['c'];
                }
            }
            // Its box is a sign, or is as it was written.
            $letters = self::letters($text);
            $bare = (string) preg_replace('/^(☐|☒|\[[ x]\]) /u', '', $letters);
            $told[] = ['item', $depth, $bare === $letters ? ($style === 'number' ? 'number '.$number++ : $style) : 'task', $bare];
            array_push($told, ...$below);
        }

        return $told;
    }

    /**
     * @param  list<mixed>  $c
     * @return list<mixed>
     */
    private static function table(array $c): array
    {
        $told = [['table']];
        $rows = [...$c[3][1], ...array_merge(...array_map(fn (array $body) => [...$body[2], ...$body[3]], $c[4])), ...$c[5][1]];
        foreach ($rows as [, $cells]) {
            if (array_filter($cells, fn (array $cell) => $cell[4] !== []) === []) {
                // It puts a heading row over tables that have none.
                continue;
            }
            $told[] = ['row'];
            foreach ($cells as $cell) {
                $told[] = ['cell', self::letters($cell[4][0]['c'] ?? [])];
            }
        }

        return $told;
    }

    /** @param list<array<string, mixed>> $inlines */
    private static function letters(array $inlines): string
    {
        $marks = [];

        return trim((string) preg_replace('/ +/', ' ', self::inline($inlines, $marks)));
    }

    /**
     * @param  array<array<string, mixed>>  $inlines
     * @param  array<string, string>  $marks
     */
    private static function inline(array $inlines, array &$marks): string
    {
        $told = '';
        foreach ($inlines as $inline) {
            $c = $inline['c'] ?? null;
            $with = function (string $mark, string $value, array $inner) use (&$marks): string {
                $inside = [...$marks, $mark => $value];

                return self::inline($inner, $inside);
            };
            $told .= match ($inline['t']) {
                'Str' => self::marked($c, $marks), 'Space', 'SoftBreak' => ' ', 'LineBreak' => "\n",
                'Code' => self::marked($c[1], [...$marks, 'code' => 'c']),
                'Strong' => $with('bold', 'b', $c),
                'Emph' => $with('italic', 'i', $c),
                'Strikeout' => $with('strike', 's', $c),
                'Superscript' => $with('raised', 'r', $c),
                'Subscript' => $with('lowered', 'l', $c),
                'Underline' => $with('underline', 'u', $c),
                'Link' => $with('link', $c[2][0], $c[1]),
                'Span' => self::inline($c[1], $marks),
                'RawInline' => self::tag((string) $c[1], $marks),
                default => "({$inline['t']})",
            };
        }

        return $told;
    }

    /**
     * What Markdown has no sign for is in it as tags.
     *
     * @param  array<string, string>  $marks
     */
    private static function tag(string $tag, array &$marks): string
    {
        $mark = ['u' => ['underline', 'u'], 'sup' => ['raised', 'r'], 'sub' => ['lowered', 'l']][trim($tag, '</>')] ?? null;
        if ($mark !== null && str_starts_with($tag, '</')) {
            unset($marks[$mark[0]]);
        } elseif ($mark !== null) {
            $marks[$mark[0]] = $mark[1];
        }

        return str_starts_with($tag, '<br') ? "\n" : '';
    }

    /** @param array<string, string> $marks */
    private static function marked(string $text, array $marks): string
    {
        ksort($marks);

        return implode(
            '',
            array_map(
                fn (string $letter) => trim($letter) === '' ? ' ' : $letter.($marks === [] ? '' : '<'.implode(',', $marks).'>'),
                mb_str_split($text),
            ),
        );
    }
}
