<?php

declare(strict_types=1);

namespace App\Actions;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Report\Grid;
use MistyAttic\Core\Kinds\Report\Widget;

/** One step of laying out a report: what its state becomes by it. */
final class EditReport
{
    /** Rows and columns of a new widget. */
    private const SIZES = ['figure' => [3, 4], 'text' => [6, 4], 'parts' => [6, 6], 'table' => [6, 8]];

    /** What was added or is to be looked at. */
    public ?string $touched = null;

    /** @param array<string, mixed> $sent checked already, each by its name */
    public function apply(PartTree $tree, string $do, array $sent): ?PartTree
    {
        $part = isset($sent['part']) ? $tree->find((string) $sent['part']) : null;
        if ($do !== 'page-add' && $part === null) {
            return null;
        }
        $this->touched = $part?->id;

        return match ($do) {
            'page-add' => $this->pageAdded($tree, (string) ($sent['title'] ?? '')),
            'page-set' => $part?->role === 'page' ? $this->replaced($tree, $this->page($part, $sent)) : null,
            'page-move' => $part?->role === 'page' ? $this->pageMoved($tree, $part->id, (int) ($sent['by'] ?? 0)) : null,
            'page-remove', 'widget-remove' => $this->without($tree, (string) $part?->id),
            'widget-add' => $part?->role === 'page' && in_array($sent['type'] ?? '', [...Widget::CHARTS, 'text', 'picture'], true) ? $this->widgetAdded($tree, $part, (string) $sent['type'], is_string($sent['source'] ?? null) ? $sent['source'] : '') : null,
            'widget-set' => $part?->role === 'widget' ? $this->replaced($tree, $this->widget($part, $sent)) : null,
            'widget-place' => $part?->role === 'widget' ? $this->settled($tree, $tree->parent($part->id), $this->placed($part, $sent)) : null,
            'widget-copy' => $part?->role === 'widget' ? $this->copied($tree, $part) : null,
            'widget-page' => $part?->role === 'widget' && $tree->find((string) ($sent['page'] ?? ''))?->role === 'page' ? $this->toPage($tree, $part, (string) $sent['page']) : null,
            default => null,
        };
    }

    private function pageAdded(PartTree $tree, string $title): PartTree
    {
        $this->touched = MakeItem::partId();
        $count = count($tree->children()[PartTree::ROOT] ?? []);

        return PartTree::of([...$tree->parts, new Part($this->touched, 'page', 0, ['title' => $title === '' ? (string) __('report.page', ['number' => (string) ($count + 1)]) : $title])]);
    }

    /** @param array<string, mixed> $sent */
    private function page(Part $page, array $sent): Part
    {
        $from = (string) ($sent['from'] ?? '');
        $to = (string) ($sent['to'] ?? '');
        $source = (string) ($sent['source'] ?? '');
        $filters = $source === '' ? [] : self::filters($sent);

        return new Part($page->id, 'page', 0, ['title' => (string) ($sent['title'] ?? ''), ...($filters === [] ? [] : ['source' => $source, 'filters' => $filters]), ...($from !== '' && $to !== '' ? ['period' => min($from, $to).'/'.max($from, $to)] : [])]);
    }

