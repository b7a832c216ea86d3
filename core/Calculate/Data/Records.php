<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate\Data;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\FieldNames;

/**
 * A dataset column by column: what its records hold, as the type of each field says, and what its calculated fields give. A
 * value that is none of its field's type counts as nothing, and is counted.
 */
final class Records
{
    /** @var array<string, Part> */
    public readonly array $fields;

    /** @var array<string, list<bool|float|int|string|null>> */
    private array $columns = [];

    /** @var array<string, list<string>> by field and step */
    private array $groups = [];

    /** @var array<string, array<string, int>> */
    private array $counts = [];

    /** @var list<int>|null */
    private ?array $all = null;

    /** @var array<string, Expression> */
    private array $expressions = [];

    /** @var array<string, string>|null types of all fields, calculated ones by what they give */
    private ?array $types = null;

    /** @var array<string, array<int, mixed>> */
    private array $unread = [];

    /** @var array<string, int> field => values that are none of its type */
    public array $misfits = [];

    /**
     * @param  list<Part>  $fields
     * @param  \Closure(string): array{list<bool|float|int|string|null>, array<int, mixed>}|null  $kept  what {@see column} and {@see
     *     unread} told of a field once; null when records are given
     * @param  list<Part>  $records
     */
    private function __construct(
        array $fields,
        public readonly int $count,
        private readonly ?\Closure $kept = null,
        private readonly array $records = [],
    ) {
        $this->fields = array_column(array_map(fn (Part $field) => [$field->id, $field], $fields), 1, 0);
    }

    public static function of(PartTree $dataset): self
    {
        $fields = $records = [];
        foreach ($dataset->parts as $part) {
            if ($part->role === 'field') {
                $fields[] = $part;
            } else {
                $records[] = $part;
            }
        }

        return new self($fields, count($records), records: $records);
    }

    /**
     * @param  list<Part>  $fields
     * @param  \Closure(string): array{list<bool|float|int|string|null>, array<int, mixed>}  $kept
     */
    public static function kept(array $fields, int $count, \Closure $kept): self
    {
        return new self($fields, $count, $kept);
    }

    public function has(string $field): bool
    {
        return isset($this->fields[$field]);
    }

    public function name(string $field): string
    {
        return $this->fields[$field]->string('name');
    }

    /** text, number, money, date, boolean or choice. */
    public function type(string $field): string
    {
        return $this->types()[$field];
    }

    /** @return list<Problem> of a calculated field; code circle for one that needs itself */
    public function problems(string $field): array
    {
        $this->types();

        return isset($this->expressions[$field])
            ? $this->expressions[$field]->problems
            : ($this->isCalculated($field)
                ? [new Problem('circle', '')]
                : []);
    }

    public function isCalculated(string $field): bool
    {
        return $this->fields[$field]->string('expression') !== '';
    }

    /** @return list<bool|float|int|string|null> number, string, boolean or null; a date is `2026-05-03` */
    public function column(string $field): array
    {
        if (! isset($this->columns[$field])) {
            [$this->columns[$field], $this->unread[$field]] = match (true) {
                $this->kept !== null => ($this->kept)($field),
                $this->isCalculated($field) => [$this->calculated($field), []],
                default => $this->typed($field),
            };
            $this->misfits[$field] = count($this->unread[$field]);
        }

        return $this->columns[$field];
    }

    /**
     * The group that each record is in by a field.
     *
     * @param  string  $field  none for one group of all
     * @param  string  $step  of time, for a date: year, quarter, month, week or day
     * @return list<string> an empty one for none
     */
    public function groups(string $field, string $step = ''): array
    {
        return $this->groups["{$field} {$step}"] ??= match (true) {
            $field === '' => $this->count === 0 ? [] : array_fill(0, $this->count, ''),
            $step === '' && in_array($this->type($field), ['text', 'choice'], true) && ! in_array(null, $this->column($field), true)
                => array_values(array_filter($this->column($field), is_string(...))),
            default => $this->grouped($this->column($field), $step),
        };
    }

