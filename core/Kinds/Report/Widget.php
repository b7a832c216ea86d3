<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Report;

use MistyAttic\Core\Content\Part;

/**
 * What a widget of a report draws: how much is counted, by what, of which records. A measure is `count` or such as `sum:p1`, a
 * grouping `p1` or such as `p1:month`, a filter `p1|is|yes`, each naming fields of the dataset by their ids.
 */
final readonly class Widget
{
    public const CHARTS = ['bars', 'lines', 'areas', 'stacked', 'dots', 'parts', 'figure', 'table'];

    public const TYPES = [...self::CHARTS, 'text', 'picture'];

    public const MEASURES = ['count', 'sum', 'mean', 'median', 'least', 'most', 'distinct'];

    public const STEPS = ['day', 'week', 'month', 'quarter', 'year'];

    public const FILTERS = ['is', 'is_not', 'contains', 'above', 'below', 'empty', 'filled'];

    /** Ends of a period that is open. */
    public const FIRST_DAY = '0000-01-01';

    public const LAST_DAY = '9999-12-31';

    /** Key of the dataset; empty for none yet. */
    public string $source;

    public string $type;

    public string $measure;

    /** The field that is counted; empty when records are. */
    public string $of;

    public string $by;

    /** A step of time, or empty. */
    public string $step;

    public string $split;

    /** @var list<array{string, string, string}> field, way and value */
    public array $filters;

    /** `value`, `value_up` or `name`; time always goes on. */
    public string $order;

    public ?int $most;

    /** Digits behind the point and what is behind, such as `0` or `2| h`. */
    public string $format;

    public function __construct(public Part $part)
    {
        $this->type = $part->string('type');
        $this->source = $part->string('source');
        [$measure, $this->of] = explode(':', $part->string('measure'), 2) + ['count', ''];
        $this->measure = in_array($measure, self::MEASURES, true) ? $measure : 'count';
        [$this->by, $step] = explode(':', $part->string('by'), 2) + ['', ''];
        $this->step = in_array($step, self::STEPS, true) ? $step : '';
        $this->split = $part->string('split');
        $this->filters = self::filters($part->strings('filters'));
        $this->order = in_array($part->string('order'), ['value', 'value_up', 'name'], true) ? $part->string('order') : 'value';
        $this->most = is_int($part->fields['most'] ?? null) ? $part->int('most') : null;
        $this->format = $part->string('format');
    }

    public function isChart(): bool
    {
        return in_array($this->type, self::CHARTS, true);
    }

    /**
     * The fields of the dataset that it needs.
     *
     * @return list<string>
     */
    public function fields(): array
    {
        return array_values(
            array_unique(
                array_filter([$this->of, $this->by, $this->split, ...array_column($this->filters, 0)], fn (string $field) => $field !== ''),
            ),
        );
    }

    /**
     * @param  list<string>  $filters
     * @return list<array{string, string, string}>
     */
    public static function filters(array $filters): array
    {
        $read = [];
        foreach ($filters as $filter) {
            [$field, $way, $value] = explode('|', $filter, 3) + ['', '', ''];
            if ($field !== '' && in_array($way, self::FILTERS, true)) {
                $read[] = [$field, $way, $value];
            }
        }

        return $read;
    }

    /**
     * The filters that a page lays on a widget.
     *
     * @return list<array{string, string, string}>
     */
    public function filtersOf(Part $page): array
    {
        return $page->string('source') === $this->source ? self::filters($page->strings('filters')) : [];
    }

    /** @return array{string, string}|null first and last day of the period of a page; either end may be open, as in `2026-01-01/` */
    public static function period(Part $page): ?array
    {
        $period = $page->string('period');

        return strlen($period) > 1 && preg_match('#^(\d{4}-\d\d-\d\d)?/(\d{4}-\d\d-\d\d)?$#D', $period, $found) === 1
            ? [($found[1] ?? '') === '' ? self::FIRST_DAY : $found[1], ($found[2] ?? '') === '' ? self::LAST_DAY : $found[2]]
            : null;
    }
}
