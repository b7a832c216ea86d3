<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/**
 * The content of an item in one state: its parts as a pre-order list, in which depth alone gives the parents. The empty
 * string stands for the root, which is no part.
 */
final class PartTree
{
    public const ROOT = '';

    /** @var array<string, string>|null id => id of the parent */
    private ?array $parents = null;

    /** @var array<string, list<string>>|null id => ids of the children, in order */
    private ?array $children = null;

    /** @var array<string, list<int>> role => where parts of it are, ascending */
    private array $places = [];

    /** @var array<string, int>|null id => how many siblings are before */
    private ?array $before = null;

    /**
     * @param  list<Part>  $parts  the first at depth 0, each at most one deeper than the one before, ids unique
     * @param  array<string, int>|null  $positions  id => position, when they are known
     * @param  array<string, int>|null  $ordinals  see {@see excerpt}
     * @param  array<string, int>|null  $wholePositions
     * @param  array<string, int>|null  $sizes
     */
    private function __construct(
        public readonly array $parts,
        private ?array $positions = null,
        public readonly ?array $ordinals = null,
        public readonly ?array $wholePositions = null,
        public readonly ?array $sizes = null,
    ) {}

    /**
     * @param  list<Part>  $parts
     *
     * @throws InvalidContent when a depth jumps or an id comes twice
     */
    public static function of(array $parts): self
    {
        $seen = [];
        $limit = 0;
        foreach ($parts as $position => $part) {
            $id = $part->id;
            $depth = $part->depth;
            if ($depth > $limit) {
                throw InvalidContent::depthJump($position, $depth);
            }
            if (isset($seen[$id])) {
                throw InvalidContent::doubledId($id);
            }
            $seen[$id] = $position;
            $limit = $depth + 1;
        }

        return new self($parts, $seen);
    }

    /** @param list<Part> $parts one for each of this tree's, at the same depth; ids unique */
    public function replaced(array $parts): self
    {
        return new self($parts);
    }

    /**
     * Some parts of a larger state, with where they are in all of it.
     *
     * @param  list<Part>  $parts  in order, with all that is above each
     * @param  array<string, int>  $ordinals  id => its place among the siblings of its role
     * @param  array<string, int>  $positions  id => its place in the whole pre-order list
     * @param  array<string, int>  $sizes  id of a table => how many rows it has
     */
    public static function excerpt(array $parts, array $ordinals, array $positions, array $sizes): self
    {
        $tree = self::of($parts);

        return new self($parts, $tree->positions, $ordinals, $positions, $sizes);
    }

    /** Where a part is in the pre-order list, of the whole state if this is an excerpt. */
    public function wholePosition(string $id): ?int
    {
        return $this->wholePositions === null ? $this->position($id) : $this->wholePositions[$id] ?? null;
    }

    /**
     * Builds the list back from who hangs below whom; depths are set again.
     *
     * @param  array<string, list<string>>  $children  parent => children in order; ROOT for the top
     * @param  array<string, Part>  $parts
     */
    public static function grow(array $children, array $parts): self
    {
        $list = [];
        $stack = [[self::ROOT, 0]];
        while ($stack !== []) {
            [$id, $depth] = array_pop($stack);
            if ($id !== self::ROOT) {
                $list[] = $parts[$id]->atDepth($depth - 1);
            }
            foreach (array_reverse($children[$id] ?? []) as $child) {
                $stack[] = [$child, $depth + 1];
            }
        }

        return new self($list);
    }

    /**
     * Siblings with others put in behind theirs.
     *
     * @param  array<string>  $stay
     * @param  array<string, list<string>>  $arriving  by the sibling that they go after, '' for the first place
     * @return list<string> those whose sibling is nowhere at the end
     */
    public static function woven(array $stay, array $arriving): array
    {
        $woven = [];
        foreach (['', ...$stay] as $each) {
            $open = [$each];
            while ($open !== []) {
                $id = array_pop($open);
                if ($id !== '') {
                    $woven[] = $id;
                }
                foreach (array_reverse($arriving[$id] ?? []) as $next) {
                    $open[] = $next;
                }
                unset($arriving[$id]);
            }
        }

        return [...$woven, ...array_merge(...array_values($arriving), ...[[]])];
    }

    /** Whether the same parts are in the same order with the same fields, as their records would say; O(parts), without making any. */
    public function equals(self $other): bool
    {
        if (count($this->parts) !== count($other->parts)) {
            return false;
        }
        foreach ($this->parts as $at => $part) {
            $theirs = $other->parts[$at];
            if ($part !== $theirs && ($part->id !== $theirs->id || $part->depth !== $theirs->depth || ! $part->sameFields($theirs))) {
                return false;
            }
        }

        return true;
    }

