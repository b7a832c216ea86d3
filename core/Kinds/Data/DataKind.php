<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Data;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\SchemaKind;

/** Plain JSON as a tree of fields. It is no item of a shelf, so {@see Kinds} does not list it. */
final class DataKind extends SchemaKind
{
    public function name(): string
    {
        return 'data';
    }

    public function roles(): string
    {
        return DataRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, DataRole::Map->value, 0, ['key' => ''])]);
    }

    /** The path from the top: `volunteers.2.name`. */
    public function label(PartTree $tree, Part $part): string
    {
        $path = [];
        for ($id = $part->id; $id !== PartTree::ROOT; $id = $tree->parent($id)) {
            $key = $tree->get($id)->string('key');
            $parent = $tree->parent($id);
            if ($parent !== PartTree::ROOT && $tree->get($parent)->role === DataRole::Sequence->value) {
                $key = (string) $tree->siblingsBefore($id);
            }
            if ($key !== '') {
                array_unshift($path, $key);
            }
        }

        return implode('.', $path);
    }

    public function place(PartTree $tree, Part $part): ?string
    {
        return null;
    }
}
