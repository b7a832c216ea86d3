<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Content\PartTree;

/** Which way a part moved, in the reader's eyes. */
enum Direction: string
{
    case Up = 'up';
    case Down = 'down';
    case In = 'in';
    case Out = 'out';

    /**
     * Told by what the part now follows among what did not move: additions and removals around it do not count.
     *
     * @param  array<string, mixed>  $moved  all parts that moved, by id
     */
    public static function of(string $id, PartTree $old, PartTree $new, array $moved): self
    {
        $before = $old->get($id)->depth;
        $after = $new->get($id)->depth;
        if ($old->parent($id) !== $new->parent($id) && $before !== $after) {
            return $after > $before ? self::In : self::Out;
        }
        for ($at = (int) $new->position($id) - 1; $at >= 0; $at--) {
            $other = $new->parts[$at]->id;
            if ($new->parts[$at]->depth <= $after && $old->has($other) && ! isset($moved[$other])) {
                return $old->position($other) < $old->position($id) ? self::Up : self::Down;
            }
        }

        return self::Up;
    }
}
