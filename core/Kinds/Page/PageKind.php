<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;

/** Sections of columns of blocks. */
final class PageKind extends SchemaKind
{
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

    public function label(PartTree $tree, Part $part): string
    {
        if ($part->role === PageRole::Picture->value) {
            return $part->string('alt');
        }
        if ($part->role !== PageRole::Section->value || $part->string('title') !== '') {
            return parent::label($tree, $part);
        }
        foreach ($tree->has($part->id) ? $tree->subtree($part->id) : [] as $below) {
            if ($below->role === PageRole::Heading->value) {
                return parent::label($tree, $below);
            }
        }

        return '';
    }

    /** The section that a part stands in. */
    public function place(PartTree $tree, Part $part): ?string
    {
        for ($at = $part->id; $at !== PartTree::ROOT; $at = $tree->parent($at)) {
            if ($at !== $part->id && $tree->get($at)->role === PageRole::Section->value) {
                return $at;
            }
        }

        return null;
    }
}
