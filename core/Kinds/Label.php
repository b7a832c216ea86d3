<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

/** Shortens a text to a name that a sentence can have. */
final class Label
{
    private const MOST = 48;

    /** The first sentence or so, cut at a word. */
    public static function of(string $text): string
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', mb_substr($text, 0, 400)));
        if (preg_match('/^.{3,48}?[.!?:](?=\s)/u', $text, $sentence) === 1) {
            return rtrim($sentence[0], '.:');
        }
        if (mb_strlen($text) <= self::MOST) {
            return rtrim($text, '.:');
        }
        $cut = mb_substr($text, 0, self::MOST);
        $space = mb_strrpos($cut, ' ');

        return ($space !== false && $space > 20 ? mb_substr($cut, 0, $space) : $cut).'…';
    }
}
