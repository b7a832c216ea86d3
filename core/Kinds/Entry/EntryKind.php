<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\TextDrawing;

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

    public function drawing(): Drawing
    {
        return new TextDrawing(fn (array $parts, Sample $sample): array => array_merge(...array_map(fn (Part $part): array => [
            Block::heading($part->string('label'), $sample->tone($part->id)),
            ...$this->seenFromAfar($part, $sample),
        ], $parts), ...[[]]));
    }
}
