<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Report\Widget;

/** What a widget shows, computed from the records of its dataset: a value for each group, in one series or, split, in several. */
final class Figures
{
    /** Groups that are shown when nothing else is said, and at the very most. */
    private const SHOWN = 40;

    private const MOST = 1_000;

    /** Series that are shown; where there are more, the last of them is the rest. */
    private const SERIES = 12;

    /** Steps of time that are filled in where nothing was recorded. */
    private const FILLED = 800;

    /**
     * @var list<string> the groups, in their order; a time is `2026`, `2026-Q2`, `2026-05`, `2026-W18` or `2026-05-03`; one empty name when
     *     nothing is grouped
     */
    public array $keys = [];

    /**
     * @var list<array{name: string, isRest: bool, values: list<int|float|null>, total: int|float|null}> an empty name when nothing is
     *     split; the total is that of all records, shown or not
     */
    public array $series = [];

    /** Whether the last group is the rest of them. */
    public bool $hasRest = false;

    /** Records that no group of time shows, since they have no day. */
    public int $undated = 0;

    /** Records that no group of time shows, since they are earlier than the earliest. */
    public int $earlier = 0;

    /** Records that were counted. */
    public int $records = 0;

    /**
     * @var list<Problem> codes: field_gone, field_type, broken_field, no_split; the path is what of the widget it is about: measure, by,
     *     split, filters
     */
    public readonly array $problems;

    /** Values that could not be read as what their field is. */
    public int $misfits = 0;

    /**
     * @param  list<array{string, string, string}>  $filters  of the page, for fields that the dataset has
     * @param  array{string, string}|null  $period  first and last day, of the field by which the widget goes, or the first that is a date
     */
    public function __construct(private readonly Widget $widget, private readonly Records $data, array $filters = [], ?array $period = null)
    {
        $counted = new Counted($widget, $data, $filters, $period);
        $this->problems = $counted->problems;
        if ($this->problems !== []) {
            return;
        }
        $this->records = count($counted->rows);
        $this->group($counted->rows);
        foreach ($widget->fields() as $field) {
            $this->misfits += $data->misfits[$field] ?? 0;
        }
    }

    /** Of all records of a series, where adding up its groups says something. */
    public function total(int $series): int|float|null
    {
        return $this->series[$series]['total'] ?? null;
    }

    /** @param list<int> $rows */
    private function group(array $rows): void
    {
        $widget = $this->widget;
        [$by, $split] = [$this->data->groups($widget->by, $widget->step), $this->data->groups($widget->split)];
        $of = $widget->of === '' ? null : $this->data->column($widget->of);
        $all = count($rows) === $this->data->count;
        $totals = $all ? $this->data->counts($widget->by, $widget->step) : array_count_values(array_map(fn (int $row) => $by[$row], $rows));
        $cells = $widget->split === ''
            ? $this->whole($rows, $of, $by, $totals)
            : array_map(
                fn () => [],
                $all ? $this->data->counts($widget->split) : array_count_values(array_map(fn (int $row) => $split[$row], $rows)),
            );
        foreach ($widget->split === '' ? [] : $rows as $row) {
            $value = $of === null ? 1 : $of[$row];
            if ($value !== null && $value !== '') {
                $cells[$split[$row]][$by[$row]][] = $value;
            }
        }
        $keys = array_map(strval(...), array_keys($totals));
        $rest = [];
        if ($this->widget->step !== '') {
            sort($keys);
            $keys = array_slice(self::filled($keys, $this->widget->step), -min($this->widget->most ?? self::MOST, self::MOST));
            $this->undated = $totals[''] ?? 0;
            $this->earlier = array_sum(
                array_filter(
                    $totals,
                    fn (string|int $key) => (string) $key !== '' && strcmp((string) $key, $keys[0] ?? '') < 0,
                    ARRAY_FILTER_USE_KEY,
                ),
            );
        } elseif ($this->widget->by !== '') {
            [$keys, $rest] = $this->ordered($keys, $cells);
        } elseif ($keys === []) {
            $keys = [''];
        }
        $this->keys = $keys;
        $this->lay($cells, $keys, $rest);
    }

