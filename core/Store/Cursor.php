<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/** Walks over the nodes of one level of a tree, from any record on, reading only the nodes above them. */
final class Cursor
{
    /** @var list<array{list<NodeChild>, int, int}> from the root down: entries of a node, the open one, its first record */
    private array $path = [];

    public function __construct(private readonly Nodes $nodes, private readonly NodeChild $root, private readonly int $levelsDown) {}

    /** Goes to the node that holds a record, or to the last one. */
    public function seek(int $record): void
    {
        $this->path = [[[$this->root], 0, 0]];
        while (count($this->path) <= $this->levelsDown) {
            $start = $this->start();
            $entries = $this->nodes->entries($this->entry()->address);
            for ($at = 0; $at < count($entries) - 1 && $start + $entries[$at]->count <= $record; $at++) {
                $start += $entries[$at]->count;
            }
            $this->path[] = [$entries, $at, $start];
        }
    }

    public function entry(): NodeChild
    {
        [$entries, $at] = $this->path[count($this->path) - 1];

        return $entries[$at];
    }

    /** The position of the node's first record. */
    public function start(): int
    {
        return $this->path[count($this->path) - 1][2];
    }

    /** Goes on to the next node of the level; false at the end. */
    public function next(): bool
    {
        $end = $this->start() + $this->entry()->count;
        if ($end >= $this->root->count) {
            return false;
        }
        $this->seek($end);

        return true;
    }
}
