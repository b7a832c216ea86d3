<?php

declare(strict_types=1);

namespace App\Making;

use App\Words\Numbers;
use App\Words\Ways;
use MistyAttic\Core\Formats\LeftOut;

/** What a file holds and what was left out of it, in words: {@see LeftOut}. */
final class LeftOutWords
{
    /**
     * @param  array<string, int>  $left
     * @return list<string>
     */
    public static function all(array $left): array
    {
        return array_map(function (string $code) use ($left): string {
            [$what, $name] = explode(':', $code, 2) + ['', ''];

            return trans_choice("item.left_out.{$what}", $left[$code], ['count' => Numbers::said($left[$code]), 'name' => $name]);
        }, array_keys($left));
    }

    /**
     * In the note of the version that came of it.
     *
     * @param  array<string, int>  $left
     */
    public static function note(array $left): ?string
    {
        return $left === []
            ? null
            : mb_substr(
                (string) __('item.left_out_note', ['what' => implode(', ', Ways::kept(fn (): array => self::all($left)))]),
                0,
                (int) config('attic.note'),
            );
    }
}
