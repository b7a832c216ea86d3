<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Carries a story's edits out on a document. Ids are counted, so that they are the same every time. */
final class Draft implements Drafting
{
    private int $count = 0;

    public function __construct(private readonly string $name) {}

    public function edit(PartTree $tree, string $line): PartTree
    {
        foreach (explode(' && ', $line) as $edit) {
            $tree = $this->one($tree, $edit);
        }

        return $tree;
    }

    private function one(PartTree $tree, string $edit): PartTree
    {
        [$word, $rest] = [...explode(' ', $edit, 2), ''];

        return match ($word) {
            'add' => PartTree::of([
                ...$tree->count() === 1 && $tree->parts[0]->richText()->isEmpty() ? [] : $tree->parts,
                ...$this->block($rest),
            ]),
            'put' => $this->put($tree, ...Prose::two($rest, ' | after ')),
            'change' => $this->change($tree, ...Prose::two($rest, ' => ')),
            'remove' => $this->without($tree, $this->find($tree, $rest)),
            'remove-section' => $this->withoutSection($tree, $this->find($tree, $rest)),
            'move' => $this->move($tree, ...Prose::two($rest, ' | after ')),
            'tick' => $this->replace($tree, $this->find($tree, $rest)->with('done', true)),
            'bold' => $this->bold($tree, $rest),
            'row' => $this->put($tree, '|'.Prose::two($rest, ' || after ')[0], Prose::two($rest, ' || after ')[1]),
            default => throw new \DomainException("no story can “{$word}”"),
        };
    }

    /** @return non-empty-list<Part> */
    private function block(string $text): array
    {
        if (str_starts_with($text, 'table ')) {
            $parts = [$this->part('table', 0, [])];
            foreach (explode(' / ', substr($text, 6)) as $at => $row) {
                array_push($parts, ...$this->row($row, $at === 0));
            }

            return $parts;
        }
        if ($text[0] === '|') {
            return $this->row(substr($text, 1), false);
        }
        if (preg_match('/^(#{1,4} |- |\d\. |\[[ x]\] |> |---$)?(.*)$/u', $text, $found) !== 1) {
            throw new \DomainException('a block is one line of text');
        }
        $rich = Prose::rich($found[2]);
        $sign = trim($found[1]);

        return [
            match (true) {
                $sign === '' => $this->part('paragraph', 0, ['text' => $rich]),
                $sign[0] === '#' => $this->part('heading', 0, ['level' => strlen($sign), 'text' => $rich]),
                $sign === '>' => $this->part('quote', 0, ['text' => $rich]),
                $sign === '---' => $this->part('rule', 0, []),
                default => $this->part('item', 0, [
                    'style' => $sign === '-' ? 'bullet' : ($sign[0] === '[' ? 'task' : 'number'),
                    'done' => $sign === '[x]',
                    'text' => $rich,
                ]),
            },
        ];
    }

    /** @return non-empty-list<Part> */
    private function row(string $cells, bool $head): array
    {
        return [$this->part('row', 1, []), ...array_map(
            fn (string $cell) => $this->part('cell', 2, ['head' => $head, 'text' => Prose::rich(trim($cell))]),
            explode('|', $cells),
        )];
    }

    /**
     * @param  int<0, max>  $depth
     * @param  array<string, RichText|string|int|bool>  $fields
     */
    private function part(string $role, int $depth, array $fields): Part
    {
        return new Part('d'.substr(hash('sha256', $this->name.'/'.++$this->count), 0, 9), $role, $depth, $fields);
    }

    private function find(PartTree $tree, string $phrase): Part
    {
        foreach ($tree->parts as $part) {
            if (str_contains($part->richText()->text(), $phrase)) {
                return $part->role === 'cell' ? $tree->get($tree->parent($part->id)) : $part;
            }
        }

        throw new \DomainException("nowhere does it say “{$phrase}”");
    }

    private function put(PartTree $tree, string $text, string $after): PartTree
    {
        $target = $this->find($tree, $after);
        $at = (int) $tree->position($target->id) + count($tree->subtree($target->id));

        return PartTree::of([...array_slice($tree->parts, 0, $at), ...$this->block($text), ...array_slice($tree->parts, $at)]);
    }

    private function change(PartTree $tree, string $old, string $new): PartTree
    {
        foreach ($tree->parts as $part) {
            if (! str_contains($part->richText()->text(), $old)) {
                continue;
            }

            return $this->replace($tree, $part->with('text', Prose::replaced($part->richText(), $old, $new)));
        }

        throw new \DomainException("nowhere does it say “{$old}”");
    }

    private function bold(PartTree $tree, string $phrase): PartTree
    {
        foreach ($tree->parts as $part) {
            if (str_contains($part->richText()->text(), $phrase)) {
                return $this->replace(
                    $tree,
                    $part->with('text', Prose::rich(str_replace($phrase, "**{$phrase}**", $part->richText()->text()))),
                );
            }
        }

        throw new \DomainException("nowhere does it say “{$phrase}”");
    }

    private function without(PartTree $tree, Part $part): PartTree
    {
        $at = (int) $tree->position($part->id);

        return PartTree::of([...array_slice($tree->parts, 0, $at), ...array_slice($tree->parts, $at + count($tree->subtree($part->id)))]);
    }

    /** A heading and all up to the next one. */
    private function withoutSection(PartTree $tree, Part $heading): PartTree
    {
        $at = (int) $tree->position($heading->id);
        for ($end = $at + 1; isset($tree->parts[$end]) && $tree->parts[$end]->role !== 'heading'; $end++);

        return PartTree::of([...array_slice($tree->parts, 0, $at), ...array_slice($tree->parts, $end)]);
    }

    private function move(PartTree $tree, string $phrase, string $after): PartTree
    {
        $part = $this->find($tree, $phrase);
        $moving = $tree->subtree($part->id);
        $rest = $this->without($tree, $part);
        $target = $this->find($rest, $after);
        $at = (int) $rest->position($target->id) + count($rest->subtree($target->id));

        return PartTree::of([...array_slice($rest->parts, 0, $at), ...$moving, ...array_slice($rest->parts, $at)]);
    }

    private function replace(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }
}
