<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\PartTree;

/** Lays a comparison out as one tree: the later side, with what was removed put back in where it was. */
final readonly class Layout
{
    /** @var array<string, Change> */
    private array $moved;

    /** @var array<string, true> */
    private array $edited;

    private function __construct(private PartTree $old, private PartTree $new, ChangeSet $changes)
    {
        $moved = $edited = [];
        foreach ($changes->changes as $change) {
            if ($change->type === ChangeType::Moved) {
                $moved[$change->id] = $change;
            } elseif ($change->type === ChangeType::Edited) {
                $edited[$change->id] = true;
            }
        }
        $this->moved = $moved;
        $this->edited = $edited;
    }

    /** @return list<MarkedPart> */
    public static function of(PartTree $old, PartTree $new, ChangeSet $changes): array
    {
        return (new self($old, $new, $changes))->below(PartTree::ROOT);
    }

    /** @return list<MarkedPart> */
    private function below(string $parent): array
    {
        $gone = [];
        $after = '';
        foreach ($this->old->children()[$parent] ?? [] as $id) {
            if (! $this->new->has($id)) {
                $gone[$after][] = $id;
            } elseif ($this->new->parent($id) === $parent && ! isset($this->moved[$id])) {
                $after = $id;
            }
        }
        $ids = $gone[''] ?? [];
        foreach ($this->new->children()[$parent] ?? [] as $id) {
            array_push($ids, $id, ...($gone[$id] ?? []));
        }

        return array_map($this->marked(...), $ids);
    }

    private function marked(string $id): MarkedPart
    {
        $before = $this->old->find($id);
        $after = $this->new->find($id);

        return new MarkedPart(
            $after === null ? ChangeType::Removed : ($before === null ? ChangeType::Added : null),
            $after ?? $before ?? throw new \LogicException('A part of a layout is on one side at least'),
            $after === null ? null : $before,
            isset($this->edited[$id]),
            isset($this->moved[$id]) ? $this->moved[$id]->from : null,
            $this->below($id),
        );
    }
}
