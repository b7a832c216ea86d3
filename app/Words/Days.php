<?php

declare(strict_types=1);

namespace App\Words;

use Carbon\CarbonImmutable;
use DateTimeInterface;

/** Dates as whoever reads writes them. A day has no zone; a moment is told in the one that it was written in. */
final class Days
{
    /** A text that is a date and nothing else (ISO 8601, with a time or without), in words; any other as it is. */
    public static function said(string $text): string
    {
        return match (self::isDate($text) ? strlen($text) : 0) {
            10 => self::long(CarbonImmutable::parse($text)),
            16 => self::moment(CarbonImmutable::parse($text)),
            default => $text,
        };
    }

    /** Whether a text is a date that there is (ISO 8601, with a time or without), and nothing else. */
    public static function isDate(string $text): bool
    {
        return preg_match('/^(\d{4})-(\d\d)-(\d\d)(T([01]\d|2[0-3]):[0-5]\d)?\z/', $text, $found) === 1
            && checkdate((int) $found[2], (int) $found[3], (int) $found[1]);
    }

    /** “3 November 2026”. */
    public static function long(DateTimeInterface $day): string
    {
        return $day->format(Ways::dates()[0]);
    }

    /** “3 Nov 2026”. */
    public static function short(DateTimeInterface $day): string
    {
        return $day->format(Ways::dates()[1]);
    }

    /** “3 November”, where the year is plain. */
    public static function ofYear(DateTimeInterface $day): string
    {
        return $day->format(Ways::dates()[2]);
    }

    /** “3 Nov”, where the year is plain and room is scarce. */
    public static function inShort(DateTimeInterface $day): string
    {
        return $day->format(Ways::dates()[3]);
    }

    /** “3 November 2026, 12:04”. */
    public static function moment(DateTimeInterface $moment): string
    {
        return self::long($moment).', '.$moment->format('H:i');
    }
}