    /**
     * The values of records that nothing splits, in the order of their first records.
     *
     * @param  list<int>  $rows
     * @param  array<int, bool|float|int|string|null>|null  $of
     * @param  array<int, string>  $by
     * @param  array<string, int>  $totals
     * @return array<string, array<string, list<bool|float|int|string|null>>> as one series, of what has a value
     */
    private function whole(array $rows, ?array $of, array $by, array $totals): array
    {
        if ($of === null) {
            return $rows === [] ? [] : ['' => array_map(fn (int $times) => array_fill(0, $times, 1), $totals)];
        }
        $values = [];
        foreach (count($rows) === $this->data->count ? $of : array_intersect_key($of, array_flip($rows)) as $row => $value) {
            if ($value !== null && $value !== '') {
                $values[$by[$row]][] = $value;
            }
        }

        return $rows === [] ? [] : ['' => $values];
    }

    /**
     * @param  array<string, array<string, list<bool|float|int|string|null>>>  $cells
     * @param  list<string>  $keys
     * @param  list<string>  $rest
     */
    private function lay(array $cells, array $keys, array $rest): void
    {
        $sizes = array_map(fn (array $of) => array_sum(array_map(count(...), $of)), $cells);
        arsort($sizes);
        $names = array_map(strval(...), array_keys($sizes));
        $this->hasRest = $rest !== [];
        if ($this->hasRest) {
            $this->keys[] = '';
        }
        $shown = count($names) > self::SERIES ? array_slice($names, 0, self::SERIES - 1) : $names;
        foreach ($shown === [] ? [''] : $shown as $name) {
            $this->series[] = $this->series($name, $cells[$name] ?? [], $keys, $rest);
        }
        if ($this->widget->split !== '') {
            usort($this->series, fn (array $one, array $two) => strcmp($one['name'], $two['name']));
        }
        if (count($shown) < count($names)) {
            $others = [];
            foreach (array_slice($names, count($shown)) as $name) {
                foreach ($cells[$name] as $key => $cell) {
                    $others[$key][] = $cell;
                }
            }
            $this->series[] = [
                ...$this->series('', array_map(fn (array $of) => array_merge(...$of), $others), $keys, $rest),
                'isRest' => true,
            ];
        }
    }

    /**
     * @param  array<string, list<bool|float|int|string|null>>  $cells  of one series
     * @param  list<string>  $keys
     * @param  list<string>  $rest
     * @return array{name: string, isRest: bool, values: list<int|float|null>, total: int|float|null}
     */
    private function series(string $name, array $cells, array $keys, array $rest): array
    {
        $values = array_map(fn (string $key) => $this->measured($cells[$key] ?? null), $keys);
        if ($rest !== []) {
            $values[] = $this->measured(array_merge(...array_values(array_intersect_key($cells, array_flip($rest)))));
        }
        $adds = in_array($this->widget->measure, ['count', 'sum'], true);

        return [
            'name' => $name,
            'isRest' => false,
            'values' => $values,
            'total' => $adds ? $this->measured(array_merge(...array_values($cells))) : null,
        ];
    }

    /**
     * @param  list<string>  $keys
     * @param  array<string, array<string, list<bool|float|int|string|null>>>  $cells
     * @return array{list<string>, list<string>} those that are shown, and the rest
     */
    private function ordered(array $keys, array $cells): array
    {
        // Most groups have few of the series: what there is, is added up, and no more.
        $values = array_fill_keys($keys, 0);
        foreach ($cells as $of) {
            foreach ($of as $key => $cell) {
                $values[$key] += $this->measured($cell) ?? 0;
            }
        }
        $names = fn (string|int $one, string|int $two): int => strnatcasecmp((string) $one, (string) $two);
        uksort($values, fn (string|int $one, string|int $two) => match ($this->widget->order) {
            'name' => $names($one, $two),
            'value_up' => $values[$one] <=> $values[$two] ?: $names($one, $two),
            default => $values[$two] <=> $values[$one] ?: $names($one, $two),
        });
        $sorted = array_map(strval(...), array_keys($values));
        $most = min($this->widget->most ?? self::SHOWN, self::MOST);

        return [array_slice($sorted, 0, $most), array_slice($sorted, $most)];
    }

