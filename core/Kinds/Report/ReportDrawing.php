<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Block;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\Flow;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\Tone;

/** The widgets of a page of a report in their places, with the figures that they show. */
final class ReportDrawing implements Drawing
{
    /** Columns of the grid, and rows that a miniature has room for at the least. */
    private const COLUMNS = 12;

    private const ROWS = 14;

    private const WIDGETS = 16;

    /** Bars of a chart that are shown. */
    private const BARS = 14;

    public function draw(Sample $sample, Canvas $canvas): void
    {
        $widgets = Sample::thinned(
            array_slice($sample->chosen(Sample::groups($sample->parts, ReportRole::Page->value)), 1),
            self::WIDGETS,
            fn (Part $widget) => $sample->isChanged($widget->id),
        );
        $rows = max([self::ROWS, ...array_map(fn (Part $widget) => $widget->int('y') + $widget->int('down'), $widgets)]);
        [$across, $down] = [Canvas::WIDTH / self::COLUMNS, min(15.0, Canvas::HEIGHT / $rows)];
        $canvas->bar(0, 0, Canvas::WIDTH, Canvas::HEIGHT, Tone::GROUND);
        foreach ($widgets as $widget) {
            $this->widget(
                $canvas,
                $sample,
                $widget,
                $widget->int('x') * $across + 3,
                $widget->int('y') * $down + 3,
                $widget->int('across') * $across - 6,
                $widget->int('down') * $down - 6,
            );
        }
    }

    private function widget(Canvas $canvas, Sample $sample, Part $widget, float $x, float $y, float $width, float $height): void
    {
        $tone = $sample->tone($widget->id);
        $canvas->edge($x, $y, $width, $height, $tone ?? Tone::EDGE);
        $size = max(4.0, min(8.0, $height * 0.2));
        $canvas->words($x + 4, $y + 3 + $size, $size, $width - 8, $widget->string('title'), $tone ?? Tone::HEAD);
        [$x, $y, $width, $height] = [$x + 5, $y + $size + 7, $width - 10, $height - $size - 11];
        $figures = $sample->figures[$widget->id] ?? ['values' => [], 'said' => ''];
        match ($widget->string('type')) {
            'figure' => $canvas->words($x, $y + min(16.0, $height), min(16.0, $height), $width, $figures['said'], $tone ?? Tone::HEAD),
            'text' => (new Flow($canvas, $x, $y, $width, $height))->draw([Block::text($widget->richText()->text(), $tone)]),
            'picture' => $this->picture($canvas, $sample, $widget, $x, $y, $width, $height),
            'table' => $this->table($canvas, $figures['values'], $x, $y, $width, $height, $tone),
            'parts' => $this->parts($canvas, $figures['values'], $x, $y, $width, $height),
            default => $this->chart($canvas, $figures['values'], $widget->string('type'), $x, $y, $width, $height, $tone),
        };
    }

    /**
     * Bars that stand up, or points at their height.
     *
     * @param  list<int|float|null>  $values
     */
    private function chart(
        Canvas $canvas,
        array $values,
        string $type,
        float $x,
        float $y,
        float $width,
        float $height,
        ?string $tone,
    ): void {
        $values = array_map(fn (int|float|null $value) => max(0, (float) $value), Sample::thinned($values, self::BARS, fn () => false));
        $most = max([0.0, ...$values]);
        $canvas->bar($x, $y + $height - 1, $width, 1, Tone::LINE);
        foreach ($most > 0 ? $values : [] as $at => $value) {
            $step = $width / max(1, count($values));
            $tall = $value / $most * max(0.0, $height - 2);
            $isPoint = in_array($type, ['lines', 'dots'], true);
            $canvas->bar(
                $x + $at * $step,
                $y + $height - 1 - $tall,
                $isPoint ? $step : $step * 0.72,
                $isPoint ? 1.6 : $tall,
                $tone ?? 's1',
            );
        }
    }

    /** @param list<int|float|null> $values */
    private function parts(Canvas $canvas, array $values, float $x, float $y, float $width, float $height): void
    {
        $values = array_map(fn (int|float|null $value) => max(0, (float) $value), array_slice($values, 0, self::BARS));
        $whole = array_sum($values);
        foreach ($whole > 0 ? $values : [] as $at => $value) {
            $canvas->bar($x, $y, $value / $whole * $width - 1, min(14.0, $height), 's'.(1 + $at % 4));
            $x += $value / $whole * $width;
        }
    }

    /** @param list<int|float|null> $values */
    private function table(Canvas $canvas, array $values, float $x, float $y, float $width, float $height, ?string $tone): void
    {
        $rows = min(count($values), (int) ($height / 6));
        for ($row = 0; $row < $rows; $row++) {
            $canvas->bar($x, $y + $row * 6, $width * 0.5, 2, $tone ?? Tone::LINE);
            $canvas->bar($x + $width * 0.8, $y + $row * 6, $width * 0.2, 2, $tone ?? Tone::LINE);
        }
    }

    private function picture(Canvas $canvas, Sample $sample, Part $widget, float $x, float $y, float $width, float $height): void
    {
        $picture = $sample->pictures[$widget->string('chunk')] ?? null;
        if ($picture === null || ! $canvas->picture($x, $y, $width, $height, ...$picture)) {
            $canvas->bar($x, $y, $width, $height, Tone::EDGE);
        }
    }
}
