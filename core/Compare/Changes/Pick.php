<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Formula;

/**
 * Picks some changes of a set and takes along what they need, so that they lead to a sound state between the two sides:
 * what comes needs its parent, what goes takes what is below it, a cell needs its column and a column brings its cells
 * (a field that is named by the id of a part is that part's cell), and a part that would hang below itself needs the
 * move of the part it hangs below. Places that depend on a change that was not picked are found again.
 */
final class Pick
{
    /** @var array<string, Change> by key */
    private array $changes = [];

    /** @var array<string, list<string>> column that comes or goes => keys of the edits of its cells, and of its rows that go */
    private array $cells = [];

    /** @var array<string, list<string>> key of a cell's edit => keys of the additions that its formula reads */
    private array $read = [];

    /** @var array<string, list<string>> parent that goes => keys of the changes that take its children away */
    private array $leaving = [];

    /** @var array<string, array<string, true>|true> key => all of it, or some fields */
    private array $taken = [];

    /** @var list<string> keys to look at */
    private array $open = [];

    public function __construct(private readonly ChangeSet $set, private readonly PartTree $old)
    {
        foreach ($set->changes as $change) {
            $this->changes[$change->key()] = $change;
        }
        $edits = new CellEdits($set);
        foreach ($set->changes as $change) {
            if ($change->from !== null) {
                $this->leaving[$change->from->parent][] = $change->key();
            }
            // A row that goes as well takes its cells along.
            foreach ($change->type === ChangeType::Removed ? array_keys($change->before->fields ?? []) : [] as $field) {
                if (isset($this->changes["removed:{$field}"])) {
                    $this->cells[$field][] = $change->key();
                }
            }
            foreach ($change->type === ChangeType::Edited ? $change->fields() : [] as $field) {
                $this->formula($change, $field, $edits);
                if (isset($this->changes["added:{$field}"]) || isset($this->changes["removed:{$field}"])) {
                    $this->cells[$field][] = "{$change->key()}/{$field}";
                }
            }
        }
    }

    /** A formula needs the rows and columns that it reads; where a range followed one of them, that one brings it. */
    private function formula(Change $change, string $field, CellEdits $edits): void
    {
        $formula = Cell::formula($change->after->fields[$field] ?? null);
        if ($formula === null) {
            return;
        }
        $key = "{$change->key()}/{$field}";
        $followed = $edits->followed($change->before->fields[$field] ?? null, $change->after->fields[$field] ?? null);
        foreach (Formula::template($formula)[1] as $reference) {
            foreach ($reference->ids() as $id) {
                if (isset($this->changes["added:{$id}"])) {
                    $this->read[$key][] = "added:{$id}";
                    if ($followed) {
                        $this->cells[$id][] = $key;
                    }
                }
            }
        }
        foreach ($followed ? Formula::template((string) Cell::formula($change->before->fields[$field] ?? null))[1] : [] as $reference) {
            foreach ($reference->ids() as $id) {
                if (isset($this->changes["removed:{$id}"])) {
                    $this->cells[$id][] = $key;
                }
            }
        }
    }

    /** @param list<string> $keys */
    public function of(array $keys): Picked
    {
        $unknown = [];
        foreach ($keys as $key) {
            if (! $this->take($key)) {
                $unknown[] = $key;
            }
        }
        $picked = $this->taken;
        while ($this->open !== []) {
            foreach ($this->needs((string) array_pop($this->open)) as $need) {
                $this->take($need);
            }
            if ($this->open === []) {
                array_map($this->take(...), $this->circles());
            }
        }
        $also = [];
        foreach ($this->taken as $key => $fields) {
            foreach (
                $fields === true ? [$key] : array_map(fn (string $field) => "{$key}/{$field}", array_map(strval(...), array_keys($fields))) as $each
            ) {
                $field = substr(strrchr($each, '/') ?: '', 1);
                if (($picked[$key] ?? null) !== true && ! (is_array($picked[$key] ?? null) && isset($picked[$key][$field]))) {
                    $also[] = $each;
                }
            }
        }

        return new Picked(new ChangeSet($this->restricted(), $this->set->exact), $also, $unknown);
    }

