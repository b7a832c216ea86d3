<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** A report as it is read: its pages with their widgets, each in its place. */
final class ReportView
{
    /** @var list<array{page: Part, widgets: list<WidgetView>}> */
    public array $pages = [];

    /** @var array<string, Mending> by widget, of those that show nothing: see {@see mending} */
    public array $mendings = [];

    public function __construct(public readonly PartTree $tree, public readonly ReportData $data, ?string $only = null)
    {
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $id) {
            $page = $tree->get($id);
            $widgets = $only !== null && $only !== $id ? [] : array_map($tree->get(...), $tree->children()[$id] ?? []);
            usort($widgets, fn (Part $one, Part $two) => $one->int('y') <=> $two->int('y') ?: $one->int('x') <=> $two->int('x'));
            $this->pages[] = ['page' => $page, 'widgets' => array_map(fn (Part $widget) => new WidgetView($widget, $page, $data), $widgets)];
        }
    }

    /**
     * With what is wrong with its widgets, for a page that shows them.
     *
     * @param  Closure(WidgetView): Mending  $mending
     */
    public function mending(Closure $mending): self
    {
        $this->mendings = array_map($mending, array_filter($this->widgets(), fn (WidgetView $widget): bool => $widget->broken !== null));

        return $this;
    }

    /** @return string|null the page that is open: the one that is asked for, or the first */
    public function open(string $asked): ?string
    {
        $ids = array_map(fn (array $page): string => $page['page']->id, $this->pages);

        return in_array($asked, $ids, true) ? $asked : $ids[0] ?? null;
    }

    /** @return array<string, WidgetView> by id */
    public function widgets(): array
    {
        $widgets = [];
        foreach ($this->pages as $page) {
            foreach ($page['widgets'] as $widget) {
                $widgets[$widget->part->id] = $widget;
            }
        }

        return $widgets;
    }

    /** @return array<string, int> the datasets that it is drawn from, each with the version */
    public function sources(): array
    {
        $sources = [];
        foreach ($this->widgets() as $widget) {
            if ($widget->version !== null) {
                $sources[$widget->widget->source] = $widget->version->number;
            }
        }

        return $sources;
    }
}
