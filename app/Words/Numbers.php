<?php

declare(strict_types=1);

namespace App\Words;

/** Numbers that the place says, in the way that whoever reads writes them. */
final class Numbers
{
    private const UNITS = ['B', 'KB', 'MB', 'GB', 'TB'];

    public static function said(int|float $number, int $decimals = 0): string
    {
        return number_format($number, $decimals, ...Ways::numbers());
    }

    /** The same without zeros at its end. */
    public static function short(int|float $number, int $decimals): string
    {
        [$point] = Ways::numbers();
        $said = self::said($number, $decimals);

        return str_contains($said, $point) ? rtrim(rtrim($said, '0'), $point) : $said;
    }

    /** Bytes in the largest unit (of 1,000) of which there is one. */
    public static function bytes(int|float $bytes): string
    {
        for ($unit = 0; $bytes >= 1_000 && $unit < count(self::UNITS) - 1; $unit++) {
            $bytes /= 1_000;
        }

        return self::said($bytes).' '.self::UNITS[$unit];
    }
}
