<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\File;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Flow;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\TextDrawing;
use MistyAttic\Core\Miniature\Tone;

/** A picture as it is, a text by its lines, and of any other file its type and how large it is. */
final class FileDrawing implements Drawing
{
    public function draw(Sample $sample, Canvas $canvas): void
    {
        $file = $sample->parts[0] ?? null;
        if ($file === null) {
            return;
        }
        $picture = $sample->pictures[$file->string('chunk')] ?? null;
        if ($picture !== null && $canvas->picture(6, 6, Canvas::WIDTH - 12, Canvas::HEIGHT - 12, ...$picture)) {
            $sample->isChanged($file->id) && $canvas->edge(0, 0, Canvas::WIDTH, Canvas::HEIGHT, (string) $sample->tone($file->id));

            return;
        }
        $lines = array_values(array_filter($sample->parts, fn (Part $part) => $part->role === FileRole::Line->value));
        if ($lines === []) {
            $this->type($file, $sample, $canvas);

            return;
        }
        $canvas->words(
            TextDrawing::MARGIN,
            24,
            12,
            Canvas::WIDTH - 2 * TextDrawing::MARGIN,
            $file->string('name'),
            $sample->tone($file->id) ?? Tone::HEAD,
        );
        (new Flow($canvas, TextDrawing::MARGIN, 36, Canvas::WIDTH - 2 * TextDrawing::MARGIN, Canvas::HEIGHT - 46))->draw(
            array_map(fn (Part $line) => Block::text($line->richText()->text(), $sample->tone($line->id)), $lines),
        );
    }

    private function type(Part $file, Sample $sample, Canvas $canvas): void
    {
        $ending = strtoupper(pathinfo($file->string('name'), PATHINFO_EXTENSION));
        $tone = $sample->tone($file->id);
        $canvas->bar(90, 30, 120, 150, Tone::GROUND);
        $canvas->edge(90, 30, 120, 150, $tone ?? Tone::LINE);
        $canvas->words(102, 112, 26, 100, $ending === '' ? '?' : $ending, $tone ?? Tone::HEAD);
        // A bar tells how large it is: from a kilobyte to a gigabyte, by the logarithm.
        $size = max(1, $file->int('size'));
        $canvas->bar(102, 126, 96 * min(1.0, max(0.04, (log($size, 2) - 10) / 20)), 5, Tone::ASIDE);
        $canvas->words(102, 150, 9, 100, $file->string('name'), Tone::ASIDE);
    }
}
