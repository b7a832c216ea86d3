<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** The changes of a comparison as a spreadsheet: a row each, with who did it and when. */
final class ComparisonSheet
{
    /** Widths of the columns, in pixels, by what they hold: see `history.columns`. */
    private const COLUMNS = ['what' => 420, 'was' => 160, 'is' => 160, 'who' => 140, 'versions' => 140, 'at' => 140];

    public static function of(Comparison $comparison): PartTree
    {
        $name = __('history.columns.between', ['from' => (string) $comparison->from->number, 'to' => (string) $comparison->to->number]);
        $parts = [new Part('changes', 'tab', 0, ['name' => (string) $name, 'frozen' => 1])];
        foreach (array_values(self::COLUMNS) as $at => $width) {
            $parts[] = new Part("column{$at}", 'column', 1, ['width' => $width, 'format' => '']);
        }
        $parts[] = self::row(0, array_map(fn (string $name) => ['*', 'b', (string) __("history.columns.{$name}")], array_keys(self::COLUMNS)));
        foreach ($comparison->entries as $at => $entry) {
            $values = $entry->statement->values;
            $parts[] = self::row($at + 1, [
                $entry->sentence,
                (string) ($values['was'] ?? ''),
                (string) ($values['is'] ?? ''),
                implode(', ', array_map(fn ($editor) => $editor->name, $entry->editors)),
                $entry->versions(),
                $entry->at?->format('Y-m-d H:i') ?? '',
            ]);
        }

        return PartTree::of($parts);
    }

    /** @param list<string|list<string>> $values */
    private static function row(int $at, array $values): Part
    {
        $fields = [];
        foreach ($values as $column => $value) {
            if ($value !== '') {
                $fields["column{$column}"] = $value;
            }
        }

        return new Part("row{$at}x", 'row', 1, $fields);
    }
}
