<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\User;

/**
 * Codes of six digits that change every half minute, by a key that a person's device and the place share: TOTP (RFC 6238), over HOTP (RFC
 * 4226) with HMAC-SHA-1.
 */
final class SecondFactor
{
    /** Seconds of a step. */
    private const STEP = 30;

    /** Steps by which a clock may be off, either way. */
    private const OFF = 1;

    private const BYTES = 20;

    /** Base 32 (RFC 4648, 6). */
    private const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A new key, as people type it. */
    public static function key(): string
    {
        $bits = implode('', array_map(fn (string $byte): string => sprintf('%08b', ord($byte)), str_split(random_bytes(self::BYTES))));

        return implode('', array_map(fn (string $five): string => self::LETTERS[(int) bindec($five)], str_split($bits, 5)));
    }

    /** What a device reads, mostly as a square of dots. */
    public static function address(User $person, string $key): string
    {
        $place = (string) (config('attic.place') ?: config('mail.from.name'));

        return 'otpauth://totp/'
            .rawurlencode($place)
            .':'
            .rawurlencode($person->email)
            .'?'
            .http_build_query(['secret' => $key, 'issuer' => $place], encoding_type: PHP_QUERY_RFC3986);
    }

    /** @return int|null the step that a code is of, now or nearly; null when it is of none */
    public static function step(string $key, string $code, int $time): ?int
    {
        $now = intdiv($time, self::STEP);
        for ($step = $now - self::OFF; $step <= $now + self::OFF; $step++) {
            if (hash_equals(self::code($key, $step), $code)) {
                return $step;
            }
        }

        return null;
    }

    /** The code of a step: dynamic truncation, RFC 4226, 5.3. */
    public static function code(string $key, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), self::bytes($key), true);
        $number = unpack('N', substr($hash, ord($hash[19]) & 0xF, 4));

        return str_pad((string) ((($number[1] ?? 0) & 0x7FFFFFFF) % 1_000_000), 6, '0', STR_PAD_LEFT);
    }

    private static function bytes(string $key): string
    {
        $bits = implode(
            '',
            array_map(fn (string $letter): string => sprintf('%05b', (int) strpos(self::LETTERS, $letter)), str_split($key)),
        );

        return implode(
            '',
            array_map(fn (string $eight): string => strlen($eight) === 8 ? chr((int) bindec($eight)) : '', str_split($bits, 8)),
        );
    }
}
