<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\Spot;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/**
 * Where the parts of a merge are. Parts that neither side added or moved keep the base's order; what a side added or
 * moved follows the same such part as on that side. Two runs at one place are ordered by the id of their first part.
 */
final class MergedOrder
{
    /** @var list<Conflict> parts that both moved, to different places, and moves that would lead round in a circle */
    public array $conflicts = [];

    /**
     * @param  array<string, int>  $theirTouched  id => bits of {@see ChangeType}
     * @param  array<string, int>  $myTouched
     * @param  array<string, Part>  $parts  of the result
     */
    public function __construct(
        private readonly PartTree $base,
        private readonly PartTree $theirs,
        private readonly PartTree $mine,
        private readonly array $theirTouched,
        private readonly array $myTouched,
        private readonly array $parts,
    ) {}

    public function tree(): PartTree
    {
        $ignored = [];
        do {
            $children = $this->children($ignored);
            $reached = PartTree::grow($children, $this->parts);
            $astray = array_filter(array_keys($this->parts), fn (string $id) => ! $reached->has($id) && ! isset($ignored[$id]));
            $ignored += array_fill_keys($astray, true);
        } while ($astray !== []);
        foreach (array_keys($ignored) as $id) {
            if ($this->mine->has($id)) {
                $this->conflicts[] = new Conflict(ConflictType::Moved, $id, [$this->mine->get($id)], Spot::of($this->mine, $id));
            }
        }

        return $reached;
    }

    /**
     * @param  array<string, true>  $ignored  parts whose move by me leads into a circle
     * @return array<string, list<string>>
     */
    private function children(array $ignored): array
    {
        $mineToPlace = $this->toPlace($this->mine, array_diff_key($this->myTouched, $ignored));
        $theirsToPlace = $this->toPlace($this->theirs, $this->theirTouched);
        $theirRuns = $this->runs($this->theirs, $theirsToPlace, $mineToPlace);
        $myRuns = $this->runs($this->mine, $mineToPlace, $theirsToPlace);
        $this->settleDoubleMoves($theirRuns, $myRuns, $theirsToPlace, $mineToPlace);

        $children = [];
        foreach ($this->base->children() + $theirRuns + $myRuns as $parent => $unused) {
            if ($parent !== PartTree::ROOT && ! isset($this->parts[$parent])) {
                continue;
            }
            $stable = array_filter(
                $this->base->children()[$parent] ?? [],
                fn (string $id) => isset($this->parts[$id]) && ! isset($theirsToPlace[$id]) && ! isset($mineToPlace[$id]),
            );
            $children[$parent] = [];
            foreach (['', ...$stable] as $anchor) {
                $one = $theirRuns[$parent][$anchor] ?? [];
                $two = $myRuns[$parent][$anchor] ?? [];
                array_push($children[$parent], ...($anchor === '' ? [] : [$anchor]), ...$this->together($one, $two));
            }
        }

        return $children;
    }

    /**
     * What a side added or moved to a place that is still there.
     *
     * @param  array<string, int>  $touched
     * @return array<string, true>
     */
    private function toPlace(PartTree $side, array $touched): array
    {
        $placed = [];
        foreach ($touched as $id => $what) {
            $parent = $side->parent($id);
            if (
                ($what & (ChangeType::Added->bit() | ChangeType::Moved->bit())) !== 0
                && isset($this->parts[$id])
                && ($parent === PartTree::ROOT || isset($this->parts[$parent]))
            ) {
                $placed[$id] = true;
            }
        }

        return $placed;
    }

    /**
     * Two runs at one place as one, whichever came first: apart, or where both sides put the same part there, around it.
     *
     * @param  list<string>  $one
     * @param  list<string>  $two
     * @return list<string>
     */
    private function together(array $one, array $two): array
    {
        if (strcmp(implode(' ', $two), implode(' ', $one)) < 0) {
            [$one, $two] = [$two, $one];
        }
        if (array_intersect($one, $two) === []) {
            return [...$one, ...$two];
        }
        $at = 0;
        foreach ($two as $id) {
            $held = array_search($id, $one, true);
            if ($held === false) {
                array_splice($one, $at++, 0, [$id]);
            } else {
                $at = $held + 1;
            }
        }

        return $one;
    }

    /**
     * What a side placed, by parent and by the part that it follows and that neither side placed.
     *
     * @param  array<string, mixed>  $placed
     * @param  array<string, mixed>  $placedByOther
     * @return array<string, array<string, list<string>>>
     */
    private function runs(PartTree $side, array $placed, array $placedByOther): array
    {
        $runs = [];
        foreach ($side->children() as $parent => $children) {
            $anchor = '';
            foreach ($children as $id) {
                if (isset($placed[$id])) {
                    if (isset($this->parts[$id])) {
                        $runs[$parent][$anchor][] = $id;
                    }
                } elseif (
                    isset($this->parts[$id])
                    && ! isset($placedByOther[$id])
                    && $this->base->has($id)
                    && $this->base->parent($id) === $parent
                ) {
                    $anchor = $id;
                }
            }
        }

        return $runs;
    }

    /**
     * A part that both sides placed stays where they put it.
     *
     * @param  array<string, array<string, list<string>>>  $theirRuns
     * @param  array<string, array<string, list<string>>>  $myRuns
     * @param  array<string, mixed>  $theirs
     * @param  array<string, mixed>  $mine
     */
    private function settleDoubleMoves(array $theirRuns, array &$myRuns, array $theirs, array $mine): void
    {
        $both = array_intersect_key($theirs, $mine);
        if ($both === []) {
            return;
        }
        $where = [];
        foreach ($theirRuns as $parent => $gaps) {
            foreach ($gaps as $anchor => $ids) {
                foreach ($ids as $id) {
                    $where[$id] = [$parent, $anchor];
                }
            }
        }
        foreach ($myRuns as $parent => $gaps) {
            foreach ($gaps as $anchor => $ids) {
                foreach ($ids as $id) {
                    if (isset($both[$id]) && $where[$id] !== [$parent, $anchor] && ! $this->reported($id)) {
                        $this->conflicts[] = new Conflict(ConflictType::Moved, $id, [$this->mine->get($id)], Spot::of($this->mine, $id));
                    }
                }
                $myRuns[$parent][$anchor] = array_values(
                    array_filter($ids, fn (string $id) => ! isset($both[$id]) || $where[$id] === [$parent, $anchor]),
                );
            }
        }
    }

    private function reported(string $id): bool
    {
        foreach ($this->conflicts as $conflict) {
            if ($conflict->type === ConflictType::Moved && $conflict->id === $id) {
                return true;
            }
        }

        return false;
    }
}
