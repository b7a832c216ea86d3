<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use MistyAttic\Core\Calculate\Data\Figures;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** The figures of a widget as a table for a file: groups down, series across. */
final class FiguresSheet
{
    public static function tree(WidgetView $view, Figures $figures): PartTree
    {
        $parts = [
            new Part('tab', 'tab', 0, ['name' => (string) __('report.figures'), 'frozen' => 1]),
            new Part('ckey', 'column', 1, ['width' => 0, 'format' => '']),
        ];
        foreach (array_keys($figures->series) as $at) {
            $parts[] = new Part("c{$at}", 'column', 1, ['width' => 0, 'format' => '']);
        }
        $names = array_map($view->seriesName(...), array_keys($figures->series));
        $parts[] = new Part('rhead', 'row', 1, [
            'ckey' => $view->widget->by === '' ? $view->title() : $view->name($view->widget->by),
            ...array_combine(array_map(fn (int $at) => "c{$at}", array_keys($names)), $names),
        ]);
        foreach (array_keys($figures->keys) as $at) {
            $cells = ['ckey' => $view->key($at)];
            foreach ($figures->series as $of => $series) {
                $cells["c{$of}"] = $series['values'][$at];
            }
            $parts[] = new Part("r{$at}", 'row', 1, array_filter($cells, fn (mixed $cell) => $cell !== null && $cell !== ''));
        }

        return PartTree::of($parts);
    }
}
