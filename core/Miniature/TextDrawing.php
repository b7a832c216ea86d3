<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

use Closure;
use MistyAttic\Core\Content\Part;

/** A title, and below it what is in the parts: text, headings, tables, pictures. */
final readonly class TextDrawing implements Drawing
{
    public const MARGIN = 18.0;

    /** @param Closure(list<Part>, Sample): list<Block> $blocks */
    public function __construct(private Closure $blocks) {}

    public function draw(Sample $sample, Canvas $canvas): void
    {
        $blocks = ($this->blocks)($sample->parts, $sample);
        $canvas->words(self::MARGIN, 24, 12, Canvas::WIDTH - 2 * self::MARGIN, $sample->title);
        (new Flow($canvas, self::MARGIN, 36, Canvas::WIDTH - 2 * self::MARGIN, Canvas::HEIGHT - 46))->draw(
            self::withoutTitle($blocks, $sample->title),
        );
    }

    /**
     * A heading that says the title once more is left out.
     *
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private static function withoutTitle(array $blocks, string $title): array
    {
        $first = $blocks[0] ?? null;

        return $first?->shape === Shape::Heading && $first->tone === null && trim($first->words) === trim($title)
            ? array_slice($blocks, 1)
            : $blocks;
    }
}
