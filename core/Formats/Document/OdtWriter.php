<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Document;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Writer;
use MistyAttic\Core\Kinds\Document\DocumentRole;
use MistyAttic\Core\Kinds\Numbering;

/** A document as a text document by OASIS ODF 1.3, part 3. */
final class OdtWriter implements Writer
{
    public function mediaType(): string
    {
        return OdtPackage::MEDIA_TYPE;
    }

    public function write(string $title, PartTree $tree, \Closure $picture): string
    {
        $package = new OdtPackage;
        $numbers = Numbering::of($tree);
        $xml = '';
        foreach ($tree->parts as $at => $part) {
            [$open, $close] = OdtPackage::around($part, $tree->parts[$at - 1] ?? null, $numbers[$part->id] ?? null);
            $xml .= match (DocumentRole::from($part->role)) {
                DocumentRole::Row, DocumentRole::Cell => '',
                DocumentRole::Table => OdtPackage::table(
                    self::rows($tree, $part->id, fn (string $cell): string => $package->inline($tree->get($cell)->richText())),
                ),
                DocumentRole::Picture => $package->picture($part, $picture),
                DocumentRole::Rule => $open.$close,
                default => $open.OdtPackage::box($part).$package->inline($part->richText()).$close,
            };
        }

        return $package->bytes($title, $xml);
    }

    /**
     * @param  \Closure(string): string  $cell  what is in one, by its id
     * @return list<array{bool, list<string>}> whether each row is a heading, and what is in its cells
     */
    public static function rows(PartTree $tree, string $table, \Closure $cell): array
    {
        return array_map(function (string $row) use ($tree, $cell): array {
            $cells = $tree->children()[$row] ?? [];

            return [
                $cells !== [] && array_filter($cells, fn (string $id) => ($tree->get($id)->fields['head'] ?? false) !== true) === [],
                array_map($cell, $cells),
            ];
        }, $tree->children()[$table] ?? []);
    }
}
