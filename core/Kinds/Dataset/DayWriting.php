<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Kinds\Cell;

/**
 * How days are written in a column. `2026-05-03`, `3.5.2026` and `3 May 2026` can be read in one way; of `3/5/2026` only the column as a
 * whole can say which is the month, and where it does not, such a text is no day: nothing is guessed.
 */
final readonly class DayWriting
{
    private const MONTHS = [
        'january',
        'february',
        'march',
        'april',
        'may',
        'june',
        'july',
        'august',
        'september',
        'october',
        'november',
        'december',
    ];

    private const TIME = '(?:(?:T|,? )(?<time>(?:[01]?\d|2[0-3]):[0-5]\d(?::[0-5]\d)?))?';

    private const EITHER = '/^(?<one>\d{1,2})(?<mark>[\/-])(?<two>\d{1,2})\k<mark>(?<year>\d{4})'.self::TIME.'$/D';

    private const PATTERNS = [
        '/^(?<year>\d{4})(?<mark>[-\/.])(?<month>\d{1,2})\k<mark>(?<day>\d{1,2})'.self::TIME.'$/D',
        '/^(?<day>\d{1,2})\. ?(?<month>\d{1,2})\. ?(?<year>\d{4})'.self::TIME.'$/D',
        '/^(?<day>\d{1,2})\.?[ -](?<month>[a-z]{3,9})\.?[ -](?<year>\d{4})'.self::TIME.'$/Di',
    ];

    private const MONTH_FIRST = '/^(?<month>[a-z]{3,9})\.? (?<day>\d{1,2}),? (?<year>\d{4})'.self::TIME.'$/Di';

    /** @param string $first of `3/5/2026`: day, month, or empty where it is not known */
    public function __construct(public string $first = '') {}

    /**
     * As the texts of a column have it: what is over twelve is no month.
     *
     * @param  iterable<string>  $texts
     * @param  string  $hint  for texts that leave it open
     */
    public static function of(iterable $texts, string $hint = ''): self
    {
        $days = $months = 0;
        foreach ($texts as $text) {
            if (strlen($text) <= 24 && preg_match(self::EITHER, $text, $found) === 1) {
                $days += (int) $found['one'] > 12 && (int) $found['two'] <= 12 ? 1 : 0;
                $months += (int) $found['two'] > 12 && (int) $found['one'] <= 12 ? 1 : 0;
            }
        }

        return new self(match (true) {
            $days > 0 && $months > 0 => '',
            $days > 0 => 'day',
            $months > 0 => 'month',
            default => $hint,
        });
    }

    /** @return string|null a day, or a moment, as ISO 8601 has it; null when it is none */
    public function read(string $text): ?string
    {
        if (strlen($text) < 8 || strlen($text) > 30 || ! ctype_digit($text[-1])) {
            return null;
        }
        foreach (ctype_digit($text[0]) ? self::PATTERNS : [self::MONTH_FIRST] as $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                return self::day($found['year'], $found['month'], $found['day'], $found['time'] ?? '');
            }
        }
        if ($this->first === '' || preg_match(self::EITHER, $text, $found) !== 1) {
            return null;
        }
        [$day, $month] = $this->first === 'day' ? [$found['one'], $found['two']] : [$found['two'], $found['one']];

        return self::day($found['year'], $month, $day, $found['time'] ?? '');
    }

    private static function day(string $year, string $month, string $day, string $time): ?string
    {
        $number = ctype_digit($month) ? (int) $month : self::monthOf(strtolower($month));
        $iso = sprintf('%s-%02d-%02d', $year, $number, (int) $day).($time === '' ? '' : 'T'.(strpos($time, ':') === 1 ? '0' : '').$time);

        return Cell::isDate($iso) ? $iso : null;
    }

    /** @return int 0 when it is none; in English, as all of the place is */
    private static function monthOf(string $name): int
    {
        foreach (self::MONTHS as $at => $month) {
            if (str_starts_with($month, $name)) {
                return $at + 1;
            }
        }

        return 0;
    }
}
