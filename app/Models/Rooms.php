<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Where everything stands that a kind of item has of its own: the rules of a report are `Report\Rules`, in the folder that `attic.kinds` names. A kind that has none of its own
 * goes by the plain ones.
 */
final class Rooms
{
    /** @var array<string, string> kind => namespace, of kinds that stand elsewhere */
    private static array $elsewhere = [];

    public static function add(string $kind, string $namespace): void
    {
        self::$elsewhere[$kind] = $namespace;
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $plain
     * @return T
     */
    public static function of(string $kind, string $plain): object
    {
        $own = (self::$elsewhere[$kind] ?? config('attic.kinds').'\\'.ucfirst($kind)).'\\'.class_basename($plain);

        return app(is_subclass_of($own, $plain) ? $own : $plain);
    }
}
