<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Sequences\Increasing;

/**
 * What an editor of a table sends instead of all of it: what became of the state that it started from.
 *
 * - `removed`: ids; what is below a part goes with it
 * - `placed`: `[id, role, parent, after, fields]` of what came, `[id, null, parent, after]` of what moved, one after the other;
 *   after which sibling, or null for the first place
 * - `order`: parent => ids of children in their order, for a table that was sorted; children that are not named stay in front
 * - `cells`: row => column => value, null for none
 * - `fields`: part => field => value
 * - `at`: row => its position in the list of all parts of the state that it started from, or of one that came, the position that it is put
 *   before; only makes it faster
 *
 * Results of formulas that are sent along are dropped, since they are worked out here.
 */
final class Edits
{
    /** @var array<string, list<string>> */
    private array $children;

    /** @var array<string, Part> */
    private array $parts;

    /** @var array<string, string> */
    private array $parents;

    /** @var array<string, true> ids of parts that came or whose fields changed */
    private array $changed = [];

    /** @var array<string, array<string, mixed>> part => the fields that it is sent with */
    private array $raw = [];

    /** @var array<string, string> part that went => its role */
    private array $gone = [];

    /** @var list<Problem> */
    private array $problems = [];

    private function __construct(PartTree $base)
    {
        $this->children = $base->children();
        $this->parts = $base->byId();
        $this->parents = $base->parents();
    }

    public static function apply(PartTree $base, mixed $edits, Kind $kind, Limits $limits): Reading
    {
        if (! is_array($edits)) {
            return Reading::problems([new Problem('not_json', 'edits')]);
        }
        $self = new self($base);
        $self->remove(self::listIn($edits, 'removed'), self::moved(self::listIn($edits, 'placed')));
        $self->place(self::listIn($edits, 'placed'));
        $self->order(self::listIn($edits, 'order'));
        $self->write(self::listIn($edits, 'cells'), true);
        $self->write(self::listIn($edits, 'fields'), false);
        if (count($self->parts) > $limits->parts) {
            $self->problems[] = new Problem('too_many_parts', 'edits', ['max' => $limits->parts, 'count' => count($self->parts)]);
        }
        $tree = $self->problems === [] ? PartTree::grow($self->children, $self->parts) : $base;

        return $self->problems === []
            ? $self->checked($tree, $kind, $limits)
            : Reading::problems(array_slice($self->problems, 0, $limits->problems));
    }

    /**
     * The edits that lead from one state to another, as an editor takes them in; with results of formulas.
     *
     * @return array<string, mixed>
     */
    public static function between(PartTree $from, PartTree $to, string $row): array
    {
        $old = $from->byId();
        $edits = ['removed' => [], 'placed' => [], 'cells' => [], 'fields' => []];
        foreach ($from->parts as $part) {
            if (! $to->has($part->id)) {
                $edits['removed'][] = $part->id;
            }
        }
        $edits['placed'] = self::placed($from, $to);
        foreach ($to->parts as $part) {
            $was = $old[$part->id] ?? null;
            if ($was === null || $was === $part || $was->sameFields($part)) {
                continue;
            }
            $now = (array) $part->toJson()[3];
            foreach ($was->differing($part) as $field) {
                $edits[$part->role === $row ? 'cells' : 'fields'][$part->id][$field] = $now[$field] ?? null;
            }
        }

        return array_filter($edits, fn (array $of) => $of !== []);
    }

    /**
     * @return list<list<mixed>> parts that came, and those that are elsewhere: of what is in one order on both sides, as many as can be
     *     stay
     */
    private static function placed(PartTree $from, PartTree $to): array
    {
        [$old, $oldParents, $placed] = [$from->byId(), $from->parents(), []];
        foreach ($to->children() as $parent => $children) {
            $positions = [];
            foreach ($children as $at => $id) {
                if (isset($old[$id]) && $oldParents[$id] === (string) $parent) {
                    $positions[$at] = (int) $from->position($id);
                }
            }
            $stayed = Increasing::longest($positions);
            $before = null;
            foreach ($children as $at => $id) {
                $part = $to->get($id);
                if (! isset($old[$id])) {
                    $placed[] = [$id, $part->role, (string) $parent, $before, $part->toJson()[3]];
                } elseif (! isset($stayed[$at])) {
                    $placed[] = [$id, null, (string) $parent, $before];
                }
                $before = $id;
            }
        }

        return $placed;
    }

    /**
     * The same from the stretches in which two states differ, at a cost that does not grow with the rest.
     *
     * @param  list<Stretch>  $stretches
     * @return array<string, mixed>|null null when something is elsewhere than it did, which takes reading all of both
     */
    public static function in(array $stretches, string $row): ?array
    {
        $old = $new = $known = [];
        foreach ($stretches as $stretch) {
            // What is open before it says below and behind what its parts are.
            foreach ($stretch->open as $depth => $id) {
                if (! isset($known[$id])) {
                    $known[$id] = true;
                    $old[] = $new[] = new Part($id, '', $depth, []);
                }
            }
            array_push($old, ...$stretch->old);
            array_push($new, ...$stretch->new);
            $known += array_fill_keys([...array_column($stretch->old, 'id'), ...array_column($stretch->new, 'id')], true);
        }
        if (count(array_unique(array_column($old, 'id'))) < count($old) || count(array_unique(array_column($new, 'id'))) < count($new)) {
            return null;
        }
        $edits = self::between(PartTree::of($old), PartTree::of($new), $row);

        /** @var list<array{string, mixed}> $placed */
        $placed = $edits['placed'] ?? [];

        return array_filter($placed, fn (array $one) => $one[1] === null) === [] ? $edits : null;
    }

