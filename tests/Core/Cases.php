<?php

declare(strict_types=1);

namespace Tests\Core;

/**
 * Reads case files: `== title`, then sections that begin with `-- name`. With REWRITE=1 the tests write what came out
 * into the last section of each case, for a person to read in the difference.
 */
final class Cases
{
    /** @return array<string, array{array<string, string>, string, string}> title => sections, file, title */
    public static function in(string $name): array
    {
        $file = __DIR__."/cases/{$name}.txt";
        $cases = [];
        foreach (preg_split('/^== /m', (string) file_get_contents($file)) ?: [] as $text) {
            if (trim($text) === '' || str_starts_with($text, ';')) {
                continue;
            }
            $sections = preg_split('/^-- (\w+)\n?/m', $text, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
            $title = trim((string) array_shift($sections));
            $named = [];
            foreach (array_chunk($sections, 2) as $pair) {
                $named[$pair[0]] = trim($pair[1] ?? '', "\n");
            }
            $cases[$title] = [$named, $file, $title];
        }

        return $cases;
    }

    public static function rewrite(string $file, string $title, string $section, string $text): void
    {
        $all = (string) file_get_contents($file);
        $pattern = '/(^== '.preg_quote($title, '/').'\n(?:(?!^== ).*\n)*?-- '.$section.'\n)((?:(?!^== |^-- ).*\n?)*)/m';
        file_put_contents($file, preg_replace_callback($pattern, fn (array $found) => $found[1].$text."\n\n", $all, 1));
    }
}
