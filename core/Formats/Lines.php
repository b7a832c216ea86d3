<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/** A text as lines that keep their ends (LF, CRLF or CR): joined again, they are the text to the byte. */
final class Lines
{
    /** @return list<string> none is empty; only the last may lack an end */
    public static function of(string $text): array
    {
        if ($text === '') {
            return [];
        }
        if (! str_contains($text, "\r") && ! str_contains($text, "\0")) {
            $lines = explode("\0", str_replace("\n", "\n\0", $text));
            if (end($lines) === '') {
                array_pop($lines);
            }

            return $lines;
        }

        return preg_split('/(?<=\n)|(?<=\r)(?!\n)/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [$text];
    }
}
