<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\User;
use App\View\Comparison;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Kinds\Report\Widget;

/**
 * A report between two versions: what became of its pages and widgets, each chart over its earlier self, and apart from that
 * what only looks otherwise because its data changed.
 */
final class ReportCompared
{
    /** @var list<ComparedPage> */
    public array $pages = [];

    /** @var list<array{widget: WidgetView, old: WidgetView, sentence: string}> */
    public array $because = [];

    /**
     * @param  ReportData  $then  what the earlier state is drawn from
     * @param  ReportData  $now  what the later one is
     */
    public function __construct(
        private readonly Comparison $comparison,
        private readonly ReportData $then,
        ReportData $now,
        private readonly SettingWords $words,
    ) {
        foreach ($comparison->layout(traces: true) as $page) {
            if ($page->isTrace) {
                continue;
            }
            $children = array_filter($page->children, fn (MarkedPart $marked): bool => ! $marked->isTrace);
            $widgets = array_map(fn (MarkedPart $marked): ComparedWidget => $this->widget($page, $marked, $now), array_values($children));
            $state = $page->state->value ?? ($page->movedFrom !== null ? 'moved' : ($page->edited ? 'edited' : 'same'));
            $this->pages[] = new ComparedPage($page, $state, $this->editor($page, $state), $widgets);
        }
    }

    private function widget(MarkedPart $page, MarkedPart $marked, ReportData $now): ComparedWidget
    {
        $before = match ($marked->state) {
            ChangeType::Removed => $marked->part,
            ChangeType::Added => null,
            default => $marked->before,
        };
        $after = $marked->state === ChangeType::Removed ? null : $marked->part;
        $old = $before === null ? null : new WidgetView($before, $page->before ?? $page->part, $this->then);
        $new = $after === null ? null : new WidgetView($after, $page->part, $now);
        $state = $marked->state->value ?? match (true) {
            $old !== null && $new !== null && $this->settings($old) !== $this->settings($new) => 'edited',
            $marked->edited || $marked->movedFrom !== null => 'moved',
            default => 'same',
        };
        if ($old !== null && $new !== null && $new->widget->isChart() && self::isMovedByData($old, $new)) {
            $this->because[] = ['widget' => $new, 'old' => $old, 'sentence' => $this->told($old, $new)];
        }

        return new ComparedWidget(
            $marked,
            $state,
            $this->editor($marked, $state),
            $old,
            $new,
            $this->edits($old, $new),
            self::differences($old, $new),
        );
    }

    /** It is defined as before, and shows something else. */
    private static function isMovedByData(WidgetView $old, WidgetView $new): bool
    {
        return self::definition($old) === self::definition($new) && self::values($old) !== self::values($new);
    }

    private function editor(MarkedPart $marked, string $state): ?User
    {
        return $state === 'same'
            ? null
            : $this->comparison->editorOf($marked->part->id, $marked->state ?? ($marked->edited ? ChangeType::Edited : ChangeType::Moved));
    }

    /**
     * What a widget is set to, as a person reads it.
     *
     * @return array<string, string>
     */
    public function settings(?WidgetView $view): array
    {
        if ($view === null) {
            return [];
        }
        $widget = $view->widget;
        $part = $view->part;
        $said = ['type' => (string) __("data.widgets.{$widget->type}"), 'title' => $part->string('title')];
        if (! $widget->isChart()) {
            return $said + ['text' => $part->richText()->text(), 'chunk' => $part->string('chunk'), 'alt' => $part->string('alt')];
        }
        foreach (['source', 'measure', 'by', 'split'] as $field) {
            $said[$field] = $part->string($field) === '' ? '' : (string) $this->words->setting($field, $part->string($field));
        }

        return $said + [
            'filters' => (string) $this->words->setting('filters', implode(', ', $part->strings('filters'))),
            'order' => (string) __("data.orders.{$widget->order}"),
            'most' => (string) ($widget->most ?? ''),
            'format' => (string) $this->words->setting('format', $widget->format),
        ];
    }

    /**
     * The settings that differ, old above new.
     *
     * @return array<string, array{string, string}> field => was and is
     */
    private function edits(?WidgetView $old, ?WidgetView $new): array
    {
        [$was, $is] = [$this->settings($old), $this->settings($new)];
        $edits = [];
        foreach ($old === null || $new === null ? [] : array_keys($was + $is) as $field) {
            if (($was[$field] ?? '') !== ($is[$field] ?? '')) {
                $edits[$field] = [$was[$field] ?? '', $is[$field] ?? ''];
            }
        }

        return $edits;
    }

