<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Content\Part;

/** Where widgets are on a page of twelve columns: one that is put where another is pushes that down. */
final class WidgetGrid
{
    public const COLUMNS = 12;

    public const ROWS = 500;

    /**
     * The widgets of a page with one of them first in its place, and none over another.
     *
     * @param  list<Part>  $widgets
     * @return list<Part> in the order that they came in
     */
    public static function settled(array $widgets, string $first): array
    {
        $placed = [];
        $order = $widgets;
        usort(
            $order,
            fn (Part $one, Part $two) => ($two->id === $first) <=> ($one->id === $first)
            ?: $one->int('y') <=> $two->int('y')
            ?: $one->int('x') <=> $two->int('x'),
        );
        foreach ($order as $widget) {
            $widget = self::within($widget);
            do {
                $over = null;
                foreach ($placed as $other) {
                    if (self::overlap($widget, $other)) {
                        $over = $other;
                        $widget = $widget->with('y', $other->int('y') + $other->int('down'));
                    }
                }
            } while ($over !== null);
            $placed[$widget->id] = $widget;
        }

        return array_map(fn (Part $widget) => $placed[$widget->id], $widgets);
    }

    public static function overlap(Part $one, Part $two): bool
    {
        return $one->int('x') < $two->int('x') + $two->int('across') && $two->int('x') < $one->int('x') + $one->int('across')
            && $one->int('y') < $two->int('y') + $two->int('down') && $two->int('y') < $one->int('y') + $one->int('down');
    }

    /**
     * The first place from the top, then from the left, where a widget of a size is over no other.
     *
     * @param  list<Part>  $widgets
     * @return array{int, int} column and row
     */
    public static function free(array $widgets, int $across, int $down): array
    {
        $below = self::below($widgets);
        for ($y = 0; $y < $below; $y++) {
            for ($x = 0; $x <= self::COLUMNS - $across; $x++) {
                $wanted = new Part('wanted', 'widget', 1, ['x' => $x, 'y' => $y, 'across' => $across, 'down' => $down]);
                if (array_filter($widgets, fn (Part $widget) => self::overlap($widget, $wanted)) === []) {
                    return [$x, $y];
                }
            }
        }

        return [0, $below];
    }

    /**
     * The first free row below all.
     *
     * @param  list<Part>  $widgets
     */
    public static function below(array $widgets): int
    {
        return max([0, ...array_map(fn (Part $widget) => $widget->int('y') + $widget->int('down'), $widgets)]);
    }

    private static function within(Part $widget): Part
    {
        $across = max(1, min(self::COLUMNS, $widget->int('across')));

        return $widget
            ->with('across', $across)
            ->with('x', max(0, min(self::COLUMNS - $across, $widget->int('x'))))
            ->with('y', max(0, min(self::ROWS, $widget->int('y'))))
            ->with('down', max(1, min(40, $widget->int('down'))));
    }
}
