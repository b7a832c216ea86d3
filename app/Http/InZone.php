<?php

declare(strict_types=1);

namespace App\Http;

use App\Words\Clock;
use DateTimeZone;

/** A request in which days and hours are written as people write them, by the clock of whoever asks. */
trait InZone
{
    public function zone(): DateTimeZone
    {
        $sent = $this->validated('zone');

        return is_string($sent) ? new DateTimeZone($sent) : Clock::zone();
    }
}
