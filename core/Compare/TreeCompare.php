<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Sequences\Increasing;

/**
 * Compares two states of an item by the ids of their parts. Moved is what stands under another parent, or outside the
 * longest run of siblings that kept their order. O(n log n) for whole trees; {@see between} takes only the stretches in
 * which two trees differ, as the store finds them without reading the rest.
 */
final class TreeCompare
{
    /** @var array<string, array{Part, string, string|null, int, int}> id => part, parent, sibling before it, stretch, position in it */
    private array $old = [];

    /** @var array<string, array{Part, string, string|null, int, int}> */
    private array $new = [];

    private function __construct() {}

    public static function of(PartTree $old, PartTree $new): ChangeSet
    {
        return self::between([new Stretch([], $old->parts, $new->parts)]);
    }

    /**
     * The same as {@see of} for the whole trees, but that a part which moved from one stretch into another counts as moved
     * even where an equally short list of moves would have named its neighbours.
     *
     * @param  list<Stretch>  $stretches
     */
    public static function between(array $stretches): ChangeSet
    {
        $compare = new self;
        foreach ($stretches as $at => $stretch) {
            $compare->old = $at === 0 ? self::placed($stretch->open, $stretch->old, $at) : $compare->old + self::placed($stretch->open, $stretch->old, $at);
            $compare->new = $at === 0 ? self::placed($stretch->open, $stretch->new, $at) : $compare->new + self::placed($stretch->open, $stretch->new, $at);
        }
        $changes = [];
        foreach (array_diff_key($compare->old, $compare->new) as $id => [$part, $parent, $after]) {
            $changes[] = new Change(ChangeType::Removed, $id, $part, null, new Spot($parent, $after), null);
        }
        $moved = $compare->moves();
        foreach ($compare->new as $id => [$part, $parent, $after]) {
            if (! isset($compare->old[$id])) {
                $changes[] = new Change(ChangeType::Added, $id, null, $part, null, new Spot($parent, $after));

                continue;
            }
            [$before, $oldParent, $oldAfter] = $compare->old[$id];
            if (isset($moved[$id])) {
                $changes[] = new Change(ChangeType::Moved, $id, $before, $part, new Spot($oldParent, $oldAfter), new Spot($parent, $after));
            }
            if ($before !== $part && ! $before->sameFields($part)) {
                $changes[] = new Change(ChangeType::Edited, $id, $before, $part, null, null);
            }
        }

        return new ChangeSet($changes);
    }

    /** @return array<string, true> */
    public static function moved(PartTree $old, PartTree $new): array
    {
        $compare = new self;
        $compare->old = self::placed([], $old->parts, 0);
        $compare->new = self::placed([], $new->parts, 0);

        return $compare->moves();
    }

    /**
     * @param  list<string>  $open
     * @param  list<Part>  $parts
     * @return array<string, array{Part, string, string|null, int, int}>
     */
    private static function placed(array $open, array $parts, int $stretch): array
    {
        $placed = [];
        $last = count($open) - 1;
        foreach ($parts as $position => $part) {
            $depth = $part->depth;
            $placed[$part->id] = [$part, $depth === 0 ? PartTree::ROOT : $open[$depth - 1], $depth <= $last ? $open[$depth] : null, $stretch, $position];
            $open[$depth] = $part->id;
            $last = $depth;
        }

        return $placed;
    }

    /** @return array<string, true> */
    private function moves(): array
    {
        $moved = $siblings = [];
        foreach ($this->new as $id => [, $parent, , $stretch]) {
            if (! isset($this->old[$id])) {
                continue;
            }
            [, $oldParent, , $oldStretch, $position] = $this->old[$id];
            if ($oldParent !== $parent || $oldStretch !== $stretch) {
                $moved[$id] = true;
            } else {
                $siblings[$stretch][$parent][$id] = $position;
            }
        }
        foreach (array_merge(...array_map(array_values(...), array_values($siblings)), ...[[]]) as $positions) {
            $stayed = Increasing::longest(array_values($positions));
            if (count($stayed) < count($positions)) {
                $ids = array_keys($positions);
                foreach (array_diff_key($ids, array_flip($stayed)) as $id) {
                    $moved[$id] = true;
                }
            }
        }

        return $moved;
    }
}
