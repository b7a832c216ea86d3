<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\TextDrawing;

final class DocumentKind extends SchemaKind
{
    public function name(): string
    {
        return 'document';
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, DocumentRole::Paragraph->value, 0, ['text' => new RichText])]);
    }

    public function roles(): string
    {
        return DocumentRole::class;
    }

    public function repair(PartTree $tree, ?PartTree $sound = null): PartTree
    {
        return DocumentRepair::of($tree);
    }

    public function label(PartTree $tree, Part $part): string
    {
        $text = match (DocumentRole::tryFrom($part->role)) {
            DocumentRole::Picture => $part->string('alt'),
            DocumentRole::Table => ($this->placePart($tree, $part)?->richText() ?? self::firstText($tree, $part))->text(),
            DocumentRole::Row => self::firstText($tree, $part)->text(),
            default => $part->richText()->text(),
        };

        return Label::of($text);
    }

    public function place(PartTree $tree, Part $part): ?string
    {
        return $this->placePart($tree, $part)?->id;
    }

    public function noun(Part $part): string
    {
        return $part->role === DocumentRole::ListItem->value && $part->string('style') === 'task' ? 'task' : $part->role;
    }

    private function placePart(PartTree $tree, Part $part): ?Part
    {
        return $part->role === DocumentRole::Heading->value || ! $tree->has($part->id)
            ? null
            : $tree->lastBefore($part->id, DocumentRole::Heading->value);
    }

    private static function firstText(PartTree $tree, Part $part): RichText
    {
        if (! $tree->has($part->id)) {
            return new RichText;
        }
        foreach ($tree->subtree($part->id) as $inner) {
            if (! $inner->richText()->isEmpty()) {
                return $inner->richText();
            }
        }

        return new RichText;
    }

    public function drawing(): Drawing
    {
        return new TextDrawing(DocumentDrawing::blocks(...));
    }

    public function remark(string $id, RichText $text): Part
    {
        return new Part($id, DocumentRole::Quote->value, 0, ['text' => $text]);
    }
}
