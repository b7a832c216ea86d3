<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\CellType;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\TableDrawing;

/** Typed fields and records; a value is a field of its record, named by the field's id. */
final class DatasetKind extends SchemaKind
{
    public function name(): string
    {
        return 'dataset';
    }

    public function roles(): string
    {
        return DatasetRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, DatasetRole::Field->value, 0, ['name' => 'Name', 'type' => 'text'])]);
    }

    public function label(PartTree $tree, Part $part): string
    {
        if ($part->role === DatasetRole::Field->value) {
            return parent::label($tree, $part);
        }
        // A record is called by its first text, in the order of the fields; where it holds none, by its first value.
        $value = '';
        foreach ($part->fields === [] ? [] : $tree->parts as $field) {
            // All fields are before the first record.
            if ($field->role !== DatasetRole::Field->value) {
                break;
            }
            $cell = $part->fields[$field->id] ?? null;
            $shown = $cell === null ? '' : Cell::show($cell);
            if ($shown !== '' && Cell::type($cell) === CellType::Text) {
                return Label::of($shown);
            }
            $value = $value === '' ? $shown : $value;
        }
        if ($value !== '') {
            return Label::of($value);
        }
        $records = array_values(array_filter($tree->parts, fn (Part $other) => $other->role === $part->role));

        return (string) (1 + (int) array_search($part->id, array_column($records, 'id'), true));
    }

    /** An expression with its fields by their names. */
    public function written(PartTree $tree, Part $part, mixed $value): string
    {
        return $part->role === DatasetRole::Field->value && is_string($value)
            ? FieldNames::shown($value, FieldNames::of($tree))
            : parent::written($tree, $part, $value);
    }

    public function isReadAs(?Part $before, Part $column, mixed $was, mixed $is): bool
    {
        return $before !== null && $before->fields !== $column->fields && FieldType::of($column)->value($was) === $is;
    }

    public function grid(): Grid
    {
        return new Grid(DatasetRole::Field->value, DatasetRole::Record->value, isOneTable: true);
    }

    public function drawing(): Drawing
    {
        return new TableDrawing(DatasetRole::Field->value, DatasetRole::Record->value, null, Cell::fromAfar(...));
    }
}