    /**
     * @param  array<mixed>  $edits
     * @return array<mixed>
     */
    private static function listIn(array $edits, string $name): array
    {
        $value = $edits[$name] ?? [];

        return is_array($value) ? $value : [];
    }

    /**
     * @param  array<mixed>  $placed
     * @return array<string, true> ids of what is only elsewhere: what is sent with a role came, with all that it holds
     */
    private static function moved(array $placed): array
    {
        $moved = array_filter($placed, fn (mixed $place): bool => is_array($place) && is_string($place[0] ?? null) && ! isset($place[1]));

        return array_fill_keys(array_column($moved, 0), true);
    }

    /**
     * @param  array<mixed>  $ids
     * @param  array<string, true>  $moved  what does not go with its parent
     */
    private function remove(array $ids, array $moved): void
    {
        $gone = [];
        foreach ($ids as $id) {
            // Gone already, with its parent or in an earlier sending.
            $open = is_string($id) && isset($this->parts[$id]) ? [$id] : [];
            while ($open !== []) {
                $each = array_pop($open);
                $gone[$this->parents[$each]][$each] = true;
                $isBelow = fn (string $child): bool => isset($this->parts[$child]) && ! isset($moved[$child]);
                array_push($open, ...array_values(array_filter($this->children[$each] ?? [], $isBelow)));
                $this->gone[$each] = $this->parts[$each]->role;
                unset($this->parts[$each], $this->children[$each]);
            }
        }
        foreach ($gone as $parent => $of) {
            if (isset($this->children[$parent])) {
                $this->children[$parent] = array_values(array_filter($this->children[$parent], fn (string $id) => ! isset($of[$id])));
            }
        }
    }

    /** @param array<mixed> $placed */
    private function place(array $placed): void
    {
        $this->leave($placed);
        /** @var array<string, array<string, list<string>>> $arriving parent => after => ids */
        $arriving = [];
        foreach ($placed as $at => $place) {
            $taken = $this->taken($place, "edits.placed.{$at}");
            if ($taken !== null) {
                [$id, $parent, $after] = $taken;
                $this->parents[$id] = $parent;
                $arriving[$parent][$after][] = $id;
            }
        }
        foreach ($arriving as $parent => $after) {
            $this->children[$parent] = PartTree::woven($this->children[$parent] ?? [], $after);
        }
    }

    /**
     * What moves leaves first, in one go for each parent.
     *
     * @param  array<mixed>  $placed
     */
    private function leave(array $placed): void
    {
        $leaving = [];
        foreach ($placed as $place) {
            $id = is_array($place) ? $place[0] ?? null : null;
            if (is_string($id) && isset($this->parts[$id])) {
                $leaving[$this->parents[$id]][$id] = true;
            }
        }
        foreach ($leaving as $parent => $of) {
            $this->children[$parent] = array_values(array_filter($this->children[$parent] ?? [], fn (string $id) => ! isset($of[$id])));
        }
    }

    /**
     * A part that came is one of the state from here on.
     *
     * @return array{string, string, string}|null its id, its parent, and the sibling that it comes behind or ''; null when that can't be
     */
    private function taken(mixed $place, string $path): ?array
    {
        if (! is_array($place) || ! is_string($place[0] ?? null) || ! is_string($place[2] ?? null) || is_array($place[3] ?? null)) {
            $this->problems[] = new Problem('not_a_part', $path);

            return null;
        }
        [$id, $role, $parent, $after] = [$place[0], $place[1] ?? null, $place[2], $place[3] ?? null];
        $isNew = ! isset($this->parts[$id]);
        $role = is_string($role) ? $role : '';
        if (($isNew && ($role === '' || ! is_array($place[4] ?? []))) || preg_match(PartReader::ID, $id) !== 1) {
            $this->problems[] = new Problem('not_a_part', $path);

            return null;
        }
        if ($parent !== PartTree::ROOT && ! isset($this->parts[$parent])) {
            $this->problems[] = new Problem('misplaced', $path, ['role' => mb_substr(mb_scrub($role), 0, 40)]);

            return null;
        }
        if ($isNew) {
            /** @var array<string, mixed> $fields */
            $fields = is_array($place[4] ?? null) ? $place[4] : [];
            // Not a value that a part may have yet: it is read by the schema below.
            $this->raw[$id] = $fields;
            $this->parts[$id] = new Part($id, $role, 0, []);
            unset($this->gone[$id]);
            $this->changed[$id] = true;
        }

        return [$id, $parent, is_string($after) ? $after : ''];
    }

