<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * Puts edits into a tree without reading more than the paths to them. On each level, from the leaves up, the items around
 * an edit are cut again until a boundary falls on an old one; the nodes that came of it are the edits of the level above.
 * The result is the tree that writing the whole list would make. O(edits · log n) nodes read and written.
 *
 * An edit says records from, to (half-open, of the old list) and what is there now.
 *
 * @phpstan-type Edit array{int, int, list<string>|list<NodeChild>}
 */
final class Splice
{
    /** @var array<string, string> new nodes: address => bytes */
    public array $chunks = [];

    /** @var array<string, string> new node => the old node of its level that stood there */
    public array $like = [];

    private NodeChild $root;

    public function __construct(private readonly Nodes $nodes, string $root)
    {
        $this->root = new NodeChild($root, $nodes->count($root), 0);
    }

    /**
     * @param  list<array{int, int, list<string>}>  $edits  ascending, apart from each other
     * @return string the new root's address
     */
    public function apply(array $edits): string
    {
        $height = $this->nodes->height($this->root->address);
        for ($level = 0; $level <= $height; $level++) {
            $edits = $this->level($height - $level, $level === 0, $edits);
        }
        /** @var list<NodeChild> $top the root level is one node, so there is one edit, of all of it */
        $top = $edits === [] ? [$this->root] : $edits[0][2];
        while (count($top) > 1) {
            $cutter = new Cutter;
            array_map($cutter->entry(...), $top);
            $cutter->finish();
            $this->chunks += $cutter->chunks;
            $top = $cutter->done;
        }
        if ($top === []) {
            $cutter = new Cutter;
            $cutter->keepEmpty();
            $this->chunks = $cutter->chunks;
            $top = $cutter->done;
        }

        return $this->lowered($top[0]->address);
    }

    /**
     * @param  list<Edit>  $edits
     * @return list<array{int, int, list<NodeChild>}>
     */
    private function level(int $levelsDown, bool $leaves, array $edits): array
    {
        $cursor = new Cursor($this->nodes, $this->root, $levelsDown);
        $result = [];
        $next = 0;
        while (isset($edits[$next])) {
            $cursor->seek($edits[$next][0]);
            $cutter = new Cutter;
            $from = $position = $skipTo = $cursor->start();
            $replaced = [];
            do {
                $replaced[] = $cursor->entry()->address;
                $items = $leaves ? $this->nodes->records($cursor->entry()->address) : $this->nodes->entries($cursor->entry()->address);
                foreach ($items as $item) {
                    $this->insertHere($cutter, $edits, $next, $position, $skipTo);
                    if ($position >= $skipTo) {
                        self::take($cutter, $item);
                    }
                    $position += $item instanceof NodeChild ? $item->count : 1;
                }
                $end = $position >= $this->root->count;
                if ($end) {
                    $this->insertHere($cutter, $edits, $next, $position, $skipTo);
                    $cutter->finish();
                }
            } while (! $end && ! ($cutter->isBetweenNodes() && $position >= $skipTo) && $cursor->next());
            $this->chunks += $cutter->chunks;
            foreach ($cutter->done as $at => $entry) {
                $this->like[$entry->address] ??= $replaced[min($at, count($replaced) - 1)];
            }
            $result[] = [$from, $position, $cutter->done];
        }

        return $result;
    }

    /** @param list<Edit> $edits */
    private function insertHere(Cutter $cutter, array $edits, int &$next, int $position, int &$skipTo): void
    {
        while (isset($edits[$next]) && $edits[$next][0] <= $position) {
            foreach ($edits[$next][2] as $item) {
                self::take($cutter, $item);
            }
            $skipTo = max($skipTo, $edits[$next][1]);
            $next++;
        }
    }

    private static function take(Cutter $cutter, string|NodeChild $item): void
    {
        $item instanceof NodeChild ? $cutter->entry($item) : $cutter->record($item);
    }

    /** A root with one node below it gives way to that node. */
    private function lowered(string $root): string
    {
        while (true) {
            $bytes = $this->chunks[$root] ?? $this->nodes->bytes($root);
            if ($bytes[0] === 'L' || count($entries = NodeChild::in($bytes)) > 1) {
                return $root;
            }
            unset($this->chunks[$root]);
            $root = $entries[0]->address;
        }
    }
}
