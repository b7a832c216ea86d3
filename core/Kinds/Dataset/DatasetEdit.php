<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;

/** Changes of a dataset as a person makes them, each giving the whole state after it. */
final class DatasetEdit
{
    /**
     * A field of its id is replaced, or comes behind the other fields. Values take a new type where they can; where not, they stay as they
     * are.
     */
    public static function withField(PartTree $tree, Part $field): PartTree
    {
        $type = FieldType::of($field);
        $isTyped = $tree->has($field->id) && $tree->get($field->id)->string('type') !== $field->string('type');
        $fields = $records = [];
        foreach ($tree->parts as $part) {
            if ($part->role === DatasetRole::Field->value) {
                $fields[$part->id] = $part;
            } else {
                $records[] = $isTyped && isset($part->fields[$field->id])
                    ? $part->with($field->id, Cell::of($type->value($part->fields[$field->id])) ?? '')
                    : $part;
            }
        }
        $fields[$field->id] = $field;

        return PartTree::of([...array_values($fields), ...$records]);
    }

    /** The field goes with its values. Expressions that name it stay as they are, and say that it is gone. */
    public static function withoutField(PartTree $tree, string $field): PartTree
    {
        $parts = [];
        foreach ($tree->parts as $part) {
            if ($part->id !== $field) {
                $parts[] = isset($part->fields[$field]) && $part->role === DatasetRole::Record->value ? $part->without($field) : $part;
            }
        }

        return PartTree::of($parts);
    }

    /** A record behind the others. */
    public static function withRecord(PartTree $tree, Part $record): PartTree
    {
        return PartTree::of([...$tree->parts, $record]);
    }

    public static function withoutRecord(PartTree $tree, string $record): PartTree
    {
        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $part) => $part->id !== $record)));
    }

    /**
     * What was typed into a field as its value, null for nothing.
     *
     * @return array{mixed, bool} the value, and whether the field can hold it
     */
    public static function typed(Part $field, string $text): array
    {
        $value = $text === '' ? null : FieldType::of($field)->typed($text);

        return [$value, $value === null || FieldType::of($field)->holds($value)];
    }

    /**
     * Fields whose expressions name a field, straight or through others.
     *
     * @param  list<string>  $fields
     * @return list<Part>
     */
    public static function calculatedFrom(PartTree $tree, array $fields): array
    {
        $found = [];
        $calculated = array_filter(
            $tree->parts,
            fn (Part $part) => $part->role === DatasetRole::Field->value && $part->string('expression') !== '',
        );
        do {
            $before = count($found);
            foreach ($calculated as $part) {
                if (array_intersect(FieldNames::in($part->string('expression')), $fields) !== [] && ! in_array($part->id, $fields, true)) {
                    $fields[] = $part->id;
                    $found[] = $part;
                }
            }
        } while (count($found) > $before);

        return $found;
    }
}
