<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Report\Widget;

/** The records of a dataset that a widget counts, or why it can't. */
final class Counted
{
    /** @var list<int> positions of the records */
    public readonly array $rows;

    /**
     * @var list<Problem> codes: field_gone, field_type, broken_field; the path is what of the widget it is about: measure, by, split,
     *     filters
     */
    public array $problems = [];

    /**
     * @param  list<array{string, string, string}>  $filters  of the page; those for fields that the dataset lacks are passed over
     * @param  array{string, string}|null  $period  first and last day, of the field by which the widget goes, or the first that is a date
     */
    public function __construct(private readonly Widget $widget, private readonly Records $data, array $filters = [], ?array $period = null)
    {
        $this->check();
        $this->rows = $this->problems !== []
            ? []
            : $this->rows(array_values(array_filter($filters, fn (array $filter) => $data->has($filter[0]))), $period);
    }

    private function check(): void
    {
        $widget = $this->widget;
        foreach (['measure' => $widget->of, 'by' => $widget->by, 'split' => $widget->split] as $what => $field) {
            $this->needs($what, $field);
        }
        foreach ($widget->filters as [$field]) {
            $this->needs('filters', $field);
        }
        if ($this->problems !== []) {
            return;
        }
        if (
            $widget->of !== ''
            && ! in_array($widget->measure, ['count', 'distinct'], true)
            && ! in_array($this->data->type($widget->of), ['number', 'money'], true)
        ) {
            $this->problems[] = new Problem('field_type', 'measure', ['name' => $this->data->name($widget->of), 'needed' => 'number']);
        }
        if ($widget->step !== '' && $this->data->type($widget->by) !== 'date') {
            $this->problems[] = new Problem('field_type', 'by', ['name' => $this->data->name($widget->by), 'needed' => 'date']);
        }
    }

    private function needs(string $what, string $field): void
    {
        if ($field === '') {
            return;
        }
        if (! $this->data->has($field)) {
            $this->problems[] = new Problem('field_gone', $what, ['field' => $field]);
        } elseif ($this->data->problems($field) !== []) {
            $this->problems[] = new Problem('broken_field', $what, ['name' => $this->data->name($field)]);
        }
    }

    /**
     * @param  list<array{string, string, string}>  $filters
     * @param  array{string, string}|null  $period
     * @return list<int>
     */
    private function rows(array $filters, ?array $period): array
    {
        $rows = $this->data->all();
        foreach ([...$filters, ...$this->widget->filters] as [$field, $way, $value]) {
            $column = $this->data->column($field);
            $passes = self::passes($this->data->type($field), $way, $value);
            // Many records say the same.
            $known = $left = [];
            foreach ($rows as $row) {
                $value = $column[$row];
                if (is_string($value) ? $known[$value] ??= $passes($value) : $passes($value)) {
                    $left[] = $row;
                }
            }
            $rows = $left;
        }
        $dated = $period === null ? null : $this->dated();
        if ($period !== null && $dated !== null) {
            $column = $this->data->column($dated);
            $rows = array_values(
                array_filter($rows, fn (int $row) => is_string($column[$row]) && $column[$row] >= $period[0] && $column[$row] <= $period[1]),
            );
        }

        return $rows;
    }

    private function dated(): ?string
    {
        if ($this->widget->step !== '') {
            return $this->widget->by;
        }
        foreach (array_map(strval(...), array_keys($this->data->fields)) as $field) {
            if ($this->data->type($field) === 'date') {
                return $field;
            }
        }

        return null;
    }

    /** @return callable(bool|float|int|string|null): bool */
    private static function passes(string $type, string $way, string $value): callable
    {
        $wanted = match ($type) {
            'number', 'money' => is_numeric($value) ? $value + 0 : null,
            'boolean' => in_array(mb_strtolower($value), ['yes', 'true', '1'], true),
            default => $value,
        };
        $same = is_string($wanted)
            ? fn (bool|float|int|string|null $given): bool => is_string($given) && mb_strtolower($given) === mb_strtolower($wanted)
            : fn (bool|float|int|string|null $given): bool => $wanted !== null && $given !== null && $given == $wanted;

        return match ($way) {
            'is' => $same,
            'is_not' => fn (bool|float|int|string|null $given): bool => ! $same($given),
            'contains' => fn (bool|float|int|string|null $given): bool => $given !== null
                && ! is_bool($given)
                && str_contains(mb_strtolower((string) $given), mb_strtolower($value)),
            'above' => fn (bool|float|int|string|null $given): bool => $given !== null
                && $wanted !== null
                && ! is_bool($given)
                && (is_string($given) ? strcmp($given, (string) $wanted) > 0 : $given > $wanted),
            'below' => fn (bool|float|int|string|null $given): bool => $given !== null
                && $wanted !== null
                && ! is_bool($given)
                && (is_string($given) ? strcmp($given, (string) $wanted) < 0 : $given < $wanted),
            'empty' => fn (bool|float|int|string|null $given): bool => $given === null || $given === '',
            default => fn (bool|float|int|string|null $given): bool => $given !== null && $given !== '',
        };
    }
}
