<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Where everything is that a kind of item has of its own: the rules of a report are `Report\Rules`, in the folder of that kind. A kind that
 * has none of its own goes by the plain ones.
 */
final class Rooms
{
    private const IN = 'App\Kinds';

    /**
     * @template T of object
     *
     * @param  class-string<T>  $plain
     * @return T
     */
    public static function of(string $kind, string $plain): object
    {
        return app(self::named($kind, $plain));
    }

    /**
     * @template T of object
     *
     * @param  class-string<T>  $plain
     * @return class-string<T>
     */
    public static function named(string $kind, string $plain): string
    {
        $own = self::IN.'\\'.ucfirst($kind).'\\'.class_basename($plain);

        return is_subclass_of($own, $plain) ? $own : $plain;
    }
}
