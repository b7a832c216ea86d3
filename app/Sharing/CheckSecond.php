<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\User;
use Illuminate\Support\Facades\RateLimiter;

/** Whether a code is a person's: of their device, each once, or one of those that they wrote down, which is gone then. */
final class CheckSecond
{
    /** Wrong codes of one account in an hour. */
    private const MOST = 20;

    private const HOUR = 3_600;

    public static function handle(User $person, string $code): bool
    {
        $code = strtoupper((string) preg_replace('/[\s-]+/', '', $code));
        if (RateLimiter::tooManyAttempts("second:{$person->id}", self::MOST)) {
            return false;
        }
        $fits = self::ofDevice($person, $code) || self::writtenDown($person, $code);
        $fits ? $person->refresh() : RateLimiter::hit("second:{$person->id}", self::HOUR);

        return $fits;
    }

    private static function ofDevice(User $person, string $code): bool
    {
        $step = $person->second_key === null ? null : SecondFactor::step($person->second_key, $code, now()->getTimestamp());

        // Who looks over a shoulder comes too late with it.
        return $step !== null
            && User::query()
                ->whereKey($person->id)
                ->where('second_step', '<', $step)
                ->update(['second_step' => $step]) === 1;
    }

    private static function writtenDown(User $person, string $code): bool
    {
        $left = array_values(array_diff($person->recovery, [hash('sha256', $code)]));

        return count($left) < count($person->recovery)
            && User::query()
                ->whereKey($person->id)
                ->where('recovery', json_encode($person->recovery))
                ->update(['recovery' => json_encode($left)]) === 1;
    }
}
