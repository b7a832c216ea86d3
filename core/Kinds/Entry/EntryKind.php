<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;

/** One filled-in form: an answer for each question. */
final class EntryKind extends SchemaKind
{
    public function name(): string
    {
        return 'entry';
    }

    public function roles(): string
    {
        return EntryRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([]);
    }

    /** What it was asked is found in its form. */
    public function texts(Part $part): array
    {
        return array_diff_key(parent::texts($part), ['label' => 1]);
    }
}
