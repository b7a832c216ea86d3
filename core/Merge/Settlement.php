<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** Carries the choice over an edit that was held back into the state in which it was held back. */
final class Settlement
{
    /**
     * @param  PartTree  $tree  the merged state that the conflict came with
     * @param  RichText|null  $third  what to write at the place instead, for {@see Choice::Third}
     */
    public static function of(PartTree $tree, Conflict $conflict, Choice $choice, ?RichText $third = null): PartTree
    {
        if ($choice === Choice::Theirs) {
            return $tree;
        }
        if ($conflict->meeting !== null && $conflict->field !== null) {
            $text = match ($choice) {
                Choice::Mine => $conflict->meeting->with($conflict->meeting->mine),
                Choice::Both => $conflict->meeting->both(),
                Choice::Third => $conflict->meeting->with($third ?? new RichText),
            };

            return self::replace($tree, $tree->get($conflict->id)->with($conflict->field, $text));
        }

        return match ($conflict->type) {
            ConflictType::RemovedEdited => self::without($tree, $conflict->id),
            ConflictType::EditedRemoved => self::restored($tree, [$conflict]),
            ConflictType::Moved => $conflict->spot === null
                ? $tree
                : self::move($tree, $conflict->id, $conflict->spot->parent, $conflict->spot->after),
            default => self::value($tree, $conflict),
        };
    }

    private static function value(PartTree $tree, Conflict $conflict): PartTree
    {
        $mine = $conflict->mine[0];
        $now = $tree->get($conflict->id);

        return self::replace(
            $tree,
            $conflict->field === null
                ? new Part($now->id, $mine->role, $now->depth, $mine->fields)
                : (isset($mine->fields[$conflict->field])
                    ? $now->with($conflict->field, $mine->fields[$conflict->field])
                    : $now->without($conflict->field)),
        );
    }

    private static function replace(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }

    private static function without(PartTree $tree, string $id): PartTree
    {
        $children = $tree->children();
        $parent = $tree->parent($id);
        $children[$parent] = array_values(array_diff($children[$parent], [$id]));

        return PartTree::grow(
            $children,
            array_map(fn (Part $part) => isset($part->fields[$id]) ? $part->without($id) : $part, $tree->byId()),
        );
    }

    /**
     * Puts back what mine edited and theirs removed, all at once: O(parts).
     *
     * @param  list<Conflict>  $conflicts  {@see ConflictType::EditedRemoved}
     */
    public static function restored(PartTree $tree, array $conflicts): PartTree
    {
        $parts = $tree->byId();
        $children = $tree->children();
        $arriving = [];
        foreach ($conflicts as $conflict) {
            $mine = PartTree::of(array_map(fn (Part $part) => $part->atDepth($part->depth - $conflict->mine[0]->depth), $conflict->mine));
            foreach ($mine->parts as $part) {
                if (! isset($parts[$part->id]) || $part->id === $conflict->id) {
                    $parts[$part->id] = $part;
                    if ($part->id !== $conflict->id) {
                        $children[$mine->parent($part->id)][] = $part->id;
                    }
                }
            }
            foreach ($conflict->cells as $row => $value) {
                if (isset($parts[$row]) && (is_scalar($value) || is_array($value))) {
                    $parts[$row] = $parts[$row]->with($conflict->id, Cell::of($value) ?? '');
                }
            }
        }
        // One that came along below another goes to its own place.
        $own = array_flip(array_column($conflicts, 'id'));
        $children = array_map(
            fn (array $ids): array => array_values(array_filter($ids, fn (string $id): bool => ! isset($own[$id]))),
            $children,
        );
        foreach ($conflicts as $conflict) {
            $parent = $conflict->spot->parent ?? PartTree::ROOT;
            $arriving[isset($parts[$parent]) ? $parent : PartTree::ROOT][$conflict->spot->after ?? ''][] = $conflict->id;
        }
        foreach ($arriving as $parent => $ids) {
            $children[$parent] = PartTree::woven($children[$parent] ?? [], $ids);
        }

        return PartTree::grow($children, $parts);
    }

    private static function move(PartTree $tree, string $id, string $parent, ?string $after): PartTree
    {
        $children = $tree->children();
        $from = $tree->parent($id);
        $children[$from] = array_values(array_diff($children[$from], [$id]));
        foreach ($tree->subtree($id) as $below) {
            if ($below->id === $parent) {
                return $tree;
            }
        }

        return self::place($children, $tree->byId(), $id, $parent, $after);
    }

    /**
     * @param  array<string, list<string>>  $children
     * @param  array<string, Part>  $parts
     */
    private static function place(array $children, array $parts, string $id, string $parent, ?string $after): PartTree
    {
        $parent = isset($parts[$parent]) ? $parent : PartTree::ROOT;
        $siblings = $children[$parent] ?? [];
        $at = $after === null ? -1 : array_search($after, $siblings, true);
        array_splice($siblings, $at === false ? count($siblings) : $at + 1, 0, [$id]);
        $children[$parent] = $siblings;

        return PartTree::grow($children, $parts);
    }
}
