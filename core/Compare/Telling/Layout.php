<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\PartTree;

/**
 * Lays a comparison out as one tree: the later side, with what was removed put back in where it was, and on demand a trace of what moved
 * away.
 */
final readonly class Layout
{
    /** @var array<string, Change> */
    private array $moved;

    /** @var array<string, true> */
    private array $edited;

    private function __construct(private PartTree $old, private PartTree $new, ChangeSet $changes, private bool $traces)
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

    /**
     * @param  bool  $traces  whether what moved leaves a trace where it stood
     * @return list<MarkedPart>
     */
    public static function of(PartTree $old, PartTree $new, ChangeSet $changes, bool $traces = false): array
    {
        return (new self($old, $new, $changes, $traces))->below(PartTree::ROOT);
    }

    /** @return list<MarkedPart> the earlier side in its own order; what was to move has where it stood */
    public static function earlier(PartTree $old, PartTree $new, ChangeSet $changes): array
    {
        return (new self($old, $new, $changes, false))->as($old, PartTree::ROOT);
    }

    /** @return list<MarkedPart> */
    private function as(PartTree $side, string $parent): array
    {
        return array_map(fn (string $id) => $this->marked($id, $this->as($side, $id)), $side->children()[$parent] ?? []);
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
            } elseif ($this->traces && isset($this->moved[$id])) {
                $gone[$after][] = $id;
            }
        }
        $marked = array_map($this->gone(...), $gone[''] ?? []);
        foreach ($this->new->children()[$parent] ?? [] as $id) {
            array_push($marked, $this->marked((string) $id), ...array_map($this->gone(...), $gone[$id] ?? []));
        }

        return $marked;
    }

    /** What is no longer in its place: removed, or the trace of what moved. */
    private function gone(string $id): MarkedPart
    {
        return $this->new->has($id) ? new MarkedPart(null, $this->old->get($id), null, false, null, [], isTrace: true) : $this->marked($id);
    }

    /** @param list<MarkedPart>|null $children */
    private function marked(string $id, ?array $children = null): MarkedPart
    {
        $before = $this->old->find($id);
        $after = $this->new->find($id);

        return new MarkedPart(
            $after === null ? ChangeType::Removed : ($before === null ? ChangeType::Added : null),
            $after ?? $before ?? throw new \LogicException('A part of a layout is on one side at least'),
            $after === null ? null : $before,
            isset($this->edited[$id]),
            isset($this->moved[$id]) ? $this->moved[$id]->from : null,
            $children ?? $this->below($id),
        );
    }
}
