<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/**
 * A dataset as a table for a file: names of the fields in the first line, calculated fields by what they give. What is none of its field's
 * type goes out as it is.
 */
final class DatasetSheet
{
    public static function tree(Records $data): PartTree
    {
        $parts = [new Part('tab', 'tab', 0, ['name' => (string) __('data.tab'), 'frozen' => 1])];
        $columns = $unread = [];
        foreach (array_map(strval(...), array_keys($data->fields)) as $at => $field) {
            $columns["c{$at}"] = $data->column($field);
            $unread[] = $data->unread($field);
            $parts[] = new Part("c{$at}", 'column', 1, ['width' => 0, 'format' => '']);
        }
        $parts[] = new Part(
            'rhead',
            'row',
            1,
            array_combine(array_keys($columns), array_map(fn (Part $field) => $field->string('name'), array_values($data->fields))),
        );
        $dates = array_map(fn (string $field) => $data->type($field) === 'date', array_map(strval(...), array_keys($data->fields)));
        for ($row = 0; $row < $data->count; $row++) {
            $cells = [];
            foreach (array_values($columns) as $at => $values) {
                $value = $unread[$at][$row] ?? ($dates[$at] && $values[$row] !== null ? ['d', $values[$row]] : $values[$row]);
                if ($value !== null && $value !== '') {
                    $cells["c{$at}"] = $value;
                }
            }
            $parts[] = new Part("r{$row}", 'row', 1, $cells);
        }

        return PartTree::of($parts);
    }
}
