<?php

declare(strict_types=1);

namespace App\Words;

use App\Models\User;
use Closure;
use Illuminate\Support\Facades\Auth;

/**
 * The ways of writing numbers and dates that one chooses from in the account. They are of what the place says: what people wrote, in cells,
 * answers and files, stays as it is, since all of them read the same.
 */
final class Ways
{
    /** What is before decimals, and between thousands (the last one is a narrow no-break space, U+202F). */
    public const NUMBERS = ['' => ['.', ','], 'comma' => [',', '.'], 'space' => [',', "\u{202F}"]];

    /** A day with its year, the same with a short month, and both without the year; as `date()` has them. */
    public const DATES = [
        '' => ['j F Y', 'j M Y', 'j F', 'j M'],
        'month' => ['F j, Y', 'M j, Y', 'F j', 'M j'],
        'year' => ['Y-m-d', 'Y-m-d', 'Y-m-d', 'Y-m-d'],
        'points' => ['j.n.Y', 'j.n.Y', 'j.n.', 'j.n.'],
    ];

    private static bool $isKept = false;

    /**
     * What is written down, in a log or a note, is written as the place does: others read it.
     *
     * @template T
     *
     * @param  Closure(): T  $said
     * @return T
     */
    public static function kept(Closure $said): mixed
    {
        $before = self::$isKept;
        self::$isKept = true;
        try {
            return $said();
        } finally {
            self::$isKept = $before;
        }
    }

    /** @return array{string, string} */
    public static function numbers(): array
    {
        return self::NUMBERS[self::reader()->numbers ?? ''] ?? self::NUMBERS[''];
    }

    /** @return array{string, string, string, string} */
    public static function dates(): array
    {
        return self::DATES[self::reader()->dates ?? ''] ?? self::DATES[''];
    }

    private static function reader(): ?User
    {
        // On the command line nobody is signed in, nor is there anything to be signed in to.
        $reader = self::$isKept || ! app()->bound('auth') ? null : Auth::user();

        return $reader instanceof User ? $reader : null;
    }
}
