<?php

declare(strict_types=1);

/*
 * What is wrong with a page whoever looks at it: it says what is for nobody to read (a formula as it is kept, the key of a text, a name that
 * should have been put into one), has an id twice, or a label, a field or a drawing that belongs to what is not there, or a link to a place that it does not have.
 */

/**
 * @param  bool  $whole  whether what belongs together is held against each other, too, and links within the page are followed
 * @return array{string, string}|null the law that it breaks, and where
 */
return static function (string $page, bool $whole = false): ?array {
    $page = (string) preg_replace('~<(script|style|template)\b.*?</\1>~s', '', $page);
    $text = strip_tags((string) preg_replace('~<textarea\b.*?</textarea>~s', '', $page));
    foreach (
        [
            'A formula is told as people read it' => '/\[\$?[a-z0-9*]*\.[$a-z0-9*]+\]/',
            'Every text is there' => '~\b(views|history|item|form|report|file|shelf|keeping|talk|finding|changes|log|unusual|kinds)[/.][a-z_/]+\.[a-z_.]+\b~',
            'Every text says whose and what' => '/(?<![\w:]):[a-z_]{3,}\b/',
        ] as $law => $pattern
    ) {
        if (preg_match($pattern, $text, $found, PREG_OFFSET_CAPTURE) === 1) {
            return [$law, trim((string) preg_replace('/\s+/', ' ', substr($text, max(0, $found[0][1] - 60), 100)))];
        }
    }
    preg_match_all('/\sid="([^"]+)"/', $page, $ids);
    // Keys of threads are left out where answers are held against each other.
    $twice = array_keys(array_filter(array_count_values($ids[1]), fn (int $count): bool => $count > 1));
    $twice = array_values(array_diff($twice, ['thread-']));
    if ($twice !== []) {
        return ['An id is there once', (string) $twice[0]];
    }
    if ($whole && stripos($page, '</html>') !== false) {
        preg_match_all('/\s(?:for|form|list)="([^"]+)"|<use href="#([^"]+)"/', $page, $asked);
        $missing = array_diff(array_filter([...$asked[1], ...$asked[2]], fn (string $id) => $id !== ''), $ids[1]);
        if ($missing !== []) {
            return ['What something belongs to is there', (string) current($missing)];
        }
        // Further lines of a table come when one goes there.
        preg_match_all('/\shref="#([^"]+)"/', $page, $asked);
        preg_match_all('/\sdata-(?:cell|part)="([^"]+)"/', $page, $parts);
        $missing = array_diff($asked[1], $ids[1], array_map(fn (string $part): string => "part-{$part}", $parts[1]), ['thread-']);
        if ($missing !== [] && ! str_contains($page, 'data-more=')) {
            return ['A link within a page leads there', (string) current($missing)];
        }
    }

    return null;
};
