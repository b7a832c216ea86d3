<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/** How many versions of a stretch of time stay. */
enum Pace: string
{
    case Every = 'every';
    case Hourly = 'hourly';
    case Daily = 'daily';
    case Weekly = 'weekly';
    case Monthly = 'monthly';
    case Yearly = 'yearly';
    case None = 'none';

    /**
     * The stretch that a moment belongs to; the last version of each stays.
     *
     * @param  int  $time  seconds since 1970, already moved to the shelf's own clock
     */
    public function stretch(int $time): string
    {
        return match ($this) {
            self::Every, self::None => '',
            self::Hourly => gmdate('Y-m-d H', $time),
            self::Daily => gmdate('Y-m-d', $time),
            self::Weekly => gmdate('o-\WW', $time),
            self::Monthly => gmdate('Y-m', $time),
            self::Yearly => gmdate('Y', $time),
        };
    }
}
