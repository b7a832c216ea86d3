<?php

declare(strict_types=1);

namespace App\View\Settings;

use App\Models\Rooms;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** What settings of a kind's parts say that name something by its id: the plain one knows of none. */
class SettingWords
{
    /** Of whichever kind has a part of that name; null when the setting says itself what it is. */
    final public static function anyOf(string $noun, string $field, string $value): ?string
    {
        foreach (Kinds::all() as $kind) {
            $said = Rooms::named($kind->name(), self::class)::of($noun, $field, $value);
            if ($said !== null) {
                return $said;
            }
        }

        return null;
    }

    /** @param string $noun see {@see Kind::noun} */
    public static function of(string $noun, string $field, string $value): ?string
    {
        return null;
    }
}
