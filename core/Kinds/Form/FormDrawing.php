<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\Tone;

/** The questions of a form below each other, what they are answered with, and beside them the ways that lead past some. */
final class FormDrawing implements Drawing
{
    private const QUESTIONS = 16;

    private const CHOICES = 6;

    /** Jumps that are drawn. */
    private const WAYS = 6;

    private const MARGIN = 18.0;

    public function draw(Sample $sample, Canvas $canvas): void
    {
        $lines = Sample::groups($sample->parts, FormRole::Page->value, FormRole::Question->value);
        $lines = Sample::thinned(
            $lines,
            self::QUESTIONS,
            fn (array $line) => $sample->isAnyChanged($line) || $line[0]->role === FormRole::Page->value,
        );
        $canvas->words(self::MARGIN, 22, 12, Canvas::WIDTH - 2 * self::MARGIN, $sample->title);
        $pitch = min(26.0, (Canvas::HEIGHT - 40) / max(1, count($lines)));
        $places = $ways = [];
        foreach ($lines as $at => $line) {
            $y = 34 + $at * $pitch;
            $places[$line[0]->id] = $y + $pitch * 0.3;
            // What changed below a question changed the question.
            $tones = array_filter(array_map(fn (Part $part) => $sample->tone($part->id), $line));
            $this->line($canvas, $line, array_shift($tones), $y, $pitch);
            foreach ($line as $part) {
                $part->role === FormRole::Rule->value && $part->string('action') === 'go' && $ways[] = [$line[0]->id, $part];
            }
        }
        foreach (array_slice($ways, 0, self::WAYS) as $at => [$from, $rule]) {
            if (isset($places[$rule->string('target')])) {
                $this->way($canvas, $places[$from], $places[$rule->string('target')], $at, $sample->tone($rule->id) ?? Tone::ASIDE);
            }
        }
    }

    /** @param non-empty-list<Part> $line a page, or a question with what is below it */
    private function line(Canvas $canvas, array $line, ?string $tone, float $y, float $pitch): void
    {
        $part = $line[0];
        $width = Canvas::WIDTH - 2 * self::MARGIN - 40;
        if ($part->role === FormRole::Page->value) {
            $canvas->bar(self::MARGIN, $y + 1, $width, $pitch * 0.7, Tone::GROUND);
            $size = min(9.0, max(4.0, $pitch * 0.5));
            $canvas->words(self::MARGIN + 4, $y + $pitch * 0.55, $size, $width, $part->string('title'), $tone ?? Tone::HEAD);

            return;
        }
        $thick = max(1.2, min(3.4, $pitch * 0.2));
        $canvas->bar(
            self::MARGIN,
            $y + $pitch * 0.1,
            min($width, 8 + mb_strlen($part->richText()->text()) * 3.2),
            $thick,
            $tone ?? Tone::HEAD,
        );
        $choices = array_values(
            array_filter($line, fn (Part $each) => $each->role === FormRole::Choice->value || $each->role === FormRole::Line->value),
        );
        if ($choices === []) {
            $part->string('type') === 'note'
                || $canvas->edge(
                    self::MARGIN,
                    $y + $pitch * 0.42,
                    $part->string('type') === 'long' ? $width * 0.8 : 90,
                    $pitch * 0.42,
                    $tone ?? Tone::LINE,
                );

            return;
        }
        $this->choices($canvas, $choices, $tone ?? Tone::LINE, $y + $pitch * 0.46, $thick);
    }

    /** @param list<Part> $choices beside one another */
    private function choices(Canvas $canvas, array $choices, string $tone, float $y, float $thick): void
    {
        foreach (array_slice($choices, 0, self::CHOICES) as $at => $choice) {
            $x = self::MARGIN + 44 * $at;
            $canvas->edge($x, $y, $thick + 3, $thick + 3, $tone);
            $canvas->bar(
                $x + $thick + 5,
                $y + 1.5,
                min(30.0, 3 + mb_strlen($choice->string('label')) * 2.2),
                $thick,
                $tone,
            );
        }
    }

    /** From a question past others to where its rule leads. */
    private function way(Canvas $canvas, float $from, float $to, int $at, string $tone): void
    {
        $right = Canvas::WIDTH - self::MARGIN - 24 + 5.0 * $at;
        $canvas->bar($right - 8, $from, 8, 1.2, $tone);
        $canvas->bar($right, min($from, $to), 1.2, abs($to - $from) + 1.2, $tone);
        $canvas->bar($right - 8, $to, 8, 1.2, $tone);
        $canvas->bar($right - 9, $to - 1.8, 2, 4.8, $tone);
    }
}
