<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;

/** A file as it is, with its lines if it is a text. */
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
        return PartTree::of([new Part($firstId, FileRole::Bytes->value, 0, ['name' => '', 'media' => 'application/octet-stream', 'size' => 0])]);
    }
}