    /** @return array<string, int> group => records, in the order of their first ones */
    public function counts(string $field, string $step = ''): array
    {
        return $this->counts["{$field} {$step}"] ??= array_count_values($this->groups($field, $step));
    }

    /** @return list<int> the positions of all records */
    public function all(): array
    {
        return $this->all ??= $this->count === 0 ? [] : range(0, $this->count - 1);
    }

    /**
     * @param  list<bool|float|int|string|null>  $column
     * @return list<string>
     */
    private function grouped(array $column, string $step): array
    {
        $known = $groups = [];
        foreach ($column as $value) {
            $text = is_string($value)
                ? $value
                : (is_bool($value)
                    ? ($value
                        ? 'yes'
                        : 'no')
                    : (is_float($value)
                        ? (string) json_encode($value)
                        : (string) $value));
            $groups[] = $known[$text] ??= $step === '' || $text === '' ? $text : Figures::step($text, $step);
        }

        return $groups;
    }

    /** @return array<int, mixed> position of a record => what it holds that is none of the field's type */
    public function unread(string $field): array
    {
        $this->column($field);

        return $this->unread[$field];
    }

    /**
     * Types in the order in which fields need each other; what can not be ordered goes round in a circle, and gives nothing.
     *
     * @return array<string, string>
     */
    private function types(): array
    {
        if ($this->types !== null) {
            return $this->types;
        }
        $types = $open = [];
        foreach ($this->fields as $id => $field) {
            if ($field->string('expression') === '') {
                $types[$id] = $field->string('type');
            } else {
                $open[$id] = array_intersect(
                    FieldNames::in($field->string('expression')),
                    array_map(strval(...), array_keys($this->fields)),
                );
            }
        }
        do {
            $before = count($open);
            foreach ($open as $id => $needs) {
                if (array_diff($needs, array_map(strval(...), array_keys($types))) === []) {
                    $this->expressions[$id] = new Expression($this->fields[$id]->string('expression'), $types);
                    $types[$id] = $this->expressions[$id]->type === 'nothing' ? 'text' : $this->expressions[$id]->type;
                    unset($open[$id]);
                }
            }
        } while (count($open) < $before);
        foreach (array_keys($open) as $id) {
            $types[$id] = 'text';
        }

        return $this->types = $types;
    }

    /** @return list<bool|float|int|string|null> */
    private function calculated(string $field): array
    {
        $this->types();
        $expression = $this->expressions[$field] ?? null;
        if ($expression === null) {
            return $this->count === 0 ? [] : array_fill(0, $this->count, null);
        }

        return $expression->values(array_combine($expression->fields, array_map($this->column(...), $expression->fields)), $this->count);
    }

    /** @return array{list<bool|float|int|string|null>, array<int, mixed>} the values, and those that are none of the type */
    private function typed(string $field): array
    {
        $type = $this->fields[$field]->string('type');
        $values = $unread = [];
        foreach ($this->records as $at => $record) {
            $value = $record->fields[$field] ?? null;
            $values[] = $fit = $value === null ? null : self::fit(is_array($value) ? Cell::result($value) : $value, $type);
            if ($fit === null && $value !== null) {
                $unread[$at] = $value;
            }
        }

        return [$values, $unread];
    }

    private static function fit(mixed $value, string $type): string|int|float|bool|null
    {
        return match ($type) {
            'number', 'money' => is_int($value) || is_float($value) ? $value : null,
            'boolean' => is_bool($value) ? $value : null,
            'date' => is_array($value) && ($value[0] ?? null) === 'd' ? substr(Cell::second($value), 0, 10) : null,
            default => is_string($value)
                ? $value
                : (is_array($value)
                    ? Cell::second($value)
                    : (is_bool($value)
                        ? ($value
                            ? 'yes'
                            : 'no')
                        : (is_float($value)
                            ? (string) json_encode($value)
                            : (is_int($value)
                                ? (string) $value
                                : null)))),
        };
    }
}
