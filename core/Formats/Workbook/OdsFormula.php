<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Kinds\Formulas\Formula;

/** A formula as people write it, in the words of OpenFormula (ODF 1.3, part 4, clause 5). */
final class OdsFormula
{
    /** Functions that are others there under these names (6.17). */
    private const NAMES = [
        '/\b((?:CEILING|FLOOR)(?:\.(?:MATH|PRECISE))?)\s*\(/i' => 'COM.MICROSOFT.$1(',
        '/\b(CEILING|FLOOR)\.XCL\s*\(/i' => 'COM.MICROSOFT.$1(',
        '/\b(CEILING|FLOOR)\.ODS\s*\(/i' => '$1(',
    ];

    public static function of(string $spelled): string
    {
        $written = '';
        $at = 0;
        preg_match_all(Formula::SPELLED, $spelled, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE | PREG_UNMATCHED_AS_NULL);
        foreach ($found as $one) {
            [$text, $from] = [(string) $one[0][0], $one[0][1]];
            $written .= self::between(substr($spelled, $at, $from - $at)).(str_starts_with($text, '"') ? $text : self::reference($text));
            $at = $from + strlen($text);
        }

        return 'of:='.self::blocks($written.self::between(substr($spelled, $at)));
    }

    /** `'My tab'!A1:B2` is `['My tab'.A1:.B2]`. */
    private static function reference(string $text): string
    {
        $bang = strrpos($text, '!');
        [$tab, $place] = $bang === false ? ['', $text] : [substr($text, 0, $bang), substr($text, $bang + 1)];

        return "[{$tab}.".str_replace(':', ':.', $place).']';
    }

    /** What parts arguments is a semicolon, and the truth is a function. */
    private static function between(string $text): string
    {
        $text = (string) preg_replace('/\b(TRUE|FALSE)\b(?!\s*\()/i', '$1()', $text);

        return strtr((string) preg_replace(array_keys(self::NAMES), array_values(self::NAMES), $text), [',' => ';', ';' => '|']);
    }

    /** Rows of a written block are parted by bars; elsewhere there is none. */
    private static function blocks(string $written): string
    {
        return (string) preg_replace_callback(
            '/"(?:[^"]|"")*"|\{[^}"]*(?:"(?:[^"]|"")*"[^}"]*)*\}|\|/',
            fn (array $found): string => $found[0] === '|' ? ';' : $found[0],
            $written,
        );
    }
}
