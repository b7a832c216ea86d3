<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;

/**
 * A file as it is: a text with its lines, so that two people’s changes to it come together; anything else with the chunk that lists its pieces, which is
 * replaced as one.
 */
final class FileKind extends SchemaKind
{
    public function name(): string
    {
        return 'file';
    }

    public function roles(): string
    {
        return FileRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, FileRole::Bytes->value, 0, ['name' => '', 'media' => 'text/plain', 'mark' => false])]);
    }

    public function noun(Part $part): string
    {
        return match ($part->role) {
            FileRole::Bytes->value => 'file',
            FileRole::Page->value => 'file_page',
            default => $part->role,
        };
    }

    /** Lines stand in their file, which needs no name for that. */
    public function place(PartTree $tree, Part $part): ?string
    {
        $parent = $tree->parent($part->id);

        return $parent !== PartTree::ROOT && $tree->get($parent)->role === FileRole::Page->value ? $parent : null;
    }

    /** A file is one: what a merge of two left beside it goes. A line that others stand behind has an end. */
    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree
    {
        $parts = [];
        foreach ($tree->parts as $part) {
            if ($part->depth === 0 && $parts !== []) {
                break;
            }
            $last = count($parts) - 1;
            if ($part->role === FileRole::Line->value && $last >= 0 && $parts[$last]->role === FileRole::Line->value && $parts[$last]->string('end') === '') {
                $parts[$last] = $parts[$last]->with('end', $last > 0 && $parts[$last - 1]->string('end') !== '' ? $parts[$last - 1]->string('end') : 'lf');
            }
            $parts[] = $part;
        }

        return $parts === $tree->parts ? $tree : PartTree::of(array_values($parts));
    }
}
