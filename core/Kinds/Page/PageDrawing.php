<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Page;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Flow;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\Tone;

/** A page by its layout: sections below each other, columns beside each other, blocks in them. */
final class PageDrawing implements Drawing
{
    private const SECTIONS = 8;

    private const MARGIN = 14.0;

    private const WIDTH = Canvas::WIDTH - 2 * self::MARGIN;

    public function draw(Sample $sample, Canvas $canvas): void
    {
        $sections = Sample::thinned(Sample::groups($sample->parts, PageRole::Section->value), self::SECTIONS, $sample->isAnyChanged(...));
        $tall = array_map(fn (array $section) => $this->lines($section, $sample, $canvas), $sections);
        $pitch = max(2.6, min(9.0, (Canvas::HEIGHT - 4) / max(1.0, array_sum($tall))));
        $y = 2.0;
        foreach ($sections as $at => $section) {
            $this->section($section, $sample, $canvas, $y, $tall[$at] * $pitch, $pitch);
            $y += $tall[$at] * $pitch;
        }
    }

    /** @param non-empty-list<Part> $section */
    private function section(array $section, Sample $sample, Canvas $canvas, float $y, float $height, float $pitch): void
    {
        [$background, $title, $tone] = [$section[0]->string('background'), $section[0]->string('title'), $sample->tone($section[0]->id)];
        $background === 'plain' || $canvas->bar(0, $y, Canvas::WIDTH, $height, $background === 'deep' ? Tone::EDGE : Tone::GROUND);
        $tone === null || $canvas->bar(0, $y, 3, $height, $tone);
        $canvas->words(self::MARGIN, $y + 1.7 * $pitch, max(6.0, min(10.0, 1.2 * $pitch)), self::WIDTH, $title, $tone ?? Tone::HEAD);
        $x = self::MARGIN;
        $columns = Sample::groups($section, PageRole::Column->value);
        foreach (self::widths($columns) as $at => $width) {
            (new Flow($canvas, $x, $y + ($title === '' ? 0.8 : 2.4) * $pitch, $width - 8, $height))->draw(
                self::below($columns[$at], $sample),
                $pitch,
            );
            $x += $width;
        }
    }

    /** @param non-empty-list<Part> $section */
    private function lines(array $section, Sample $sample, Canvas $canvas): float
    {
        $lines = [1.0];
        $columns = Sample::groups($section, PageRole::Column->value);
        foreach (self::widths($columns) as $at => $width) {
            $lines[] = (new Flow($canvas, 0, 0, $width - 8, Canvas::HEIGHT))->lines(self::below($columns[$at], $sample));
        }

        return max($lines) + ($section[0]->string('title') === '' ? 1.4 : 3.0);
    }

    /**
     * @param  list<non-empty-list<Part>>  $columns
     * @return list<float> pixels that each has
     */
    private static function widths(array $columns): array
    {
        $shares = array_map(fn (array $column) => max(1, $column[0]->int('width')), $columns);

        return array_map(fn (int $share) => self::WIDTH * $share / max(12, array_sum($shares)), $shares);
    }

    /**
     * @param  non-empty-list<Part>  $column
     * @return list<Block>
     */
    private static function below(array $column, Sample $sample): array
    {
        return array_merge(...array_map(fn (Part $part) => self::blocks($part, $sample), $column));
    }

    /** @return list<Block> */
    private static function blocks(Part $part, Sample $sample): array
    {
        $tone = $sample->tone($part->id);

        return match (PageRole::from($part->role)) {
            PageRole::Heading => [Block::heading($part->richText()->text(), $tone)],
            PageRole::Text => [Block::text($part->richText()->text(), $tone, $part->string('style') === 'plain' ? 0 : 1)],
            PageRole::CallOut => [Block::text($part->richText()->text(), $tone ?? Tone::ASIDE, 1)],
            PageRole::Picture => [
                Block::picture($sample->pictures[$part->string('chunk')] ?? null, $tone),
                ...$part->string('caption') === '' ? [] : [Block::text($part->string('caption'), $tone)],
            ],
            PageRole::Button => [Block::box($tone ?? Tone::HEAD)],
            PageRole::Links => self::list(
                $part->string('title'),
                array_map(fn (string $label) => [mb_strlen($label)], $part->strings('labels')),
                $tone,
            ),
            PageRole::Hours => self::list(
                $part->string('title'),
                array_map(
                    fn (string $day, int $at) => [mb_strlen($day), mb_strlen($part->strings('times')[$at] ?? '')],
                    $part->strings('days'),
                    array_keys($part->strings('days')),
                ),
                $tone,
            ),
            PageRole::Contact => self::list(
                $part->string('name'),
                array_map(fn (string $line) => [mb_strlen($line)], $part->strings('lines')),
                $tone,
            ),
            PageRole::Divider => [Block::rule($tone)],
            PageRole::Figure => [Block::heading($part->string('label'), $tone), Block::box($tone)],
            PageRole::Section, PageRole::Column => [],
        };
    }

    /**
     * @param  list<list<int>>  $lines
     * @return list<Block>
     */
    private static function list(string $title, array $lines, ?string $tone): array
    {
        return [...($title === '' ? [] : [Block::heading($title, $tone)]), Block::table(array_slice([[0], ...$lines], 0, 8), $tone)];
    }
}
