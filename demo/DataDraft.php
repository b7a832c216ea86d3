<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\FieldNames;

/** Carries a story's edits out on a dataset: its calculated fields, and what its fields are. */
final class DataDraft implements Drafting
{
    private int $count = 0;

    public function edit(PartTree $tree, string $line): PartTree
    {
        [$word, $rest] = [...explode(' ', $line, 2), ''];

        return match ($word) {
            'field' => $this->field($tree, ...Prose::two($rest, ' = ')),
            'type' => $this->typed($tree, ...Prose::two($rest, ' = ')),
            'remove' => $this->removed($tree, $rest),
            default => throw new \DomainException("no story can “{$word}” in a dataset"),
        };
    }

    private function field(PartTree $tree, string $name, string $expression): PartTree
    {
        $known = array_search($name, FieldNames::of($tree), true);
        $part = new Part($known === false ? 'dcalc'.++$this->count : (string) $known, 'field', 0, [
            'name' => $name,
            'type' => 'number',
            'expression' => FieldNames::stored($expression, FieldNames::of($tree)),
        ]);
        $fields = count(FieldNames::of($tree));

        return $known === false
            ? PartTree::of([...array_slice($tree->parts, 0, $fields), $part, ...array_slice($tree->parts, $fields)])
            : $this->with($tree, $part);
    }

    private function typed(PartTree $tree, string $name, string $type): PartTree
    {
        return $this->with($tree, self::named($tree, $name)->with('type', $type));
    }

    private function removed(PartTree $tree, string $name): PartTree
    {
        $gone = self::named($tree, $name);

        return PartTree::of(
            array_values(
                array_map(
                    fn (Part $part) => $part->without($gone->id),
                    array_filter($tree->parts, fn (Part $part) => $part->id !== $gone->id),
                ),
            ),
        );
    }

    private function with(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $other) => $other->id === $part->id ? $part : $other, $tree->parts));
    }

    public static function named(PartTree $tree, string $name): Part
    {
        $id = array_search($name, FieldNames::of($tree), true);

        return $id === false ? throw new \DomainException("no field “{$name}”") : $tree->get((string) $id);
    }
}
