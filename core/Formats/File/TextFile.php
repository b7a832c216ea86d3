<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\File;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\LineReader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\File\FileRole;

/** A file that is a text, as its lines and back to the byte. */
final class TextFile
{
    /** Bytes up to which a text is kept in lines. */
    public const MOST = 1_048_576;

    private const MOST_LINES = 20_000;

    /** Characters of a line: longer ones are a program's, and of no use as lines. */
    private const LONGEST = 20_000;

    /** @return PartTree|null null when it is no text, or one that is better kept as it is */
    public static function tree(string $name, string $media, string $bytes): ?PartTree
    {
        if (strlen($bytes) > self::MOST) {
            return null;
        }
        try {
            $encoding = Encoding::of($bytes, Encoding::declared($bytes))
            ?? new Encoding(Encoding::possible($bytes)[0] ?? Encoding::kept($bytes)->name);
            $text = $encoding->text($bytes);
            $lines = (new LineReader)->read($text, new FormatLimits(parts: self::MOST_LINES))->tree;
        } catch (Unreadable) {
            return null;
        }
        $tree = PartTree::of([
            new Part('file', FileRole::Bytes->value, 0, [
                'name' => $name,
                'media' => $media,
                'encoding' => $encoding->name,
                'mark' => $encoding->mark !== '',
            ]),
            ...array_slice($lines->parts, 1),
        ]);
        $isLong = array_filter($tree->parts, fn (Part $part) => strlen($part->richText()->text()) > self::LONGEST) !== [];

        // What does not come out again as it went in is kept as it is.
        return ! $isLong && self::bytes($tree) === $bytes ? $tree : null;
    }

    public static function bytes(PartTree $tree): string
    {
        $file = $tree->parts[0] ?? new Part('file', FileRole::Bytes->value, 0, []);
        $text = implode(
            '',
            array_map(
                fn (Part $part): string => $part->role !== FileRole::Line->value
                    ? ''
                    : $part->richText()->text()
                        .match ($part->string('end')) {
                            'lf' => "\n",
                            'crlf' => "\r\n",
                            'cr' => "\r",
                            default => '',
                        },
                $tree->parts,
            ),
        );

        return Encoding::named(
            $file->string('encoding') === '' ? Encoding::UTF8 : $file->string('encoding'),
            ($file->fields['mark'] ?? false) === true,
        )->bytes($text);
    }
}