    /** @param list<bool|float|int|string|null>|null $values */
    private function measured(?array $values): int|float|null
    {
        $measure = $this->widget->measure;
        if ($values === null || $values === []) {
            return in_array($measure, ['count', 'sum', 'distinct'], true) ? 0 : null;
        }
        if ($measure === 'count') {
            return count($values);
        }
        if ($measure === 'distinct') {
            return count(
                is_string($values[0])
                    ? array_flip(array_filter($values, is_string(...)))
                    : array_unique(array_map(fn (bool|float|int|string|null $value) => (string) json_encode($value), $values)),
            );
        }
        /** @var non-empty-list<int|float> $values what adds up is numbers: see {@see Counted} */
        return match ($measure) {
            'sum' => self::rounded(array_sum($values)),
            'mean' => self::rounded(array_sum($values) / count($values)),
            'least' => min($values),
            'most' => max($values),
            default => self::median($values),
        };
    }

    /** @param non-empty-list<int|float> $numbers */
    private static function median(array $numbers): int|float
    {
        $one = intdiv(count($numbers) - 1, 2);
        $two = intdiv(count($numbers), 2);
        // Whole numbers are counted: where there are many, many are the same, and fewer are to be sorted.
        if (is_int(array_sum($numbers))) {
            /** @var non-empty-list<int> $numbers */
            $counts = array_count_values($numbers);
            ksort($counts);
            $found = [];
            foreach ($counts as $number => $times) {
                foreach ([$one, $two] as $at => $position) {
                    $found[$at] ??= $position < $times ? $number : null;
                }
                [$one, $two] = [$one - $times, $two - $times];
                if (isset($found[1])) {
                    break;
                }
            }
            $middle = [$found[0] ?? 0, $found[1] ?? 0];
        } else {
            sort($numbers);
            $middle = [$numbers[$one], $numbers[$two]];
        }

        return $middle[0] === $middle[1] ? $middle[0] : self::rounded(($middle[0] + $middle[1]) / 2);
    }

    /** Without what binary fractions add: a double is sure of fifteen digits. */
    private static function rounded(int|float $value): int|float
    {
        $round = is_float($value) ? (float) sprintf('%.15g', round($value, 9)) : $value;

        return is_float($round) && $round === floor($round) && abs($round) < 2 ** 53 ? (int) $round : $round;
    }

    /** The step of time that a day is in; a week is that of ISO 8601-1:2019, 3.1.1.23. */
    public static function step(string $day, string $step): string
    {
        return match ($step) {
            'year' => substr($day, 0, 4),
            'quarter' => substr($day, 0, 4).'-Q'.intdiv((int) substr($day, 5, 2) + 2, 3),
            'month' => substr($day, 0, 7),
            'week' => (new \DateTimeImmutable($day))->format('o-\WW'),
            default => $day,
        };
    }

    /**
     * Steps of time without holes, so that a line does not hide where there was nothing.
     *
     * @param  list<string>  $keys  ascending
     * @return list<string>
     */
    private static function filled(array $keys, string $step): array
    {
        $dated = array_values(array_filter($keys, fn (string $key) => $key !== ''));
        if ($dated === []) {
            return $dated;
        }
        $day = self::first($dated[0], $step);
        $last = $dated[count($dated) - 1];
        $filled = [];
        while (count($filled) < self::FILLED) {
            $key = self::step($day->format('Y-m-d'), $step);
            $filled[] = $key;
            if ($key >= $last) {
                return $filled;
            }
            $day = $day->modify(
                ['year' => '+1 year', 'quarter' => '+3 months', 'month' => '+1 month', 'week' => '+1 week'][$step] ?? '+1 day',
            );
        }

        return $dated;
    }

    private static function first(string $key, string $step): \DateTimeImmutable
    {
        $day = match ($step) {
            'year' => "{$key}-01-01",
            'quarter' => substr($key, 0, 4).sprintf('-%02d-01', 3 * (int) substr($key, 6) - 2),
            'month' => "{$key}-01",
            'week' => (new \DateTimeImmutable)->setISODate((int) substr($key, 0, 4), (int) substr($key, 6))->format('Y-m-d'),
            default => $key,
        };

        return new \DateTimeImmutable($day);
    }
}
