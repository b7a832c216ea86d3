<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Style\NumberFormat;

/** Writes the value of a cell the way its number format says (ECMA-376 part 1, 18.8.30). */
final class NumberLook
{
    /** Days that a number can stand for: until the year 9999. */
    private const DAYS = 2_958_466;

    /** @param string $ofColumn the look of the column, for cells that have no format of their own */
    public static function show(mixed $value, string $ofColumn = ''): string
    {
        $format = self::format(Cell::look($value));
        $format = $format === '' ? self::format($ofColumn) : $format;
        $result = Cell::result($value);

        return match (true) {
            is_array($result) && $result[0] === 'd' => self::day($result, $format),
            is_int($result), is_float($result) => self::number($result, $format),
            default => Cell::show($value),
        };
    }

    /** @param array<mixed> $day */
    private static function day(array $day, string $format): string
    {
        $number = Date::stringToExcel(str_replace('T', ' ', Cell::second($day)));
        // A number's format on a day says nothing about it, nor does one of a stretch of time.
        $says = $format !== '' && Date::isDateTimeFormatCode($format) && preg_match('/\[[hms]+\]/i', self::bare($format)) !== 1;

        return $number === false || ! $says ? Cell::show($day) : self::written($number, $format);
    }

    private static function number(int|float $number, string $format): string
    {
        $isTime = $format !== '' && self::isTime($format);
        // A day's format on a number says nothing about it.
        if (
            $format === ''
            || (! $isTime && (Date::isDateTimeFormatCode($format) || strpbrk(self::bare($format), '0#') === false))
            || ($isTime && abs($number) >= self::DAYS)
        ) {
            // A double tells fifteen digits apart, whatever they are.
            return str_replace(['.0E', 'E'], ['e', 'e'], sprintf('%.15G', $number));
        }
        // With one section, the sign is before everything, and before no zero (ECMA-376 part 1, 18.8.31).
        if ($number < 0 && ! str_contains($format, ';')) {
            $shown = self::written(-$number, $format);

            return preg_match('/[1-9]/', $shown) === 1 ? "-{$shown}" : $shown;
        }

        return self::written($number, $format);
    }

    private static function written(int|float $number, string $format): string
    {
        try {
            $shown = trim(NumberFormat::toFormattedString($number, $format));

            // `0.##` shows no noughts at the end, which the library does.
            return preg_match('/\.(0*)#+(?![#0])/', self::bare($format), $places) === 1
                ? rtrim((string) preg_replace('/(\.\d{'.strlen($places[1]).'}\d*?)0+(?!\d)/', '$1', $shown), '.')
                : $shown;
        } catch (\Throwable) {
            return Cell::show($number);
        }
    }

    /** Whether a number format shows a time of day or a stretch of time, and no day: `hh:mm`, `[h]:mm` (ECMA-376 part 1, 18.8.31). */
    public static function isTime(string $format): bool
    {
        $bare = self::bare($format);

        return preg_match('/[hs]/i', $bare) === 1 && preg_match('/[yd]/i', $bare) !== 1;
    }

    /** Without quotations, room that is left, colours and places: what remains says how digits are. */
    private static function bare(string $format): string
    {
        return (string) preg_replace(
            '/"[^"]*"|\\\\.|_.|\*.|\[\$[^\]]*\]|\[(?:Red|Black|Blue|Green|Cyan|Magenta|Yellow|White)\]/i',
            '',
            explode(';', $format)[0],
        );
    }

    /** The number format of a look. */
    public static function format(string $look): string
    {
        $bar = strpos($look, '|');

        return $bar === false ? '' : substr($look, $bar + 1);
    }
}
