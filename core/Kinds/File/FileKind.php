<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;

/**
 * A file as it is: a text with its lines, so that two people’s changes to it come together; anything else with the chunk that lists its
 * pieces, which is replaced as one.
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

    public function read(mixed $content, Limits $limits): Reading
    {
        $reading = parent::read($content, $limits);

        return $reading->tree === null || self::isOne($reading->tree) ? $reading : Reading::problems([self::several()]);
    }

    public function problems(PartTree $tree, Limits $limits): array
    {
        return [...parent::problems($tree, $limits), ...(self::isOne($tree) ? [] : [self::several()])];
    }

    /** A file is one. */
    private static function isOne(PartTree $tree): bool
    {
        return count(array_filter($tree->parts, fn (Part $part) => $part->depth === 0)) === 1;
    }

    private static function several(): Problem
    {
        return new Problem('misplaced', 'parts', ['role' => FileRole::Bytes->value]);
    }

    public function noun(Part $part): string
    {
        return match ($part->role) {
            FileRole::Bytes->value => 'file',
            FileRole::Page->value => 'file_page',
            default => $part->role,
        };
    }

    /** Lines are in their file, which needs no name for that. */
    public function place(PartTree $tree, Part $part): ?string
    {
        $parent = $tree->parent($part->id);

        return $parent !== PartTree::ROOT && $tree->get($parent)->role === FileRole::Page->value ? $parent : null;
    }

    /**
     * A line that others are behind has an end. A file is one: what a merge left beside it goes, and where picked changes left none, it is
     * empty.
     */
    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree
    {
        if ($tree->parts === []) {
            return $this->blank('file');
        }
        $parts = [];
        foreach ($tree->parts as $part) {
            if ($part->depth === 0 && $parts !== []) {
                break;
            }
            $last = count($parts) - 1;
            if (
                $part->role === FileRole::Line->value
                && $last >= 0
                && $parts[$last]->role === FileRole::Line->value
                && $parts[$last]->string('end') === ''
            ) {
                $parts[$last] = $parts[$last]->with(
                    'end',
                    $last > 0 && $parts[$last - 1]->string('end') !== '' ? $parts[$last - 1]->string('end') : 'lf',
                );
            }
            $parts[] = $part;
        }

        return $parts === $tree->parts ? $tree : PartTree::of(array_values($parts));
    }

    public function drawing(): Drawing
    {
        return new FileDrawing;
    }
}
