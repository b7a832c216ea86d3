<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\TextDrawing;

/** What kinds share: reading by their roles, and plain answers that a kind replaces where it knows better. */
abstract class SchemaKind implements Kind
{
    /** Fields of text that nobody reads. */
    private const TECHNICAL = ['format', 'source', 'measure', 'by', 'split', 'filter', 'media', 'currency', 'mark', 'formula'];

    /** @return class-string<PartRole> */
    abstract public function roles(): string;

    public function read(mixed $content, Limits $limits): Reading
    {
        return PartReader::read($this->roles(), $content, $limits);
    }

    public function problems(PartTree $tree, Limits $limits): array
    {
        return PartReader::problems($this->roles(), $tree, $limits);
    }

    public function texts(Part $part): array
    {
        $types = $this->roles()::tryFrom($part->role)?->fields() ?? [];
        $texts = [];
        foreach ($part->fields as $field => $value) {
            $type = explode(':', rtrim($types[$field] ?? $types[PartRole::CELLS] ?? '', '?'))[0];
            $text = match (true) {
                in_array($field, self::TECHNICAL, true) => '',
                $value instanceof RichText => $value->text(),
                $type === 'cell' || $type === 'value' => Cell::formula($value) === null ? Cell::show($value) : '='.Cell::formula($value),
                $type === 'string' || $type === 'plain' => is_string($value) ? $value : '',
                $type === 'list' => is_array($value) ? implode("\n", array_filter($value, is_string(...))) : '',
                default => '',
            };
            if (trim($text) !== '') {
                $texts[(string) $field] = $text;
            }
        }

        return $texts;
    }

    /** A cell without its column goes. */
    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree
    {
        $grid = $this->grid();
        if ($grid === null) {
            return $tree;
        }
        $columns = self::columns($grid, $tree);
        // The rows of a sound state that are there as they were have no cell without a column.
        $known = $sound !== null && array_diff_key(self::columns($grid, $sound), $columns) === [] ? $sound : null;
        $parts = $tree->parts;
        foreach ($parts as $position => $part) {
            if ($part->role === $grid->row && $known?->find($part->id) !== $part && array_diff_key($part->fields, $columns) !== []) {
                $parts[$position] = new Part($part->id, $part->role, $part->depth, array_intersect_key($part->fields, $columns));
            }
        }

        return self::columnsFirst($grid, $parts === $tree->parts ? $tree : PartTree::of($parts));
    }

    /** A column that came while others put rows in can be behind those. */
    private static function columnsFirst(Grid $grid, PartTree $tree): PartTree
    {
        $isLate = fn (int $at): bool => $tree->parts[$at]->role === $grid->column && $tree->parts[$at - 1]->role === $grid->row;
        for ($at = 1; $at < count($tree->parts) && ! $isLate($at); $at++);
        if ($at >= count($tree->parts)) {
            return $tree;
        }
        $children = $tree->children();
        foreach ($grid->isOneTable ? [PartTree::ROOT] : $children[PartTree::ROOT] ?? [] as $table) {
            $rows = array_filter($children[$table] ?? [], fn (string $id) => $tree->get($id)->role === $grid->row);
            $children[$table] = [...array_values(array_diff($children[$table] ?? [], $rows)), ...array_values($rows)];
        }

        return PartTree::grow($children, $tree->byId());
    }

    /** @return array<string, true> ids, as keys */
    private static function columns(Grid $grid, PartTree $tree): array
    {
        $columns = [];
        foreach ($tree->parts as $part) {
            if ($part->role === $grid->column) {
                $columns[$part->id] = true;
            }
        }

        return $columns;
    }

    public function label(PartTree $tree, Part $part): string
    {
        return Label::of($this->ownName($part) ?? $part->richText()->text());
    }

    private function ownName(Part $part): ?string
    {
        foreach (['title', 'name', 'label'] as $field) {
            if ($part->string($field) !== '') {
                return $part->string($field);
            }
        }

        return null;
    }

    public function whereabouts(PartTree $tree, Part $part): string
    {
        $place = $this->ownName($part) === null ? $this->place($tree, $part) : null;

        return $this->label($tree, $place === null ? $part : $tree->get($place));
    }

    public function place(PartTree $tree, Part $part): ?string
    {
        return $tree->parent($part->id) === PartTree::ROOT ? null : $tree->parent($part->id);
    }

    public function written(PartTree $tree, Part $part, mixed $value): string
    {
        $formula = Cell::formula($value);

        return $formula === null ? Cell::show($value) : '='.$formula;
    }

    public function isReadAs(?Part $before, Part $column, mixed $was, mixed $is): bool
    {
        return false;
    }

    public function noun(Part $part): string
    {
        return $part->role;
    }

    public function chunksOf(Part $part): array
    {
        $chunks = [];
        foreach (($this->roles())::tryFrom($part->role)?->fields() ?? [] as $field => $type) {
            if (rtrim($type, '?') === 'hash' && $part->string($field) !== '') {
                $chunks[] = $part->string($field);
            }
        }

        return $chunks;
    }

    /** Its texts one below the other, and its pictures. */
    public function drawing(): Drawing
    {
        return new TextDrawing(
            fn (array $parts, Sample $sample): array => array_merge(
                ...array_map(fn (Part $part) => $this->seenFromAfar($part, $sample), $parts),
                ...[[]],
            ),
        );
    }

    /** @return list<Block> */
    protected function seenFromAfar(Part $part, Sample $sample): array
    {
        // The order in which fields happen to lie says nothing.
        $texts = $this->texts($part);
        ksort($texts);
        $blocks = array_map(fn (string $text) => Block::text($text, $sample->tone($part->id), $part->depth), array_values($texts));
        foreach ($this->chunksOf($part) as $chunk) {
            $blocks[] = Block::picture($sample->pictures[$chunk] ?? null, $sample->tone($part->id));
        }

        return $blocks;
    }

    public function grid(): ?Grid
    {
        return null;
    }

    public function beside(): ?string
    {
        return null;
    }

    public function remark(string $id, RichText $text): ?Part
    {
        return null;
    }

    public function isPublishable(): bool
    {
        return false;
    }

    public function isAnswered(): bool
    {
        return false;
    }
}