    /**
     * The figures of both sides beside each other, only where they differ.
     *
     * @return list<array{string, string, string, string}> group, was, is, difference
     */
    private static function differences(?WidgetView $old, ?WidgetView $new): array
    {
        if ($old === null || $new === null) {
            return [];
        }
        // Split another way, the groups as wholes are what can be compared.
        $whole = $old->part->string('split') !== $new->part->string('split')
        && in_array($old->widget->measure, ['count', 'sum'], true)
        && in_array($new->widget->measure, ['count', 'sum'], true);
        [$was, $is] = [self::values($old, $whole), self::values($new, $whole)];
        $isBroken = fn (WidgetView $widget): bool => $widget->broken !== null && $widget->broken !== 'empty';
        $alike = $old->part->string('measure') === $new->part->string('measure') && ! $isBroken($old) && ! $isBroken($new);
        $adds = in_array($new->widget->measure, ['count', 'sum'], true);
        $rows = [];
        foreach (array_keys($was + $is) as $key) {
            [$before, $after] = [$was[$key] ?? null, $is[$key] ?? null];
            if ($before !== $after) {
                // Of a count or a sum what is not there is nothing; of a mean it can't be said by how much it moved.
                $comparable = $alike && ($adds || ($before !== null && $after !== null));
                $more = ($after ?? 0) - ($before ?? 0);
                $rows[] = [
                    (string) $key,
                    $before === null ? '' : $old->number($before),
                    $after === null ? '' : $new->number($after),
                    $comparable ? ($more > 0 ? '+' : '').$new->number($more) : '',
                ];
            }
        }

        return $rows;
    }

    /**
     * Of what moved most, how much comes from the definition and how much from the data.
     *
     * @return array{string, string, string, string}|null group, all of it, from the definition, from the data
     */
    public function parted(WidgetView $old, WidgetView $new): ?array
    {
        if (
            self::definition($old) === self::definition($new)
            || $old->widget->source !== $new->widget->source
            || ! in_array($new->widget->measure, ['count', 'sum'], true)
            || $old->widget->measure !== $new->widget->measure
            || $old->widget->by !== $new->widget->by
        ) {
            return null;
        }
        // The new definition over the old data lies between the two.
        $between = self::values(new WidgetView($new->part, $new->page(), $this->then));
        [$was, $is] = [self::values($old), self::values($new)];
        $key = null;
        foreach (array_keys($is + $was) as $one) {
            $moved = fn (string|int|null $at) => $at === null ? 0 : abs(($is[$at] ?? 0) - ($was[$at] ?? 0));
            $key = $moved($one) > $moved($key) ? $one : $key;
        }
        if ($key === null) {
            return null;
        }
        [$all, $definition, $rows] = [
            ($is[$key] ?? 0) - ($was[$key] ?? 0),
            ($between[$key] ?? 0) - ($was[$key] ?? 0),
            ($is[$key] ?? 0) - ($between[$key] ?? 0),
        ];
        $said = fn (int|float $value): string => ($value > 0 ? '+' : '').$new->number($value);

        return $definition == 0 || $rows == 0 ? null : [(string) $key, $said($all), $said($definition), $said($rows)];
    }

    /** @return array<string, mixed> both charts, to be laid over each other */
    public static function chart(?WidgetView $old, WidgetView $new): array
    {
        $earlier
            = $old === null || $old->broken !== null || ! $old->widget->isChart() || in_array($old->widget->type, ['figure', 'table'], true)
                ? null
                : $old->chart();

        return [...$new->chart(), 'earlier' => $earlier];
    }

    /**
     * @param  bool  $whole  all series of a group together
     * @return array<string, int|float|null> group and series => value
     */
    private static function values(WidgetView $view, bool $whole = false): array
    {
        $values = [];
        foreach ($view->figures->series ?? [] as $at => $series) {
            foreach ($series['values'] as $key => $value) {
                if ($whole) {
                    $group = $view->widget->by === '' ? '' : $view->key($key);
                    $values[$group] = ($values[$group] ?? 0) + ($value ?? 0);

                    continue;
                }
                $values[
                    ($view->widget->by === '' ? '' : $view->key($key))
                        .($series['name'] === '' && $view->widget->split === '' ? '' : ', '.$view->seriesName($at))
                ] = $value;
            }
        }

        return $values;
    }

    /**
     * What of a widget and its page says which figures it has.
     *
     * @return array<string, mixed>
     */
    private static function definition(WidgetView $view): array
    {
        $page = $view->page();

        return [
            ...array_diff_key($view->part->fields, array_flip(['title', 'type', 'format', ...ComparedWidget::PLACE])),
            'page' => $page->string('source') === $view->widget->source ? $page->strings('filters') : [],
            'period' => $page->string('period'),
        ];
    }

    /** The telling one of the figures that moved. */
    private function told(WidgetView $old, WidgetView $new): string
    {
        if ($new->broken !== null) {
            return (string) __('data.because.broke', ['title' => $new->title()]);
        }
        if ($old->broken !== null) {
            return (string) __('data.because.mended', ['title' => $new->title()]);
        }
        [$was, $is] = [self::values($old), self::values($new)];
        $key = null;
        $most = -1;
        foreach (array_keys($is + $was) as $one) {
            $moved = abs(($is[$one] ?? 0) - ($was[$one] ?? 0));
            if ($moved > $most) {
                [$key, $most] = [$one, $moved];
            }
        }
        $moved = ($is[$key] ?? 0) - ($was[$key] ?? 0);
        $values = [
            'title' => $new->title(),
            'by' => $new->number(abs($moved)),
            'where' => $new->widget->by === '' && $new->widget->split === '' ? '' : ' '.__('data.because.in', ['key' => (string) $key]),
        ];
        $others = count(self::differences($old, $new)) - 1;

        return __($moved >= 0 ? 'data.because.rose' : 'data.because.fell', $values)
            .($others > 0 ? ' '.trans_choice('data.because.more', $others, ['count' => (string) $others]) : '');
    }
}
