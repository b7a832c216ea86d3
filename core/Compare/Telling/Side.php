<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Content\PartTree;

/** Where a part is among those beside it. */
enum Side: string
{
    case Only = 'only';
    case Left = 'left';
    case Middle = 'middle';
    case Right = 'right';
    case First = 'first';
    case Second = 'second';
    case Third = 'third';
    case Last = 'last';

    public static function of(PartTree $tree, string $id): self
    {
        $beside = $tree->children()[$tree->parent($id)] ?? [$id];
        $at = (int) array_search($id, $beside, true);

        return match (true) {
            count($beside) === 1 => self::Only,
            count($beside) === 2 => [self::Left, self::Right][$at],
            count($beside) === 3 => [self::Left, self::Middle, self::Right][$at],
            $at === count($beside) - 1 => self::Last,
            default => [self::First, self::Second, self::Third][min($at, 2)],
        };
    }
}
