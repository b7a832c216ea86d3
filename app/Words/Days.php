<?php

declare(strict_types=1);

namespace App\Words;

use Carbon\CarbonImmutable;

/** Dates in sentences and settings as people write them. A day has no zone; a moment is told in the one that it was written in. */
final class Days
{
    /** A text that is a date and nothing else (ISO 8601, with a time or without), in words; any other as it is. */
    public static function said(string $text): string
    {
        return match (preg_match('/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?/', $text, $found) === 1 && strlen($found[0]) === strlen($text) ? strlen($text) : 0) {
            10 => CarbonImmutable::parse($text)->format('j F Y'),
            16 => CarbonImmutable::parse($text)->format('j F Y, H:i'),
            default => $text,
        };
    }
}
