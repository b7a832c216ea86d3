<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Reading;

final class DocumentKind implements Kind
{
    private const LABEL_LENGTH = 48;

    public function name(): string
    {
        return 'document';
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, DocumentRole::Paragraph->value, 0, ['text' => new RichText])]);
    }

    public function read(mixed $content, Limits $limits): Reading
    {
        return DocumentReader::read($content, $limits);
    }

    public function repair(PartTree $tree): PartTree
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

        return self::short($text);
    }

    public function place(PartTree $tree, Part $part): ?string
    {
        return $this->placePart($tree, $part)?->id;
    }

    public function noun(Part $part): string
    {
        return $part->role === DocumentRole::ListItem->value && $part->string('style') === 'task' ? 'task' : $part->role;
    }

    /** @return list<string> */
    public function chunksOf(Part $part): array
    {
        return $part->role === DocumentRole::Picture->value ? [$part->string('chunk')] : [];
    }

    private function placePart(PartTree $tree, Part $part): ?Part
    {
        if ($part->role === DocumentRole::Heading->value) {
            return null;
        }
        for ($at = ($tree->position($part->id) ?? 0) - 1; $at >= 0; $at--) {
            if ($tree->parts[$at]->role === DocumentRole::Heading->value) {
                return $tree->parts[$at];
            }
        }

        return null;
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

    /** The first sentence or so, cut at a word. */
    private static function short(string $text): string
    {
        $text = trim((string) preg_replace('/\s+/u', ' ', $text));
        if (preg_match('/^.{3,48}?[.!?:](?=\s)/u', $text, $sentence) === 1) {
            return rtrim($sentence[0], '.:');
        }
        if (mb_strlen($text) <= self::LABEL_LENGTH) {
            return rtrim($text, '.:');
        }
        $cut = mb_substr($text, 0, self::LABEL_LENGTH);
        $space = mb_strrpos($cut, ' ');

        return ($space !== false && $space > 20 ? mb_substr($cut, 0, $space) : $cut).'…';
    }
}
