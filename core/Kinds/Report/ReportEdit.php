<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** A step of laying out a report: what its state becomes by it, and which part it was about. */
final readonly class ReportEdit
{
    /** Columns and rows of a new widget, by its type. */
    private const SIZES = ['figure' => [3, 4], 'text' => [6, 4], 'parts' => [6, 6], 'table' => [6, 8]];

    private function __construct(public PartTree $tree, public ?string $touched) {}

    /**
     * @param  array<string, mixed>  $sent  texts and whole numbers by their names, as the step asks for them; `part` says which page or
     *     widget
     * @param  string  $newId  of the part that comes, if one does
     * @return self|null null when there is no such part, or none that the step can be done to
     */
    public static function of(PartTree $tree, ReportStep $step, array $sent, string $newId): ?self
    {
        $part = isset($sent['part']) ? $tree->find(self::text($sent, 'part')) : null;
        $page = $part?->role === ReportRole::Page->value ? $part : null;
        $widget = $part?->role === ReportRole::Widget->value ? $part : null;
        $after = match ($step) {
            ReportStep::AddPage => PartTree::of([
                ...$tree->parts,
                new Part($newId, ReportRole::Page->value, 0, ['title' => self::text($sent, 'title')]),
            ]),
            ReportStep::SetPage => $page === null ? null : self::replaced($tree, self::page($page, $sent)),
            ReportStep::MovePage => $page === null ? null : self::pageMoved($tree, $page->id, self::number($sent, 'by')),
            ReportStep::RemovePage => $page === null ? null : self::without($tree, $page->id),
            ReportStep::AddWidget => $page !== null && in_array($sent['type'] ?? '', Widget::TYPES, true)
                ? self::widgetAdded(
                    $tree,
                    $page,
                    $newId,
                    self::text($sent, 'type'),
                    is_string($sent['source'] ?? null) ? $sent['source'] : '',
                )
                : null,
            ReportStep::SetWidget => $widget === null ? null : self::replaced($tree, self::widget($widget, $sent)),
            ReportStep::PlaceWidget => $widget === null
                ? null
                : self::settled($tree, $tree->parent($widget->id), self::placed($widget, $sent)),
            ReportStep::CopyWidget => $widget === null ? null : self::copied($tree, $widget, $newId),
            ReportStep::ToPage => $widget !== null && $tree->find(self::text($sent, 'page'))?->role === ReportRole::Page->value
                ? self::toPage($tree, $widget, self::text($sent, 'page'))
                : null,
            ReportStep::RemoveWidget => $widget === null ? null : self::without($tree, $widget->id),
        };

        return $after === null
            ? null
            : new self(
                $after,
                in_array($step, [ReportStep::AddPage, ReportStep::AddWidget, ReportStep::CopyWidget], true) ? $newId : $part?->id,
            );
    }

    /** @param array<mixed> $sent */
    private static function text(array $sent, string $name): string
    {
        return is_scalar($sent[$name] ?? null) ? (string) $sent[$name] : '';
    }

    /** @param array<mixed> $sent */
    private static function number(array $sent, string $name): int
    {
        return is_scalar($sent[$name] ?? null) ? (int) $sent[$name] : 0;
    }

    /** @param array<string, mixed> $sent */
    private static function page(Part $page, array $sent): Part
    {
        $from = self::text($sent, 'from');
        $to = self::text($sent, 'to');
        [$from, $to] = $from !== '' && $to !== '' && $to < $from ? [$to, $from] : [$from, $to];
        $source = self::text($sent, 'source');
        $filters = self::keeps($page, $sent) ? $page->strings('filters') : ($source === '' ? [] : self::filters($sent));

        return new Part($page->id, 'page', 0, [
            'title' => self::text($sent, 'title'),
            ...$filters === [] ? [] : ['source' => $source, 'filters' => $filters],
            ...$from === '' && $to === '' ? [] : ['period' => "{$from}/{$to}"],
        ]);
    }

    /** @param array<string, mixed> $sent */
    private static function widget(Part $widget, array $sent): Part
    {
        $text = fn (string $name): string => self::text($sent, $name);
        $type = in_array($text('type'), Widget::TYPES, true) ? $text('type') : $widget->string('type');
        $fields = [
            'type' => $type,
            'title' => $text('title'),
            'x' => $widget->int('x'),
            'y' => $widget->int('y'),
            'across' => $widget->int('across'),
            'down' => $widget->int('down'),
        ];
        if ($type === 'text') {
            $fields['text'] = RichText::plain($text('text'));
        } elseif ($type === 'picture') {
            $chunk = preg_match('/^[0-9a-f]{40}$/D', $text('chunk')) === 1 ? $text('chunk') : $widget->string('chunk');
            $fields += $chunk === '' ? [] : ['chunk' => $chunk, 'alt' => $text('alt')];
        } elseif (self::keeps($widget, $sent)) {
            $fields += array_diff_key($widget->fields, $fields, ['text' => true, 'chunk' => true, 'alt' => true]);
        } else {
            $of = $text('measure') === 'count' ? '' : $text('of');
            $fields += array_filter(
                [
                    'source' => $text('source'),
                    'measure' => ($text('measure') === '' ? 'count' : $text('measure')).($of === '' ? '' : ":{$of}"),
                    'by' => $text('by').($text('by') !== '' && $text('step') !== '' ? ':'.$text('step') : ''),
                    'split' => $text('split'),
                    'order' => $text('order') === 'value' ? '' : $text('order'),
                    'format' => $text('digits').($text('behind') === '' ? '' : '|'.$text('behind')),
                ],
                fn (string $value) => $value !== '',
            );
            $filters = self::filters($sent);
            $fields += $filters === [] ? [] : ['filters' => $filters];
            $fields += is_numeric($sent['most'] ?? null) ? ['most' => (int) $sent['most']] : [];
        }

        return new Part($widget->id, 'widget', 1, $fields);
    }

    /**
     * Whether what a part says of its dataset stays: who may not see that was not shown it.
     *
     * @param  array<string, mixed>  $sent
     */
    private static function keeps(Part $part, array $sent): bool
    {
        return (bool) ($sent['keeps'] ?? false) && ($sent['source'] ?? '') !== '' && $sent['source'] === $part->string('source');
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
                $filters[] = mb_substr(
                    self::text($filter, 'field')
                        .'|'
                        .self::text($filter, 'way')
                        .'|'
                        .str_replace('|', ' ', self::text($filter, 'value')),
                    0,
                    200,
                );
            }
        }

        return $filters;
    }

    /** @param array<string, mixed> $sent */
    private static function placed(Part $widget, array $sent): Part
    {
        foreach (['x', 'y', 'across', 'down'] as $name) {
            $widget = isset($sent[$name]) ? $widget->with($name, self::number($sent, $name)) : $widget;
        }

        return $widget;
    }

    private static function widgetAdded(PartTree $tree, Part $page, string $id, string $type, string $source): PartTree
    {
        [$across, $down] = self::SIZES[$type] ?? [6, 7];
        $chart = in_array($type, Widget::CHARTS, true);
        [$x, $y] = WidgetGrid::free(self::on($tree, $page->id), $across, $down);
        $widget = new Part($id, 'widget', 1, [
            'type' => $type,
            'title' => '',
            ...$chart ? ['measure' => 'count'] : [],
            ...$chart && $source !== '' ? ['source' => $source] : [],
            ...$type === 'text' ? ['text' => RichText::plain('')] : [],
            'x' => $x,
            'y' => $y,
            'across' => $across,
            'down' => $down,
        ]);

        return self::inserted($tree, $page->id, $widget);
    }

    private static function copied(PartTree $tree, Part $widget, string $id): PartTree
    {
        $page = $tree->parent($widget->id);
        [$x, $y] = WidgetGrid::free(self::on($tree, $page), $widget->int('across'), $widget->int('down'));
        $copy = new Part($id, 'widget', 1, [...$widget->fields, 'x' => $x, 'y' => $y]);

        return self::inserted($tree, $page, $copy);
    }

    private static function toPage(PartTree $tree, Part $widget, string $page): PartTree
    {
        [$x, $y] = WidgetGrid::free(self::on($tree, $page), $widget->int('across'), $widget->int('down'));
        $moved = $widget->with('x', $x)->with('y', $y);

        return $tree->parent($widget->id) === $page ? $tree : self::inserted(self::without($tree, $widget->id), $page, $moved);
    }

    private static function settled(PartTree $tree, string $page, Part $placed): PartTree
    {
        $widgets = array_map(fn (Part $widget) => $widget->id === $placed->id ? $placed : $widget, self::on($tree, $page));
        $settled = array_column(array_map(fn (Part $widget) => [$widget->id, $widget], WidgetGrid::settled($widgets, $placed->id)), 1, 0);

        return PartTree::of(array_map(fn (Part $part) => $settled[$part->id] ?? $part, $tree->parts));
    }

    private static function inserted(PartTree $tree, string $page, Part $widget): PartTree
    {
        $end = (int) $tree->position($page) + count($tree->subtree($page));

        return PartTree::of([...array_slice($tree->parts, 0, $end), $widget, ...array_slice($tree->parts, $end)]);
    }

    private static function pageMoved(PartTree $tree, string $page, int $by): PartTree
    {
        $pages = $tree->children()[PartTree::ROOT] ?? [];
        $at = (int) array_search($page, $pages, true);
        $to = max(0, min(count($pages) - 1, $at + $by));
        array_splice($pages, $at, 1);
        array_splice($pages, $to, 0, [$page]);

        return PartTree::of(array_merge(...array_map($tree->subtree(...), $pages)));
    }

    private static function without(PartTree $tree, string $part): PartTree
    {
        $gone = array_flip(array_column($tree->subtree($part), 'id'));

        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $other) => ! isset($gone[$other->id]))));
    }

    private static function replaced(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $other) => $other->id === $part->id ? $part : $other, $tree->parts));
    }

    /** @return list<Part> */
    private static function on(PartTree $tree, string $page): array
    {
        return array_map($tree->get(...), $tree->children()[$page] ?? []);
    }
}
