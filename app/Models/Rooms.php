<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Where everything stands that a kind of item has of its own: the rules of a report are `Report\Rules`, in the folder that `attic.kinds` names. A kind that has none of its own
 * goes by the plain ones.
 */
final class Rooms
{
    /**
     * @template T of object
     *
     * @param  class-string<T>  $plain
     * @return T
     */
    public static function of(string $kind, string $plain): object
    {
        $own = config('attic.kinds').'\\'.ucfirst($kind).'\\'.class_basename($plain);

        return app(is_subclass_of($own, $plain) ? $own : $plain);
    }
}
