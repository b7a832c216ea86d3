<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;

/** Writes the value of a cell the way its number format says (ECMA-376 part 1, 18.8.30). */
final class NumberLook
{
    /** @param string $ofColumn the look of the column, for cells that have no format of their own */
    public static function show(mixed $value, string $ofColumn = ''): string
    {
        $format = self::format(Cell::look($value));
        $format = $format === '' ? self::format($ofColumn) : $format;
        $result = Cell::result($value);
        if ($format === '' || ! (is_int($result) || is_float($result) || (is_array($result) && $result[0] === 'd'))) {
            return Cell::show($value);
        }
        $number = is_array($result) ? Date::stringToExcel(str_replace('T', ' ', Cell::second($result))) : $result;
        // A number format on a day, or a day's on a number, says nothing about it.
        if ($number === false || (is_array($result) !== Date::isDateTimeFormatCode($format) && ! (! is_array($result) && self::isTime($format)))) {
            return Cell::show($value);
        }
        try {
            return trim(NumberFormat::toFormattedString($number, $format));
        } catch (\Throwable) {
            return Cell::show($value);
        }
    }

    /** Whether a number format shows a time of day or a stretch of time, and no day: `hh:mm`, `[h]:mm` (ECMA-376 part 1, 18.8.31). */
    public static function isTime(string $format): bool
    {
        $bare = (string) preg_replace('/"[^"]*"|\\\\.|_.|\*.|\[\$[^\]]*\]|\[(?:Red|Black|Blue|Green|Cyan|Magenta|Yellow|White)\]/i', '', $format);

        return preg_match('/[hs]/i', $bare) === 1 && preg_match('/[yd]/i', $bare) !== 1;
    }

    /** The number format of a look. */
    public static function format(string $look): string
    {
        $bar = strpos($look, '|');

        return $bar === false ? '' : substr($look, $bar + 1);
    }
}
