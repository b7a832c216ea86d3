<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** Which way a part moved, as facts to say it with. */
final class Movement
{
    /**
     * @param  array<string, mixed>  $moved  all parts that moved, by id
     * @return array<string, string> `direction`; of a kind with parts beside each other also `from_side` and `to_side`, or the names of
     *     both places as `from_name` and `to_name`
     */
    public static function of(Kind $kind, string $id, PartTree $old, PartTree $new, array $moved): array
    {
        [$from, $to] = [self::lane($kind, $old, $id), self::lane($kind, $new, $id)];
        if ($from === null || $to === null || ($from === $to && $from !== $id)) {
            return ['direction' => Direction::of($id, $old, $new, $moved)->value];
        }
        if ($old->parent($from) !== $new->parent($to)) {
            $name = fn (PartTree $tree, string $lane): string => $kind->label($tree, $tree->get($tree->parent($lane)));
            [$was, $is] = [$name($old, $from), $name($new, $to)];

            return ['direction' => $was === '' || $is === '' || $was === $is ? 'elsewhere' : 'away', 'from_name' => $was, 'to_name' => $is];
        }
        [$was, $is] = [Side::of($old, $from)->value, Side::of($new, $to)->value];

        return ['direction' => $was === $is ? 'beside' : 'across', 'from_side' => $was, 'to_side' => $is];
    }

    /** The part itself or the one above it that is beside others. */
    private static function lane(Kind $kind, PartTree $tree, string $id): ?string
    {
        for ($at = $id; $kind->beside() !== null && $at !== PartTree::ROOT; $at = $tree->parent($at)) {
            if ($tree->get($at)->role === $kind->beside()) {
                return $at;
            }
        }

        return null;
    }
}
