<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\PartTree;

/** What leads from one state to another, part by part; additions and moves come in the order of the later side. */
final readonly class ChangeSet
{
    /** @param list<Change> $changes */
    public function __construct(public array $changes, public bool $exact = true) {}

    public function isEmpty(): bool
    {
        return $this->changes === [];
    }

    /** @return list<Change> */
    public function of(ChangeType $type): array
    {
        return array_values(array_filter($this->changes, fn (Change $change) => $change->type === $type));
    }

    /**
     * The ids of all parts that changed, with the bits of how.
     *
     * @return array<string, int>
     */
    public function touched(): array
    {
        $touched = [];
        foreach ($this->changes as $change) {
            $touched[$change->id] = ($touched[$change->id] ?? 0) | $change->type->bit();
        }

        return $touched;
    }

    /**
     * Needs the tree that the set was made from; for that one, it gives the other side to the byte.
     *
     * @throws ChangeMisfit when the tree has moved on so far that a change has no place in it
     */
    public function apply(PartTree $tree): PartTree
    {
        $parts = $tree->byId();
        $children = $tree->children();
        $leaving = [];
        foreach ($this->changes as $change) {
            if ($change->type !== ChangeType::Added && ! isset($parts[$change->id])) {
                throw ChangeMisfit::gone($change->id);
            }
            if ($change->type === ChangeType::Removed || $change->type === ChangeType::Moved) {
                $leaving[$tree->parent($change->id)][$change->id] = true;
            }
        }
        foreach ($leaving as $parent => $ids) {
            $children[$parent] = array_values(array_filter($children[$parent], fn (string $id) => ! isset($ids[$id])));
        }
        foreach ($this->changes as $change) {
            if ($change->after !== null) {
                $parts[$change->id] = $change->type === ChangeType::Moved ? $parts[$change->id] : $change->after;
            }
        }
        foreach ($this->changes as $change) {
            if ($change->to === null || $change->type === ChangeType::Edited) {
                continue;
            }
            $siblings = $children[$change->to->parent] ?? [];
            $at = $change->to->after === null ? -1 : array_search($change->to->after, $siblings, true);
            if ($at === false || ($change->to->parent !== PartTree::ROOT && ! isset($parts[$change->to->parent]))) {
                throw ChangeMisfit::noPlace($change->id);
            }
            array_splice($siblings, $at + 1, 0, [$change->id]);
            $children[$change->to->parent] = $siblings;
        }

        return PartTree::grow($children, $parts);
    }
}
