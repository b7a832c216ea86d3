<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FormRole;
use MistyAttic\Core\Kinds\Label;

/** Something that a dataset is filled from: named fields, and records under ids that stay theirs. */
final readonly class Source
{
    /** Values by which a type is proposed, and choices that still are some. */
    private const LOOKED_AT = 2_000;

    private const MOST_CHOICES = 24;

    /**
     * @param  array<string, string>  $names  field => name
     * @param  array<string, array<string, mixed>>  $records  record => field => cell
     * @param  array<string, array{type: string, choices: list<string>}>  $known  what fields are, where that needs no guess
     */
    public function __construct(public array $names, public array $records, private array $known = []) {}

    /** A tab of a spreadsheet: its first line has the names, the others are records. Results of formulas are what counts. */
    public static function tab(PartTree $sheet, string $tab): self
    {
        $columns = $rows = [];
        foreach ($sheet->subtree($tab) as $part) {
            if ($part->role === 'column') {
                $columns[] = $part->id;
            } elseif ($part->role === 'row') {
                $rows[] = $part;
            }
        }
        $head = array_shift($rows);
        $names = [];
        foreach ($columns as $at => $column) {
            $name = $head === null ? '' : trim(Cell::show($head->fields[$column] ?? null));
            if ($name !== '' || array_filter($rows, fn (Part $row) => Cell::result($row->fields[$column] ?? null) !== null) !== []) {
                $names[$column] = mb_substr($name === '' ? 'Field '.($at + 1) : $name, 0, 100);
            }
        }
        $records = [];
        foreach ($rows as $row) {
            $cells = array_filter(array_map(Cell::result(...), array_intersect_key($row->fields, $names)), fn (mixed $cell) => $cell !== null && $cell !== '');
            if ($cells !== []) {
                $records[$row->id] = $cells;
            }
        }

        return new self($names, $records);
    }

    /**
     * The entries of a form: the questions that are asked now, and when each was sent.
     *
     * @param  iterable<string, array{string, PartTree}>  $entries  id => the day that it was sent on, and its state
     * @param  string  $sent  what the day is called
     */
    public static function entries(PartTree $form, iterable $entries, string $sent): self
    {
        $names = ['sent' => $sent];
        $known = ['sent' => ['type' => 'date', 'choices' => []]];
        foreach ((new Flow($form))->questions as $question) {
            if (! in_array($question->string('type'), ['note', 'file', 'grid'], true)) {
                $names[$question->id] = mb_substr($question->richText()->text(), 0, 100);
                $known[$question->id] = self::asked($form, $question);
            }
        }
        $records = [];
        foreach ($entries as $id => [$day, $entry]) {
            $cells = ['sent' => ['d', $day]];
            foreach ($entry->parts as $answer) {
                if (isset($names[$answer->id])) {
                    $text = $answer->strings('said') === [] ? $answer->richText()->text() : implode(', ', $answer->strings('said'));
                    $cells[$answer->id] = $answer->fields['value'] ?? mb_substr($text, 0, Cell::MOST);
                }
            }
            $records[$id] = array_filter($cells, fn (mixed $cell) => $cell !== '');
        }

        return new self($names, $records, $known);
    }

    /** @return array{type: string, choices: list<string>} what the answers to a question are */
    private static function asked(PartTree $form, Part $question): array
    {
        $type = ['one' => 'choice', 'scale' => 'number', 'number' => 'number', 'date' => 'date', 'yes_no' => 'boolean'][$question->string('type')] ?? 'text';
        $choices = $type !== 'choice' ? [] : array_filter($form->subtree($question->id), fn (Part $part) => $part->role === FormRole::Choice->value && ($part->fields['other'] ?? false) !== true);

        return ['type' => $type, 'choices' => array_values(array_map(fn (Part $choice) => Label::of($choice->string('label')), $choices))];
    }

    /**
     * A list of plain objects, as JSON has it.
     *
     * @param  array<mixed>  $objects
     */
    public static function objects(array $objects): self
    {
        $names = $records = [];
        foreach (array_values($objects) as $at => $object) {
            $cells = [];
            foreach (is_array($object) ? $object : [] as $name => $value) {
                $name = mb_substr(trim((string) $name), 0, 100);
                $id = $names[$name] ??= 'n'.count($names);
                $cell = Cell::read(is_array($value) ? mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE), 0, Cell::MOST) : $value);
                if ($cell !== null) {
                    $cells[$id] = $cell;
                }
            }
            if ($cells !== []) {
                $records["r{$at}"] = $cells;
            }
        }

        return new self(array_flip($names), $records);
    }

    /**
     * What each field is, or seems to be by its first values.
     *
     * @return array<string, array{type: string, choices: list<string>}>
     */
    public function types(): array
    {
        $types = [];
        $looked = array_slice($this->records, 0, self::LOOKED_AT, true);
        foreach (array_map(strval(...), array_keys($this->names)) as $field) {
            if (isset($this->known[$field])) {
                $types[$field] = $this->known[$field];
                continue;
            }
            $values = array_values(array_filter(array_map(fn (array $cells) => $cells[$field] ?? null, $looked), fn (mixed $value) => $value !== null));
            $type = 'text';
            foreach (['date', 'boolean', 'number', 'money'] as $one) {
                if ($values !== [] && array_filter($values, fn (mixed $value) => ! self::isOf(self::cell($value, $one), $one)) === []) {
                    $type = $one;
                    break;
                }
            }
            $texts = $type === 'text' ? array_count_values(array_map(Cell::show(...), $values)) : [];
            $isChoice = count($values) >= 8 && count($texts) > 1 && count($texts) <= min(self::MOST_CHOICES, intdiv(count($values), 3));
            ksort($texts);
            $types[$field] = ['type' => $isChoice ? 'choice' : $type, 'choices' => $isChoice ? array_map(fn (string|int $text) => Label::of((string) $text), array_keys($texts)) : []];
        }

        return $types;
    }

    /**
     * The dataset that it makes: fields that are there already keep their name, type and place; calculated ones stay.
     *
     * @param  array<string, array{type: string, choices: list<string>}>  $types
     */
    public function tree(array $types, ?PartTree $before = null): PartTree
    {
        $fields = [];
        foreach ($before->parts ?? [] as $part) {
            if ($part->role === 'field' && ($part->string('expression') !== '' || isset($this->names[$part->id]))) {
                $fields[$part->id] = $part;
            }
        }
        foreach ($this->names as $id => $name) {
            $type = $types[$id] ?? ['type' => 'text', 'choices' => []];
            $fields[$id] ??= new Part((string) $id, 'field', 0, ['name' => $name, 'type' => $type['type'], ...($type['choices'] === [] ? [] : ['choices' => $type['choices']])]);
        }
        $parts = array_values($fields);
        foreach ($this->records as $id => $cells) {
            $values = [];
            foreach ($cells as $field => $cell) {
                if (isset($fields[$field])) {
                    $values[$field] = self::cell($cell, $fields[$field]->string('type'));
                }
            }
            $parts[] = new Part((string) $id, 'record', 0, $values);
        }

        return PartTree::of($parts);
    }

    /** A cell as a value of a type; what can't be one stays what it is, and is counted as a misfit when it is read. */
    public static function cell(mixed $cell, string $type): mixed
    {
        if (! is_string($cell)) {
            return in_array($type, ['text', 'choice'], true) && (is_int($cell) || is_float($cell)) ? Cell::show($cell) : $cell;
        }
        $text = trim($cell);

        return match ($type) {
            'number' => is_numeric(str_replace(',', '', $text)) ? self::numeric($text) : $cell,
            'money' => preg_match('/^(-?)\p{Sc}?\s?(-?\d[\d,]*(\.\d+)?)\s?(\p{Sc}|[A-Z]{3})?$/Du', $text, $found) === 1 ? self::numeric($found[1].$found[2]) : $cell,
            'date' => Cell::isDate($text) ? ['d', $text] : $cell,
            'boolean' => ['yes' => true, 'true' => true, 'no' => false, 'false' => false][mb_strtolower($text)] ?? $cell,
            default => $cell,
        };
    }

    private static function numeric(string $text): int|float
    {
        $plain = str_replace(',', '', $text);

        return Cell::number(preg_match('/^-?\d{1,15}$/D', $plain) === 1 ? (int) $plain : (float) $plain);
    }

    private static function isOf(mixed $cell, string $type): bool
    {
        return match ($type) {
            'number', 'money' => is_int($cell) || is_float($cell),
            'boolean' => is_bool($cell),
            default => is_array($cell) && ($cell[0] ?? '') === 'd',
        };
    }
}
