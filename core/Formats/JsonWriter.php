<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** An item of any kind as JSON, one part a line; {@see JsonReader} reads it back, {@see ItemSchema} says what it is. */
final class JsonWriter
{
    /**
     * @param  array<string, string>  $pictures  address in hexadecimal => bytes
     * @param  list<SaidInFile>  $said
     * @param  list<TrackedTree>  $proposed
     */
    public function write(Kind $kind, PartTree $tree, array $pictures = [], array $said = [], array $proposed = []): string
    {
        $parts = array_map(fn (Part $part) => "    {$part->record()}", $tree->parts);
        $kept = array_map(
            fn (string $chunk, string $bytes) => "    \"{$chunk}\": \"".base64_encode($bytes).'"',
            array_keys($pictures),
            $pictures,
        );

        return '{"kind": '
            .json_encode($kind->name())
            .", \"parts\": [\n"
            .implode(",\n", $parts)
            ."\n]"
            .($kept === [] ? '' : ", \"pictures\": {\n".implode(",\n", $kept)."\n}")
            .self::lines('talk', SaidAsJson::talk($said))
            .self::lines('proposals', SaidAsJson::proposals($proposed))
            ."}\n";
    }

    /** @param list<string> $lines */
    private static function lines(string $name, array $lines): string
    {
        return $lines === [] ? '' : ", \"{$name}\": [\n    ".implode(",\n    ", $lines)."\n]";
    }
}