    private function take(string $key): bool
    {
        [$change, $field] = explode('/', $key, 2) + [1 => null];
        if (! isset($this->changes[$change])) {
            return false;
        }
        if ($field !== null && ! in_array($field, $this->changes[$change]->fields(), true)) {
            return false;
        }
        $held = $this->taken[$change] ?? [];
        if ($held === true || ($field !== null && isset($held[$field]))) {
            return true;
        }
        $this->taken[$change] = $field === null ? true : [...$held, $field => true];
        $this->open[] = $key;

        return true;
    }

    /** @return list<string> keys of changes, whether in the set or not */
    private function needs(string $key): array
    {
        $name = explode('/', $key, 2)[0];
        $field = substr($key, strlen($name) + 1);
        $change = $this->changes[$name];
        $needs = match ($change->type) {
            ChangeType::Added => ["added:{$change->to?->parent}", ...($this->cells[$change->id] ?? []), ...self::columns($change->after)],
            ChangeType::Removed => [...($this->leaving[$change->id] ?? []), ...($this->cells[$change->id] ?? [])],
            ChangeType::Moved => ["added:{$change->to?->parent}"],
            ChangeType::Edited => array_merge(
                ...array_map(
                    fn (string $field) => ["added:{$field}", ...$this->read["{$name}/{$field}"] ?? []],
                    $field === '' ? $change->fields() : [$field],
                ),
                ...[[]],
            ),
        };

        // Another role has other fields, so they change together.
        return $change->type === ChangeType::Edited && $change->before?->role !== $change->after?->role && $field !== ''
            ? [...$needs, $name]
            : $needs;
    }

    /** @return list<string> */
    private static function columns(?Part $row): array
    {
        return array_map(fn (string|int $field) => "added:{$field}", array_keys($row->fields ?? []));
    }

    /** @return list<string> keys of moves without which a picked part would hang below itself */
    private function circles(): array
    {
        $needed = [];
        foreach ($this->taken as $key => $unused) {
            $change = $this->changes[$key];
            if ($change->type !== ChangeType::Moved) {
                continue;
            }
            $seen = [];
            for ($at = $change->to->parent ?? ''; $at !== PartTree::ROOT && ! isset($seen[$at]); $at = $this->parentOf($at)) {
                $seen[$at] = true;
                if ($at === $change->id) {
                    array_push($needed, ...array_map(fn (string $id) => "moved:{$id}", array_map(strval(...), array_keys($seen))));
                }
            }
        }

        return array_values(array_filter($needed, fn (string $key) => isset($this->changes[$key]) && ! isset($this->taken[$key])));
    }

    private function parentOf(string $id): string
    {
        foreach (["added:{$id}", "moved:{$id}"] as $key) {
            if (isset($this->taken[$key])) {
                return $this->changes[$key]->to->parent ?? '';
            }
        }

        return $this->old->parent($id);
    }

    /** @return list<Change> */
    private function restricted(): array
    {
        $changes = [];
        foreach ($this->set->changes as $change) {
            $fields = $this->taken[$change->key()] ?? null;
            if ($fields === null) {
                continue;
            }
            if (is_array($fields) && $change->before !== null && $change->after !== null) {
                $kept = array_diff_key($change->before->fields, $fields) + array_intersect_key($change->after->fields, $fields);
                $change = Change::edited($change->before, new Part($change->id, $change->before->role, $change->after->depth, $kept));
            }
            $changes[] = $change->to === null ? $change : $change->at($this->spot($change->to));
        }

        return $changes;
    }

    /** The spot behind the nearest sibling that is in place. */
    private function spot(Spot $spot): Spot
    {
        $after = $spot->after;
        while ($after !== null) {
            $waiting = $this->changes["added:{$after}"] ?? $this->changes["moved:{$after}"] ?? null;
            if ($waiting === null || isset($this->taken[$waiting->key()])) {
                break;
            }
            $after = $waiting->to?->after;
        }

        return new Spot($spot->parent, $after);
    }
}
