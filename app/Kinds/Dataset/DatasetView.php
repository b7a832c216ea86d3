<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Kinds\Report\DrawnFrom;
use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\Words\Days;
use App\Words\Numbers;
use DateTimeImmutable;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Report\Widget;

/** A dataset as a table: its fields with what they are, and a page of its records, found and sorted. */
final class DatasetView
{
    public const A_PAGE = 100;

    public const TYPES = ['text', 'number', 'money', 'date', 'boolean', 'choice'];

    /** @var LengthAwarePaginator<int, int> positions of the records */
    public LengthAwarePaginator $records;

    /** @param string $unread a field whose records alone are shown that hold something that can't be read there */
    public function __construct(
        public readonly Records $data,
        public readonly string $sort,
        public readonly bool $down,
        public readonly string $find,
        int $page,
        public readonly string $unread = '',
    ) {
        $rows = $data->count === 0 ? [] : range(0, $data->count - 1);
        array_map($data->column(...), array_map(strval(...), array_keys($data->fields)));
        if ($find !== '') {
            $wanted = mb_strtolower($find);
            $rows = array_values(
                array_filter($rows, function (int $row) use ($data, $wanted): bool {
                    foreach (array_map(strval(...), array_keys($data->fields)) as $field) {
                        // By what is read, and by what is kept.
                        if (
                            str_contains(mb_strtolower($this->shown($row, $field)), $wanted)
                            || ($data->type($field) === 'date' && str_contains(mb_strtolower($this->value($row, $field)), $wanted))
                        ) {
                            return true;
                        }
                    }

                    return false;
                }),
            );
        }
        if ($data->has($unread)) {
            $rows = array_values(array_intersect($rows, array_keys($data->unread($unread))));
        }
        if ($data->has($sort)) {
            $column = $data->column($sort);
            $way = $down ? -1 : 1;
            usort(
                $rows,
                fn (int $one, int $two) => ($column[$one] === null) <=> ($column[$two] === null)
                ?: $way
                    * (is_string($column[$one]) ? strnatcasecmp($column[$one], (string) $column[$two]) : $column[$one] <=> $column[$two])
                ?: $one <=> $two,
            );
        }
        $this->records = new LengthAwarePaginator(
            array_slice($rows, ($page - 1) * self::A_PAGE, self::A_PAGE),
            count($rows),
            self::A_PAGE,
            $page,
        );
    }

    public static function show(mixed $value): string
    {
        return is_bool($value)
            ? ($value
                ? 'yes'
                : 'no')
            : (is_float($value)
                ? rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.')
                : (string) $value);
    }

    /** A number with its thousands apart and all of its decimals. */
    public static function separated(int|float $number): string
    {
        $plain = is_int($number) ? (string) $number : (string) json_encode($number);
        $decimals = str_contains($plain, '.') && ! str_contains($plain, 'e') ? strlen($plain) - strpos($plain, '.') - 1 : 0;

        return Numbers::said($number, $decimals);
    }

    /** What a record holds in a field, as a person writes it. */
    public static function cell(mixed $cell): string
    {
        $result = Cell::result($cell);

        return is_array($result) ? (string) $result[1] : self::show($result);
    }

    /** Whether a value is a day as a field for days takes it; in any other, a browser shows and sends nothing. */
    public static function isDay(string $value): bool
    {
        return preg_match('/^\d{4}-\d{2}-\d{2}$/D', $value) === 1;
    }

    public function value(int $row, string $field): string
    {
        $value = $this->data->column($field)[$row];

        return match (true) {
            $this->data->type($field) === 'date' && is_string($value) => self::day($value),
            $this->data->type($field) === 'money' && (is_int($value) || is_float($value)) => number_format($value, 2, '.', '')
                .($this->currency($field) === '' ? '' : ' '.$this->currency($field)),
            default => $this->shown($row, $field),
        };
    }

    /** A day (`2026-05-03`) as whoever reads writes it; any other text as it is. */
    public static function day(string $value): string
    {
        return strlen($value) === 10 && Days::isDate($value) ? Days::short(new DateTimeImmutable($value)) : $value;
    }

    public function isUnread(int $row, string $field): bool
    {
        return isset($this->data->unread($field)[$row]);
    }

    /** What can't be read is shown as it is. */
    private function shown(int $row, string $field): string
    {
        $value = $this->data->column($field)[$row];

        return $value === null ? self::cell($this->data->unread($field)[$row] ?? null) : self::show($value);
    }

    private function currency(string $field): string
    {
        return $this->data->fields[$field]->string('currency');
    }

    /** What is wrong with a calculated field, in words. */
    public function problem(string $field): ?string
    {
        $problems = $this->data->problems($field);

        return $problems === [] ? null : self::said($problems[0], array_map(fn (Part $part) => $part->string('name'), $this->data->fields));
    }

    /** @param array<string, string> $names id => name of the fields */
    public static function said(Problem $problem, array $names): string
    {
        $values = array_map(
            fn (string|int $value) => is_string($value) ? FieldNames::shown($value, $names) : (string) $value,
            $problem->variables,
        );
        foreach (['needed', 'given'] as $type) {
            if (isset($values[$type])) {
                $values[$type] = (string) __("data.plain.{$values[$type]}");
            }
        }

        return __("data.problems.{$problem->code}", $values).($problem->path === '' ? '' : ' '.__('data.at', ['at' => $problem->path]));
    }

    /**
     * The widgets that draw from a dataset, in reports that somebody may see.
     *
     * @return list<array{report: Item, widget: Part, fields: list<string>}>
     */
    public static function hanging(Item $dataset, User $user, States $states): array
    {
        $may = [];
        $hanging = [];
        $shelves = array_values(array_map(intval(...), $user->shelves()->pluck('shelves.id')->all()));
        foreach ((new DrawnFrom($states))->widgets($dataset, $shelves) as ['report' => $report, 'widget' => $widget]) {
            if ($may[$report->id] ??= Gate::forUser($user)->allows('draft', $report)) {
                $hanging[] = ['report' => $report, 'widget' => $widget, 'fields' => (new Widget($widget))->fields()];
            }
        }

        return $hanging;
    }
}
