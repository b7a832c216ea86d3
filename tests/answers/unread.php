<?php

declare(strict_types=1);

/*
 * What a page says that is for nobody to read: a formula as it is kept, the key of a text, a name that should have been put into one.
 */

/** @return array{string, string}|null the law that it breaks, and where */
return static function (string $page): ?array {
    $text = strip_tags((string) preg_replace('~<(script|style|textarea)\b.*?</\1>~s', '', $page));
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

    return null;
};
