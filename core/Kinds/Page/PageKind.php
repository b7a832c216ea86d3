<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Fresh;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;

/** Sections of columns of blocks. */
final class PageKind extends SchemaKind
{
    /** Columns that are beside each other in one section. */
    public const MOST_COLUMNS = 4;

    public function name(): string
    {
        return 'page';
    }

    public function roles(): string
    {
        return PageRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([
            new Part($firstId, PageRole::Section->value, 0, ['title' => '', 'background' => 'plain']),
            new Part($firstId.'c', PageRole::Column->value, 1, ['width' => 12]),
        ]);
    }

    /** A section that two people emptied of its columns gets one, with an id that depends on the content alone. */
    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree
    {
        $parts = [];
        foreach ($tree->parts as $at => $part) {
            $parts[] = $part;
            if ($part->role === PageRole::Section->value && ($tree->parts[$at + 1]->depth ?? 0) === 0) {
                $parts[] = new Part(Fresh::derived($part->id, $tree), PageRole::Column->value, 1, ['width' => 12]);
            }
        }

        return count($parts) === $tree->count() ? $tree : PartTree::of($parts);
    }

    public function label(PartTree $tree, Part $part): string
    {
        return match (PageRole::from($part->role)) {
            PageRole::Picture => Label::of($part->string('alt') === '' ? $part->string('caption') : $part->string('alt')),
            PageRole::Section => $part->string('title') === '' ? $this->firstHeading($tree, $part) : parent::label($tree, $part),
            default => parent::label($tree, $part),
        };
    }

    /** The heading above a block in its column, or else the section that the part is in. */
    public function place(PartTree $tree, Part $part): ?string
    {
        $parent = $tree->parent($part->id);
        if ($parent === PartTree::ROOT || $part->role === PageRole::Column->value) {
            return $parent === PartTree::ROOT ? null : $parent;
        }
        $heading = $part->role === PageRole::Heading->value ? null : $tree->lastBefore($part->id, PageRole::Heading->value);
        while ($heading !== null && $heading->richText()->isEmpty()) {
            $heading = $tree->lastBefore($heading->id, PageRole::Heading->value);
        }

        if ($heading !== null && $tree->position($heading->id) > $tree->position($parent)) {
            return $heading->id;
        }
        $section = $tree->parent($parent);

        return $section === PartTree::ROOT ? null : $section;
    }

    public function noun(Part $part): string
    {
        return $part->role === PageRole::Column->value ? 'page_column' : $part->role;
    }

    public function beside(): string
    {
        return PageRole::Column->value;
    }

    public function isPublishable(): bool
    {
        return true;
    }

    private function firstHeading(PartTree $tree, Part $section): string
    {
        foreach ($tree->has($section->id) ? $tree->subtree($section->id) : [] as $below) {
            if ($below->role === PageRole::Heading->value && ! $below->richText()->isEmpty()) {
                return Label::of($below->richText()->text());
            }
        }

        return '';
    }

    public function drawing(): Drawing
    {
        return new PageDrawing;
    }
}
