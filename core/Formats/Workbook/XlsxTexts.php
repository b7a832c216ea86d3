<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Cell;
use XMLReader;

/** The texts that cells share (ECMA-376 part 1, 18.4.9), without what is only read aloud. */
final class XlsxTexts
{
    /** @return list<string> */
    public static function read(?string $xml, FormatLimits $limits): array
    {
        if ($xml === null) {
            return [];
        }
        $texts = [];
        XmlStream::read($xml, 'sharedStrings', function (XMLReader $reader) use (&$texts, $limits): void {
            if ($reader->localName === 'si') {
                $texts[] = self::text($reader);
                count($texts) <= $limits->cells || throw Unreadable::tooLarge('it has more texts than can be compared', $limits->cells);
            }
        });

        return $texts;
    }

    /** The text of the element at which a reader is, runs and all. */
    public static function text(XMLReader $reader): string
    {
        if ($reader->isEmptyElement) {
            return '';
        }
        $end = $reader->depth;
        $text = '';
        $aloud = $inside = false;
        while ($reader->read() && $reader->depth > $end) {
            if ($reader->nodeType === XMLReader::ELEMENT || $reader->nodeType === XMLReader::END_ELEMENT) {
                $opens = $reader->nodeType === XMLReader::ELEMENT && ! $reader->isEmptyElement;
                $aloud = $reader->localName === 'rPh' ? $opens : $aloud;
                $inside = $reader->localName === 't' && $opens;
            } elseif ($inside && ! $aloud) {
                $text .= $reader->value;
            }
        }

        return self::unescaped($text);
    }

    /** Letters that XML can't hold are written by their numbers (ST_Xstring, ECMA-376 part 1, 22.9.2.19). */
    public static function unescaped(string $text): string
    {
        if (str_contains($text, '_x')) {
            $text = (string) preg_replace_callback(
                '/_x([0-9A-Fa-f]{4})_/',
                fn (array $found): string => mb_chr((int) hexdec($found[1])) ?: '',
                $text,
            );
        }

        return strlen($text) > Cell::MOST ? mb_substr($text, 0, Cell::MOST) : $text;
    }

    public static function escaped(string $text): string
    {
        $text = str_contains($text, '_x') ? (string) preg_replace('/_(?=x[0-9A-Fa-f]{4}_)/', '_x005F_', $text) : $text;

        return (string) preg_replace_callback(
            '/[\x00-\x08\x0B-\x1F]/',
            fn (array $found): string => sprintf('_x%04X_', ord($found[0])),
            $text,
        );
    }
}
