<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FormRole;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\NumberLook;

/** Something that a dataset is filled from: named fields, and records under ids that stay theirs. */
final readonly class Source
{
    /** @var array<string, string> field => name, no two alike */
    public array $names;

    /**
     * @param  array<string, string>  $names  field => name
     * @param  array<string, array<string, mixed>>  $records  record => field => cell
     * @param  array<string, FieldType>  $known  what fields are, where that needs no guess
     * @param  string|null  $hint  of a file that is plain text, the mark that is before its decimals where its values leave it open
     * @param  list<Part>  $calculated  fields that it brings along
     * @param  list<string>  $tabs  of a workbook, what its tabs are called
     */
    public function __construct(
        array $names,
        public array $records,
        private array $known = [],
        private ?string $hint = null,
        private array $calculated = [],
        public array $tabs = [],
    ) {
        $this->names = self::apart($names);
    }

    /** A dataset itself, with what is calculated in it. */
    public static function dataset(PartTree $dataset): self
    {
        $names = $known = $records = $calculated = [];
        foreach ($dataset->parts as $part) {
            if ($part->role === DatasetRole::Record->value) {
                $records[$part->id] = $part->fields;
            } elseif ($part->string('expression') !== '') {
                $calculated[] = $part;
            } else {
                $names[$part->id] = $part->string('name');
                $known[$part->id] = FieldType::of($part);
            }
        }

        return new self($names, $records, $known, calculated: $calculated);
    }

    /**
     * Without fields of some names, such as those that are calculated where it goes to.
     *
     * @param  list<string>  $names
     */
    public function without(array $names): self
    {
        $kept = array_filter($this->names, fn (string $name) => ! in_array($name, $names, true));

        return new self(
            $kept,
            array_map(fn (array $cells) => array_intersect_key($cells, $kept), $this->records),
            array_intersect_key($this->known, $kept),
            $this->hint,
            $this->calculated,
        );
    }

    /**
     * Fields of one name are told apart.
     *
     * @param  array<string, string>  $names
     * @return array<string, string>
     */
    private static function apart(array $names): array
    {
        $taken = [];
        foreach ($names as $id => $name) {
            for ($count = 1, $one = $name; isset($taken[mb_strtolower($one)]); $count++) {
                $one = mb_substr($name, 0, 95).' '.($count + 1);
            }
            $names[$id] = $one;
            $taken[mb_strtolower($one)] = true;
        }

        return $names;
    }

    /**
     * A tab of a spreadsheet: its first line has the names, the others are records. Results of formulas are what counts.
     *
     * @param  list<string>  $tabs  what the tabs of its file are called
     */
    public static function tab(PartTree $sheet, string $tab, ?string $hint = null, array $tabs = []): self
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
            $cells = array_filter(
                array_map(self::read(...), array_intersect_key($row->fields, $names)),
                fn (mixed $cell) => $cell !== null && $cell !== '',
            );
            if ($cells !== []) {
                $records[$row->id] = $cells;
            }
        }

        return new self($names, $records, hint: $hint, tabs: $tabs);
    }

    /** What a cell of a sheet is in a dataset; a time, which is a part of a day there, is what it shows. */
    private static function read(mixed $cell): mixed
    {
        $format = NumberLook::format(Cell::look($cell));

        return $format !== '' && is_numeric(Cell::result($cell)) && NumberLook::isTime($format)
            ? NumberLook::show($cell)
            : Cell::result($cell);
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
        $known = ['sent' => new FieldType('date')];
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
                    $text = $answer->strings('said') === [] ? $answer->richText()->text() : implode(', ', self::chosen($form, $answer));
                    $cells[$answer->id] = $answer->fields['value'] ?? mb_substr($text, 0, Cell::MOST);
                }
            }
            $records[$id] = array_filter($cells, fn (mixed $cell) => $cell !== '');
        }

        return new self($names, $records, $known);
    }

    /** @return list<string> what was chosen, as it is called now; words of one's own as they are */
    private static function chosen(PartTree $form, Part $answer): array
    {
        $said = $answer->strings('said');
        foreach ($answer->strings('choices') as $at => $id) {
            $choice = $form->find($id);
            if (
                $choice !== null
                && $choice->role === FormRole::Choice->value
                && isset($said[$at])
                && ($choice->fields['other'] ?? false) !== true
            ) {
                $said[$at] = Label::of($choice->string('label'));
            }
        }

        return $said;
    }

    /** Whether what a field is, is said where it comes from. */
    public function isKnown(string $field): bool
    {
        return isset($this->known[$field]);
    }

    /** What the answers to a question are. */
    private static function asked(PartTree $form, Part $question): FieldType
    {
        $type = ['one' => 'choice', 'scale' => 'number', 'number' => 'number', 'date' => 'date', 'yes_no' => 'boolean'][
            $question->string('type')
        ] ?? 'text';
        $choices = $type !== 'choice'
            ? []
            : array_filter(
                $form->subtree($question->id),
                fn (Part $part) => $part->role === FormRole::Choice->value && ($part->fields['other'] ?? false) !== true,
            );

        return new FieldType($type, array_values(array_map(fn (Part $choice) => Label::of($choice->string('label')), $choices)));
    }

    /**
     * A list of plain objects, or of lists of which the first has the names, as JSON has it.
     *
     * @param  array<mixed>  $objects
     */
    public static function objects(array $objects): self
    {
        if ($objects !== [] && array_filter($objects, fn (mixed $row) => ! is_array($row) || ! array_is_list($row)) === []) {
            $head = array_map(fn (mixed $name) => is_scalar($name) ? (string) $name : '', array_values((array) array_shift($objects)));
            $objects = array_map(
                fn (mixed $row): array => array_combine(
                    array_map(fn (int $at) => "{$at}|".($head[$at] ?? ''), array_keys((array) $row)),
                    (array) $row,
                ),
                $objects,
            );
            $named = fn (string $key): string => trim(explode('|', $key, 2)[1]);
        }
        $ids = $names = $records = [];
        foreach (array_values($objects) as $at => $object) {
            $cells = [];
            foreach (is_array($object) ? $object : [] as $key => $value) {
                // Names that differ by a space are two, and are told apart.
                $id = $ids[$key] ??= 'n'.count($ids);
                $name = mb_substr(isset($named) ? $named((string) $key) : trim((string) $key), 0, 100);
                $names[$id] = $name === '' ? 'Field '.count($ids) : $name;
                $cell = Cell::read(
                    is_array($value) ? mb_substr((string) json_encode($value, JSON_UNESCAPED_UNICODE), 0, Cell::MOST) : $value,
                );
                if ($cell !== null) {
                    $cells[$id] = $cell;
                }
            }
            if ($cells !== []) {
                $records["r{$at}"] = $cells;
            }
        }

        return new self($names, $records);
    }

    /**
     * What each field is, or seems to be by its values.
     *
     * @return array<string, FieldType>
     */
    public function types(): array
    {
        $types = [];
        foreach (array_map(strval(...), array_keys($this->names)) as $field) {
            $types[$field] = $this->known[$field] ?? FieldType::seen($this->values($field), $this->hint ?? '.');
        }

        return $types;
    }

    /** An error of a calculation says nothing of what its field is. */
    private static function isError(mixed $cell): bool
    {
        return is_array($cell)
            ? ($cell[0] ?? '') === '!'
            : is_string($cell) && preg_match('~^#(DIV/0!|N/A|VALUE!|REF!|NAME\?|NUM!|NULL!)$~D', $cell) === 1;
    }

    /**
     * @return list<mixed> what the records hold in a field, none of it null or an error; of a plain text file as it is written where that
     *     is open
     */
    public function values(string $field): array
    {
        $values = [];
        foreach ($this->records as $cells) {
            if (($cells[$field] ?? null) !== null && ! self::isError($cells[$field])) {
                $values[] = $this->hint === null || ! is_float($cells[$field]) ? $cells[$field] : Cell::show($cells[$field]);
            }
        }

        return $values;
    }

    /**
     * The dataset that it makes. One that follows it has its fields by their names and in their order, whatever the way there; what a field
     * is stays as it was chosen, where the source does not say it, and calculated fields stay behind them.
     *
     * @param  array<string, FieldType>  $types
     * @param  PartTree|null  $before  the dataset that follows
     */
    public function tree(array $types, ?PartTree $before = null): PartTree
    {
        $fields = [];
        foreach ($this->names as $id => $name) {
            $was = $before?->find((string) $id);
            $type = $this->known[$id] ?? ($was?->role === 'field' ? FieldType::of($was) : $types[$id] ?? new FieldType('text'));
            $fields[$id] = new Part((string) $id, 'field', 0, ['name' => $name, ...$type->fields()]);
        }
        foreach ([...$this->calculated, ...$before->parts ?? []] as $part) {
            if ($part->role === 'field' && $part->string('expression') !== '') {
                $fields[$part->id] = $part;
            }
        }
        $parts = array_values($fields);
        $types = array_map(FieldType::of(...), $fields);
        foreach ($this->records as $id => $cells) {
            $values = [];
            foreach ($cells as $field => $cell) {
                if (isset($types[$field])) {
                    $value = Cell::of($types[$field]->value($this->hint !== null && is_float($cell) ? Cell::show($cell) : $cell));
                    $values += $value === null ? [] : [$field => $value];
                }
            }
            $parts[] = new Part((string) $id, 'record', 0, $values);
        }

        return PartTree::of($parts);
    }
}
