<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Rooms;
use App\Models\Shelf;
use Illuminate\Support\Facades\Lang;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** What a shelf offers to make. */
final class Offered
{
    /** @return list<string> the kinds, in the order in which they are offered */
    public static function kinds(): array
    {
        $places = [];
        foreach (Kinds::all() as $kind) {
            $place = Rooms::of($kind->name(), Making::class)::OFFERED;
            if ($place !== null) {
                $places[$kind->name()] = $place;
            }
        }
        asort($places);

        return array_keys($places);
    }

    /** @return array<string, string> all kinds with the words for them, those that are offered first */
    public static function all(): array
    {
        $kinds = array_values(array_unique([...self::kinds(), ...array_map(fn (Kind $kind): string => $kind->name(), Kinds::all())]));

        return array_combine(
            $kinds,
            array_map(
                fn (string $kind): string => Lang::has("item.kinds.{$kind}") ? (string) __("item.kinds.{$kind}") : ucfirst($kind),
                $kinds,
            ),
        );
    }

    /** @return array<string, string|null> the kinds, and the page on which one is made if it has one of its own */
    public static function pages(Shelf $shelf): array
    {
        $kinds = self::kinds();

        return array_combine($kinds, array_map(fn (string $kind): ?string => Rooms::of($kind, Making::class)->page($shelf), $kinds));
    }
}
