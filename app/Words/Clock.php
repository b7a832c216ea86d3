<?php

declare(strict_types=1);

namespace App\Words;

use App\Models\User;
use Carbon\CarbonImmutable;
use Carbon\CarbonInterface;
use DateTimeZone;
use Illuminate\Support\Facades\Auth;

/** Moments by the clock of whoever reads: that of their account, or else UTC, which scripts put into the zone of the device. */
final class Clock
{
    public static function zone(): DateTimeZone
    {
        $reader = Auth::user();

        return new DateTimeZone($reader instanceof User && $reader->zone !== '' ? $reader->zone : 'UTC');
    }

    public static function at(CarbonInterface $moment): CarbonImmutable
    {
        return $moment->toImmutable()->setTimezone(self::zone());
    }

    /** With the hour, and whose it is: “3 Nov 2026, 12:04 CET”. */
    public static function exact(CarbonInterface $moment): string
    {
        return self::at($moment)->format(Ways::dates()[1].', H:i T');
    }

    /** As addresses have it: RFC 3339 in UTC, to the second. */
    public static function stamp(CarbonInterface $moment): string
    {
        return $moment->toImmutable()->utc()->format('Y-m-d\TH:i:s\Z');
    }

    /**
     * Those that one can choose: a name of the IANA database => how it is said, by the part of the world.
     *
     * @return array<string, array<string, string>>
     */
    public static function zones(): array
    {
        $zones = [];
        foreach (DateTimeZone::listIdentifiers() as $name) {
            [$part, $place] = [...explode('/', $name, 2), ''];
            $zones[$place === '' ? '' : $part][$name] = str_replace(['_', '/'], [' ', ', '], $place === '' ? $part : $place);
        }

        return $zones;
    }
}
