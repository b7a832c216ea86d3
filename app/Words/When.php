<?php

declare(strict_types=1);

namespace App\Words;

use Carbon\CarbonImmutable;
use DateTimeZone;
use Throwable;

/**
 * A moment as people write it: “last Tuesday”, “3 Nov”, “12 October 18:00”, “2026-10-12T18:00:00Z”. A day without an hour is the end of it,
 * since what is asked for is how things stood on that day; a day without a year is the last one that has been.
 */
final class When
{
    /** What a time may be written with, besides digits. */
    private const WORDS = '/^(?:last|this|next|ago|today|yesterday|now|noon|midnight|tonight|of|day|days|week|weeks|month|months|year|years|hour|hours|minute|minutes|mon|tue|tues|wed|thu|thur|thurs|fri|sat|sun|monday|tuesday|wednesday|thursday|friday|saturday|sunday|jan|feb|mar|apr|may|jun|jul|aug|sep|sept|oct|nov|dec|january|february|march|april|june|july|august|september|october|november|december|am|pm|st|nd|rd|th|t|z|first|second|third)$/';

    private const HOUR = '/\b(\d{1,2})(?::(\d\d)(?::(\d\d))?)?\s?(am|pm)\b|\b(\d{1,2}):(\d\d)(?::(\d\d))?\b|\b(noon)\b/';

    private const MONTH = '/^(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)(?: (\d{4}))?$/';

    private const ISO = '/^\d{4}-\d\d-\d\dT\d\d:\d\d(?::\d\d)?(?:\.\d+)?(?:Z|[+-]\d\d:\d\d)?$/';

    /** @return CarbonImmutable|null in UTC; null for what is no time, or one that is still to come */
    public static function read(string $text, DateTimeZone $zone, CarbonImmutable $now): ?CarbonImmutable
    {
        if (preg_match(self::ISO, trim($text)) === 1) {
            return self::parsed(trim($text), $zone)?->min($now)->utc();
        }
        $text = self::plain($text);
        $hour = preg_match(self::HOUR, $text, $found) === 1 ? self::hour($found) : null;
        $day = trim((string) preg_replace(['/ +/'], [' '], $hour === null ? $text : (string) preg_replace(self::HOUR, ' ', $text, 1)));
        preg_match_all('/[a-z]+/', $day, $words);
        // A number alone is no day, and of two numbers with a stroke nobody knows which is the month.
        $isDay = mb_strlen($day) <= 40
        && preg_match('/^[a-z0-9 .-]*$/', $day) === 1
        && preg_match('/^\d+$/', $day) !== 1
        && array_filter($words[0], fn (string $word) => preg_match(self::WORDS, $word) !== 1) === [];
        if (! $isDay || ($day === '' && $hour === null)) {
            return null;
        }
        $moment = self::parsed($day === '' ? 'today' : $day, $zone, $now);
        if ($moment === null) {
            return null;
        }
        $isExact = preg_match('/\b(?:now|hours?|minutes?)\b/', $day) === 1;
        $moment = match (true) {
            $hour !== null => $moment->setTime(...$hour),
            $isExact => $moment,
            default => $moment->endOfDay(),
        };
        $begins = $hour !== null || $isExact ? $moment : $moment->startOfDay();
        if ($begins->greaterThan($now)) {
            $moment = self::oneBefore($moment, $day);
        }

        return $moment === null || $moment->startOfDay()->greaterThan($now) ? null : $moment->min($now)->utc();
    }

    /** In small letters, without what says nothing. With points the day comes first: “3.11.” is the third of November. */
    private static function plain(string $text): string
    {
        $text = trim((string) preg_replace(['/\b(?:at|on)\b|,/', '/\s+/'], [' ', ' '], mb_strtolower($text)));

        return (string) preg_replace_callback(
            '/^(\d{1,2})\.\s?(0?[1-9]|1[0-2])\.(?= |$)/',
            fn (array $found): string => "{$found[1]} "
                .['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'][(int) $found[2] - 1],
            $text,
        );
    }

    /** A weekday, an hour or a day of a year that is still to come is the one before; what else is to come is none. */
    private static function oneBefore(CarbonImmutable $moment, string $day): ?CarbonImmutable
    {
        return match (true) {
            $day === '' => $moment->subDay(),
            preg_match('/^[a-z]+day$|^(?:mon|tues?|wed|thu(?:rs?)?|fri|sat|sun)$/', $day) === 1 => $moment->subWeek(),
            preg_match('/\d{4}/', $day) !== 1
                && preg_match('/[a-z]{3}/', $day) === 1
                && preg_match('/next|week|month|year|day/', $day) !== 1
                => $moment->subYear(),
            default => null,
        };
    }

