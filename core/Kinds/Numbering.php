<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Document\DocumentRole;

/**
 * The numbers of list items: each is one more than the numbered one before it at its depth, or the number that it starts with. What is no
 * list item ends the list, a shallower item the deeper ones, and one that is not numbered those at its depth.
 */
final class Numbering
{
    /** @var array<int, int> the number at each open depth; 0 where the last item has none */
    private array $numbers = [];

    /** Whether the item that was counted last begins its numbers, instead of being one more. */
    public bool $begins = false;

    public function end(): void
    {
        $this->numbers = [];
    }

    /** The number that an item would have without a start of its own. */
    public function next(int $depth): int
    {
        return ($this->numbers[$depth] ?? 0) + 1;
    }

    /** The number of an item; 0 when it has none. */
    public function count(Part $item): int
    {
        $open = array_pad(array_slice($this->numbers, 0, $item->depth + 1), $item->depth + 1, 0);
        $start = isset($item->fields['start']) ? $item->int('start') : null;
        $this->begins = $start !== null || $open[$item->depth] === 0;
        $open[$item->depth] = $item->string('style') === 'number' ? $start ?? $open[$item->depth] + 1 : 0;
        $this->numbers = $open;

        return $open[$item->depth];
    }

    /** @return array<string, array{int, bool}> numbered item => its number, and whether it begins */
    public static function of(PartTree $tree): array
    {
        $numbering = new self;
        $numbers = [];
        foreach ($tree->parts as $part) {
            if ($part->role !== DocumentRole::ListItem->value) {
                $numbering->end();
            } elseif (($number = $numbering->count($part)) > 0 || $part->string('style') === 'number') {
                $numbers[$part->id] = [$number, $numbering->begins];
            }
        }

        return $numbers;
    }

    /**
     * Which items are numbered on after each other.
     *
     * @return array<string, array{string, int}> numbered item => a name for its list, and the number that this begins with
     */
    public static function lists(PartTree $tree): array
    {
        $lists = $open = [];
        $numbers = self::of($tree);
        foreach ($tree->parts as $part) {
            if (isset($numbers[$part->id])) {
                [$number, $begins] = $numbers[$part->id];
                $own = ["{$part->id} {$part->depth} {$number}", $number];
                $open[$part->depth] = $begins ? $own : $open[$part->depth] ?? $own;
                $lists[$part->id] = $open[$part->depth];
            }
        }

        return $lists;
    }
}
