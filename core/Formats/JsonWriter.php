<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** An item of any kind as JSON, one part a line; {@see JsonReader} reads it back. */
final class JsonWriter
{
    public function write(Kind $kind, PartTree $tree): string
    {
        $parts = array_map(fn (Part $part) => "    {$part->record()}", $tree->parts);

        return '{"kind": '.json_encode($kind->name()).", \"parts\": [\n".implode(",\n", $parts)."\n]}\n";
    }
}