    /**
     * A stretch as people write it: “this month”, “last week”, “October”, “3 to 12 Nov”, “last Tuesday to yesterday”.
     *
     * @return array{CarbonImmutable, CarbonImmutable}|null from before its first moment to its last, in UTC; null for what is no stretch,
     *     or one that is still to come
     */
    public static function range(string $text, DateTimeZone $zone, CarbonImmutable $now): ?array
    {
        $text = trim((string) preg_replace(['/^\s*(?:from|between|in)\s+/', '/\s+/'], ['', ' '], mb_strtolower($text)));
        $here = $now->setTimezone($zone);
        $ends = match (true) {
            preg_match('/^(this|last) (week|month|year)$/', $text, $found) === 1 => self::whole(
                $found[1] === 'this'
                    ? $here
                    : match ($found[2]) {
                        'week' => $here->subWeek(),
                        'month' => $here->startOfMonth()->subMonth(),
                        default => $here->startOfYear()->subYear(),
                    },
                $found[2],
            ),
            preg_match(self::MONTH, $text, $found) === 1 => self::month($found[1], $found[2] ?? '', $here),
            preg_match('/^(.+?) ?(?:\bto\b|\buntil\b|\band\b|–) ?(.+)$/u', $text, $found) === 1 => self::between(
                $found[1],
                $found[2],
                $zone,
                $now,
            ),
            default => null,
        };

        return $ends === null || $ends[0]->greaterThan($now) || $ends[0]->greaterThan($ends[1])
            ? null
            : [$ends[0]->subSecond()->utc(), $ends[1]->min($now)->utc()];
    }

    /** @return array{CarbonImmutable, CarbonImmutable} */
    private static function whole(CarbonImmutable $day, string $unit): array
    {
        return [$day->startOf($unit), $day->endOf($unit)];
    }

    /** @return array{CarbonImmutable, CarbonImmutable}|null the last one of that name that has begun, or that of a year */
    private static function month(string $name, string $year, CarbonImmutable $here): ?array
    {
        $first = self::parsed("1 {$name} ".($year === '' ? $here->format('Y') : $year), $here->getTimezone());
        $first = $first === null || $year !== '' || $first->lessThanOrEqualTo($here) ? $first : $first->subYear();

        return $first === null ? null : self::whole($first, 'month');
    }

    /** @return array{CarbonImmutable, CarbonImmutable}|null “3 to 12 Nov” is 3 Nov to 12 Nov */
    private static function between(string $from, string $to, DateTimeZone $zone, CarbonImmutable $now): ?array
    {
        $from = preg_match('/^\d{1,2}$/', $from) === 1 && preg_match('/^\d{1,2}( .+)$/', $to, $rest) === 1 ? $from.$rest[1] : $from;
        [$first, $last] = [self::read($from, $zone, $now), self::read($to, $zone, $now)];

        return $first === null || $last === null
            ? null
            : [preg_match(self::HOUR, $from) === 1 ? $first : $first->setTimezone($zone)->startOfDay(), $last];
    }

    /** What a milestone may be called in “before the spring meeting”, for LIKE; '' for nothing. */
    public static function milestone(string $text): string
    {
        $name = trim((string) preg_replace('/^\s*(?:(?:before|at|on)\s+)?(?:the\s+)?/i', '', $text));

        return $name === '' ? '' : '%'.addcslashes($name, '%_\\').'%';
    }

    /**
     * @param  array<int, string>  $found
     * @return array{int, int, int}|null
     */
    private static function hour(array $found): ?array
    {
        if (($found[8] ?? '') !== '') {
            return [12, 0, 0];
        }
        [$hour, $minute, $second, $half] = ($found[5] ?? '') !== ''
            ? [(int) $found[5], (int) $found[6], (int) ($found[7] ?? 0), '']
            : [(int) $found[1], (int) $found[2], (int) $found[3], $found[4]];
        $hour = $half === '' ? $hour : ($hour % 12) + ($half === 'pm' ? 12 : 0);

        return $hour > 23 || $minute > 59 || $second > 59 ? null : [$hour, $minute, $second];
    }

    private static function parsed(string $text, DateTimeZone $zone, ?CarbonImmutable $now = null): ?CarbonImmutable
    {
        try {
            $parsed = date_parse($text);
            $moment = $parsed['error_count'] > 0 || $parsed['warning_count'] > 0
                ? false
                : ($now ?? CarbonImmutable::now())->setTimezone($zone)->modify($text);

            return $now === null ? CarbonImmutable::parse($text, $zone) : ($moment === false ? null : CarbonImmutable::instance($moment));
        } catch (Throwable) {
            return null;
        }
    }
}
