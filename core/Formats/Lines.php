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
        if (! str_contains($text, "\r")) {
            $lines = explode("\n", $text);
            $last = array_pop($lines);
            foreach ($lines as $at => $line) {
                $lines[$at] = $line."\n";
            }

            return $last === '' ? $lines : [...$lines, $last];
        }

        return preg_split('/(?<=\n)|(?<=\r)(?!\n)/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [$text];
    }
}