    /** @param array<mixed> $order */
    private function order(array $order): void
    {
        foreach ($order as $parent => $ids) {
            $children = $this->children[(string) $parent] ?? [];
            $wanted = is_array($ids)
                ? array_filter(
                    $ids,
                    fn (mixed $id) => is_string($id) && ($this->parents[$id] ?? null) === (string) $parent && isset($this->parts[$id]),
                )
                : [];
            $wanted = array_values(array_unique($wanted));
            $named = array_flip($wanted);
            $this->children[(string) $parent] = [
                ...array_values(array_filter($children, fn (string $id) => ! isset($named[$id]))),
                ...$wanted,
            ];
        }
    }

    /** @param array<mixed> $values part => field => value */
    private function write(array $values, bool $cells): void
    {
        foreach ($values as $id => $fields) {
            $part = $this->parts[(string) $id] ?? null;
            if ($part === null || ! is_array($fields)) {
                // Somebody removed it in the very state this one started from: nothing to write to.
                $part === null || $this->problems[] = new Problem('not_fields', "edits.{$id}");

                continue;
            }
            $raw = $this->raw[$part->id] ?? $part->toJson()[3];
            foreach ($fields as $name => $value) {
                $raw = (array) $raw;
                if ($value === null) {
                    unset($raw[$name]);
                } else {
                    $raw[(string) $name] = $value;
                }
            }
            $this->raw[$part->id] = (array) $raw;
            $this->changed[$part->id] = true;
        }
    }

    /** Reads what came and what changed by the schema, among its parents and columns; the rest is as it was. */
    private function checked(PartTree $tree, Kind $kind, Limits $limits): Reading
    {
        $grid = $kind->grid();
        // Cells go with their column, in rows of which nothing else is said as well.
        $gone = array_filter($this->gone, fn (string $role): bool => $role === $grid?->column);
        $needed = $this->needed($grid?->column);
        $sent = [];
        foreach ($tree->parts as $part) {
            if (isset($needed[$part->id])) {
                $fields = isset($this->raw[$part->id])
                    ? array_map(self::withoutResult(...), $this->raw[$part->id])
                    : (array) $part->toJson()[3];
                $sent[] = [$part->id, $part->role, $part->depth, $part->role === $grid?->row ? array_diff_key($fields, $gone) : $fields];
            }
        }
        $reading = $kind->read($sent, $limits);
        if ($reading->tree === null) {
            return $reading;
        }
        $read = $reading->tree->byId();
        $parts = $tree->parts;
        foreach ($parts as $position => $part) {
            if (isset($this->changed[$part->id])) {
                $parts[$position] = $read[$part->id];
            } elseif ($gone !== [] && $part->role === $grid?->row) {
                $parts[$position] = self::without($part, $gone);
            }
        }
        $problems = $this->sizes($parts, $grid?->row, $limits);

        return $problems === [] ? Reading::tree(PartTree::of($parts)) : Reading::problems($problems);
    }

    /** @return array<string, true> what is read again: what came and what changed, with its parents and columns */
    private function needed(?string $column): array
    {
        $needed = $seen = [];
        foreach ($this->changed as $id => $unused) {
            for ($at = $id; $at !== PartTree::ROOT && isset($this->parts[$at]) && ! isset($needed[$at]); $at = $this->parents[$at]) {
                $needed[$at] = true;
                // A merge may leave a column behind rows, so all of them are looked through, once a parent.
                $parent = $this->parents[$at];
                foreach (isset($seen[$parent]) ? [] : $this->children[$parent] ?? [] as $sibling) {
                    if ($this->parts[$sibling]->role === $column) {
                        $needed[$sibling] = true;
                    }
                }
                $seen[$parent] = true;
            }
        }

        return $needed;
    }

    /** @param array<string, string> $gone columns */
    private static function without(Part $row, array $gone): Part
    {
        return array_intersect_key($row->fields, $gone) === [] ? $row : $row->holding(array_diff_key($row->fields, $gone));
    }

    /**
     * @param  list<Part>  $parts
     * @return list<Problem>
     */
    private function sizes(array $parts, ?string $row, Limits $limits): array
    {
        $cells = array_sum(array_map(fn (Part $part) => $part->role === $row ? count($part->fields) : 0, $parts));
        if ($cells > $limits->cells) {
            return [new Problem('too_many_cells', 'edits', ['max' => $limits->cells, 'count' => (int) $cells])];
        }
        $formulas = $cells <= $limits->formulas
            ? 0
            : array_sum(array_map(fn (Part $part) => count(array_filter($part->fields, Cell::isFormula(...))), $parts));

        return $formulas > $limits->formulas
            ? [new Problem('too_many_formulas', 'edits', ['max' => $limits->formulas, 'count' => (int) $formulas])]
            : [];
    }

    private static function withoutResult(mixed $value): mixed
    {
        $look = Cell::look($value);
        $formula = is_array($value) && array_filter($value, fn (mixed $inner) => ! is_scalar($inner)) === [] ? Cell::formula($value) : null;

        return $formula === null ? $value : Cell::dressed(['=', $formula], $look);
    }
}
