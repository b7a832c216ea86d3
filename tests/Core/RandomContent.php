<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Documents and edits made at random from a seed, for the property tests. */
final class RandomContent
{
    private const VOCABULARY = ['bench', 'socket', 'the', 'log', 'a', 'lead', 'red', 'bin', 'and', 'owner', 'Überholung', 'naïve', '修理', '🔧', 'ring', 'sand', 'is', 'taped'];

    private Randomizer $random;

    private int $ids = 0;

    public function __construct(public readonly int $seed, private readonly string $prefix = 'p')
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function under(int $bound): int
    {
        return $this->random->getInt(0, $bound - 1);
    }

    public function document(int $size): PartTree
    {
        $parts = [];
        while (count($parts) < $size) {
            array_push($parts, ...$this->block($parts === [] ? null : $parts[count($parts) - 1]));
        }

        return PartTree::of($parts);
    }

    public function text(): RichText
    {
        $runs = [];
        for ($i = $this->under(9); $i > 0; $i--) {
            $runs[] = new Run($this->word().' ', $this->under(6) === 0 ? ['bold' => true] : ($this->under(9) === 0 ? ['link' => 'https://example.org/'.$this->under(3)] : []));
        }

        return new RichText($runs);
    }

    /** A few edits of every sort. */
    public function edited(PartTree $tree, int $edits): PartTree
    {
        for (; $edits > 0; $edits--) {
            $tree = match ($this->under(5)) {
                0 => $this->insert($tree),
                1 => $this->remove($tree),
                2 => $this->move($tree),
                default => $this->rewrite($tree),
            };
        }

        return $tree;
    }

    public function rewrite(PartTree $tree): PartTree
    {
        $texts = array_values(array_filter($tree->parts, fn (Part $part) => isset($part->fields['text'])));
        if ($texts === []) {
            return $tree;
        }
        $part = $texts[$this->under(count($texts))];
        $words = preg_split('/(?<= )/u', $part->richText()->text(), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        array_splice($words, $this->under(count($words) + 1), $this->under(3), $this->under(2) === 0 ? [$this->word().' '] : []);
        $new = match (true) {
            $part->role === 'heading' && $this->under(3) === 0 => new Part($part->id, 'paragraph', $part->depth, ['text' => $part->richText()]),
            $part->role === 'item' && $this->under(3) === 0 => $part->with('done', ! $part->fields['done']),
            default => $part->with('text', RichText::plain(implode('', $words))),
        };

        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $new : $each, $tree->parts));
    }

    private function insert(PartTree $tree): PartTree
    {
        $at = $this->topPosition($tree);
        $parts = $tree->parts;
        array_splice($parts, $at, 0, [...$this->block(null)]);

        return PartTree::of($parts);
    }

    private function remove(PartTree $tree): PartTree
    {
        if ($tree->parts === []) {
            return $tree;
        }
        $children = $tree->children();
        $id = $tree->parts[$this->under($tree->count())]->id;
        $parent = $tree->parent($id);
        $children[$parent] = array_values(array_diff($children[$parent], [$id]));
        if ($this->under(2) === 0 && $tree->get($id)->role === 'item') {
            // What stood below comes up in its place, as when the item above a nested list is deleted.
            array_push($children[$parent], ...($children[$id] ?? []));
        }

        return PartTree::grow($children, $tree->byId());
    }

    private function move(PartTree $tree): PartTree
    {
        if ($tree->parts === []) {
            return $tree;
        }
        $children = $tree->children();
        $id = $tree->parts[$this->under($tree->count())]->id;
        $part = $tree->get($id);
        $parent = $tree->parent($id);
        $children[$parent] = array_values(array_diff($children[$parent], [$id]));
        $below = array_column($tree->subtree($id), 'id');
        $homes = match ($part->role) {
            'item' => [PartTree::ROOT, ...array_column(array_filter($tree->parts, fn (Part $other) => $other->role === 'item' && ! in_array($other->id, $below, true)), 'id')],
            'row', 'cell' => [$parent],
            default => [PartTree::ROOT],
        };
        $home = $homes[$this->under(count($homes))];
        $siblings = $children[$home] ?? [];
        array_splice($siblings, $this->under(count($siblings) + 1), 0, [$id]);
        $children[$home] = $siblings;

        return PartTree::grow($children, $tree->byId());
    }

    /** @return list<Part> */
    private function block(?Part $before): array
    {
        return match ($this->under(8)) {
            0 => [new Part($this->id(), 'heading', 0, ['level' => 1 + $this->under(3), 'text' => $this->text()])],
            1, 2 => [new Part($this->id(), 'item', $before?->role === 'item' ? max(0, $this->under($before->depth + 2)) : 0, ['style' => 'task', 'done' => false, 'text' => $this->text()])],
            3 => $this->under(3) === 0 ? $this->table() : [new Part($this->id(), 'rule', 0, [])],
            default => [new Part($this->id(), 'paragraph', 0, ['text' => $this->text()])],
        };
    }

    /** @return list<Part> */
    private function table(): array
    {
        $parts = [new Part($this->id(), 'table', 0, [])];
        for ($row = 0; $row < 2; $row++) {
            $parts[] = new Part($this->id(), 'row', 1, []);
            for ($cell = 0; $cell < 2; $cell++) {
                $parts[] = new Part($this->id(), 'cell', 2, ['head' => $row === 0, 'text' => $this->text()]);
            }
        }

        return $parts;
    }

    private function topPosition(PartTree $tree): int
    {
        $tops = [$tree->count()];
        foreach ($tree->parts as $position => $part) {
            if ($part->depth === 0) {
                $tops[] = $position;
            }
        }

        return $tops[$this->under(count($tops))];
    }

    private function word(): string
    {
        return self::VOCABULARY[$this->under(count(self::VOCABULARY))];
    }

    private function id(): string
    {
        return $this->prefix.str_pad((string) ++$this->ids, 4, '0', STR_PAD_LEFT);
    }
}