    public function count(): int
    {
        return count($this->parts);
    }

    public function has(string $id): bool
    {
        return isset($this->positions()[$id]);
    }

    public function find(string $id): ?Part
    {
        $position = $this->positions()[$id] ?? null;

        return $position === null ? null : $this->parts[$position];
    }

    /** @throws InvalidContent when no part has the id */
    public function get(string $id): Part
    {
        return $this->find($id) ?? throw InvalidContent::noSuchPart($id);
    }

    public function position(string $id): ?int
    {
        return $this->positions()[$id] ?? null;
    }

    /** @return array<string, Part> id => part, in order */
    public function byId(): array
    {
        return array_column($this->parts, null, 'id');
    }

    public function parent(string $id): string
    {
        return $this->parents()[$id] ?? self::ROOT;
    }

    /** @return array<string, string> id => id of the parent */
    public function parents(): array
    {
        if ($this->parents === null) {
            $this->link();
        }

        return $this->parents ?? [];
    }

    /** @return array<string, list<string>> */
    public function children(): array
    {
        if ($this->children === null) {
            $this->link();
        }

        return $this->children ?? [];
    }

    /** How many siblings are before a part. */
    public function siblingsBefore(string $id): int
    {
        $this->before ??= array_merge(...array_map(array_flip(...), array_values($this->children())), ...[[]]);

        return $this->before[$id] ?? 0;
    }

    /** @return list<Part> the part and all below it, in order */
    public function subtree(string $id): array
    {
        $position = $this->positions()[$id] ?? throw InvalidContent::noSuchPart($id);
        $parts = $this->parts;
        $depth = $parts[$position]->depth;
        $count = count($parts);
        for ($end = $position + 1; $end < $count && $parts[$end]->depth > $depth; $end++);

        return array_slice($parts, $position, $end - $position);
    }

    /**
     * Some of it: these parts with all that is below and above them, in their order.
     *
     * @param  list<string>  $ids  those that are not there are passed over
     */
    public function only(array $ids): self
    {
        $kept = [];
        foreach (array_filter($ids, $this->has(...)) as $id) {
            foreach ($this->subtree($id) as $part) {
                $kept[$part->id] = true;
            }
            for ($above = $this->parent($id); $above !== self::ROOT; $above = $this->parent($above)) {
                $kept[$above] = true;
            }
        }

        return new self(array_values(array_filter($this->parts, fn (Part $part) => isset($kept[$part->id]))));
    }

    /** The nearest part of a role that is before a part, whatever is between; null when there is none. */
    public function lastBefore(string $id, string $role): ?Part
    {
        if (! isset($this->places[$role])) {
            $this->places[$role] = array_keys(array_filter($this->parts, fn (Part $part) => $part->role === $role));
        }
        $places = $this->places[$role];
        $position = $this->positions()[$id] ?? throw InvalidContent::noSuchPart($id);
        for ([$low, $high] = [0, count($places)]; $low < $high;) {
            $middle = intdiv($low + $high, 2);
            $places[$middle] < $position ? $low = $middle + 1 : $high = $middle;
        }

        return $this->parts[$places[$low - 1] ?? -1] ?? null;
    }

    /** The sibling before a part, or null when it is the first below its parent. */
    public function previousSibling(string $id): ?string
    {
        $position = $this->positions()[$id] ?? throw InvalidContent::noSuchPart($id);
        $depth = $this->parts[$position]->depth;
        for ($at = $position - 1; $at >= 0 && $this->parts[$at]->depth >= $depth; $at--) {
            if ($this->parts[$at]->depth === $depth) {
                return $this->parts[$at]->id;
            }
        }

        return null;
    }

    /** @return array<string, int> */
    private function positions(): array
    {
        if ($this->positions === null) {
            $this->positions = [];
            foreach ($this->parts as $position => $part) {
                $this->positions[$part->id] = $position;
            }
        }

        return $this->positions;
    }

    private function link(): void
    {
        $this->parents = $this->children = [];
        $open = [self::ROOT];
        foreach ($this->parts as $part) {
            $parent = $open[$part->depth];
            $this->parents[$part->id] = $parent;
            $this->children[$parent][] = $part->id;
            $open[$part->depth + 1] = $part->id;
        }
    }
}