    /** @param array<string, mixed> $sent */
    private function widget(Part $widget, array $sent): Part
    {
        $text = fn (string $name): string => (string) ($sent[$name] ?? '');
        $type = $text('type') === '' ? $widget->string('type') : $text('type');
        $fields = ['type' => $type, 'title' => $text('title'), 'x' => $widget->int('x'), 'y' => $widget->int('y'), 'across' => $widget->int('across'), 'down' => $widget->int('down')];
        if ($type === 'text') {
            $fields['text'] = RichText::plain($text('text'));
        } elseif ($type === 'picture') {
            $chunk = preg_match('/^[0-9a-f]{40}$/D', $text('chunk')) === 1 ? $text('chunk') : $widget->string('chunk');
            $fields += $chunk === '' ? [] : ['chunk' => $chunk, 'alt' => $text('alt')];
        } else {
            $of = $text('measure') === 'count' ? '' : $text('of');
            $fields += array_filter([
                'source' => $text('source'), 'measure' => ($text('measure') === '' ? 'count' : $text('measure')).($of === '' ? '' : ":{$of}"),
                'by' => $text('by').($text('by') !== '' && $text('step') !== '' ? ':'.$text('step') : ''), 'split' => $text('split'),
                'order' => $text('order') === 'value' ? '' : $text('order'), 'format' => $text('digits').($text('behind') === '' ? '' : '|'.$text('behind')),
            ], fn (string $value) => $value !== '');
            $filters = self::filters($sent);
            $fields += $filters === [] ? [] : ['filters' => $filters];
            $fields += is_numeric($sent['most'] ?? null) ? ['most' => (int) $sent['most']] : [];
        }

        return new Part($widget->id, 'widget', 1, $fields);
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return list<string>
     */
    private static function filters(array $sent): array
    {
        $filters = [];
        foreach (is_array($sent['filters'] ?? null) ? $sent['filters'] : [] as $filter) {
            if (is_array($filter) && ($filter['field'] ?? '') !== '' && in_array($filter['way'] ?? '', Widget::FILTERS, true)) {
                $filters[] = mb_substr("{$filter['field']}|{$filter['way']}|".str_replace('|', ' ', (string) ($filter['value'] ?? '')), 0, 200);
            }
        }

        return $filters;
    }

    /** @param array<string, mixed> $sent */
    private function placed(Part $widget, array $sent): Part
    {
        foreach (['x', 'y', 'across', 'down'] as $name) {
            $widget = isset($sent[$name]) ? $widget->with($name, (int) $sent[$name]) : $widget;
        }

        return $widget;
    }

    private function widgetAdded(PartTree $tree, Part $page, string $type, string $source): PartTree
    {
        [$across, $down] = self::SIZES[$type] ?? [6, 7];
        $this->touched = MakeItem::partId();
        $chart = in_array($type, Widget::CHARTS, true);
        [$x, $y] = Grid::free($this->on($tree, $page->id), $across, $down);
        $widget = new Part($this->touched, 'widget', 1, ['type' => $type, 'title' => '', ...($chart ? ['measure' => 'count'] : []), ...($chart && $source !== '' ? ['source' => $source] : []), ...($type === 'text' ? ['text' => RichText::plain('')] : []), 'x' => $x, 'y' => $y, 'across' => $across, 'down' => $down]);

        return $this->inserted($tree, $page->id, $widget);
    }

    private function copied(PartTree $tree, Part $widget): PartTree
    {
        $page = $tree->parent($widget->id);
        $this->touched = MakeItem::partId();
        [$x, $y] = Grid::free($this->on($tree, $page), $widget->int('across'), $widget->int('down'));
        $copy = new Part($this->touched, 'widget', 1, [...$widget->fields, 'x' => $x, 'y' => $y]);

        return $this->inserted($tree, $page, $copy);
    }

    private function toPage(PartTree $tree, Part $widget, string $page): PartTree
    {
        [$x, $y] = Grid::free($this->on($tree, $page), $widget->int('across'), $widget->int('down'));
        $moved = $widget->with('x', $x)->with('y', $y);

        return $tree->parent($widget->id) === $page ? $tree : $this->inserted($this->without($tree, $widget->id), $page, $moved);
    }

    private function settled(PartTree $tree, string $page, Part $placed): PartTree
    {
        $widgets = array_map(fn (Part $widget) => $widget->id === $placed->id ? $placed : $widget, $this->on($tree, $page));
        $settled = array_column(array_map(fn (Part $widget) => [$widget->id, $widget], Grid::settled($widgets, $placed->id)), 1, 0);

        return PartTree::of(array_map(fn (Part $part) => $settled[$part->id] ?? $part, $tree->parts));
    }

    private function inserted(PartTree $tree, string $page, Part $widget): PartTree
    {
        $end = (int) $tree->position($page) + count($tree->subtree($page));

        return PartTree::of([...array_slice($tree->parts, 0, $end), $widget, ...array_slice($tree->parts, $end)]);
    }

    private function pageMoved(PartTree $tree, string $page, int $by): PartTree
    {
        $pages = $tree->children()[PartTree::ROOT] ?? [];
        $at = (int) array_search($page, $pages, true);
        $to = max(0, min(count($pages) - 1, $at + $by));
        array_splice($pages, $at, 1);
        array_splice($pages, $to, 0, [$page]);

        return PartTree::of(array_merge(...array_map($tree->subtree(...), $pages)));
    }

    private function without(PartTree $tree, string $part): PartTree
    {
        $gone = array_flip(array_column($tree->subtree($part), 'id'));

        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $other) => ! isset($gone[$other->id]))));
    }

    private function replaced(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $other) => $other->id === $part->id ? $part : $other, $tree->parts));
    }

    /** @return list<Part> */
    private function on(PartTree $tree, string $page): array
    {
        return array_map($tree->get(...), $tree->children()[$page] ?? []);
    }
}
