<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Sample;

/** The blocks of a document, as they are in a miniature. */
final class DocumentDrawing
{
    /** Rows and cells of a table that are shown. */
    private const ROWS = 5;

    private const CELLS = 6;

    /**
     * @param  list<Part>  $parts
     * @return list<Block>
     */
    public static function blocks(array $parts, Sample $sample): array
    {
        $blocks = [];
        foreach ($parts as $at => $part) {
            $tone = $sample->tone($part->id);
            $block = match (DocumentRole::from($part->role)) {
                DocumentRole::Heading => Block::heading($part->richText()->text(), $tone),
                DocumentRole::ListItem => Block::text($part->richText()->text(), $tone, 1 + $part->depth),
                DocumentRole::Quote => Block::text($part->richText()->text(), $tone, 2),
                DocumentRole::Paragraph, DocumentRole::Code => Block::text($part->richText()->text(), $tone),
                DocumentRole::Picture => Block::picture($sample->pictures[$part->string('chunk')] ?? null, $tone),
                DocumentRole::Rule => Block::rule($tone),
                DocumentRole::Table => self::table($parts, $at, $sample),
                DocumentRole::Row, DocumentRole::Cell => null,
            };
            $block === null || $blocks[] = $block;
        }

        return $blocks;
    }

    /** @param list<Part> $parts */
    private static function table(array $parts, int $at, Sample $sample): Block
    {
        $cells = [];
        $tone = $sample->tone($parts[$at]->id);
        for ($below = $at + 1; isset($parts[$below]) && $parts[$below]->depth > $parts[$at]->depth; $below++) {
            $part = $parts[$below];
            $tone ??= $sample->tone($part->id);
            if ($part->role === DocumentRole::Row->value) {
                $cells[] = [];
            } elseif ($cells !== []) {
                $cells[count($cells) - 1][] = mb_strlen($part->richText()->text());
            }
        }

        return Block::table(array_map(fn (array $row) => array_slice($row, 0, self::CELLS), array_slice($cells, 0, self::ROWS)), $tone);
    }
}
