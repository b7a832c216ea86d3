<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Spreadsheet;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\CellType;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\SchemaKind;

/** Tabs with columns and rows; a cell is a field of its row, named by its column. */
final class SpreadsheetKind extends SchemaKind
{
    public function name(): string
    {
        return 'spreadsheet';
    }

    public function roles(): string
    {
        return SpreadsheetRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([
            new Part($firstId, SpreadsheetRole::Tab->value, 0, ['name' => 'Sheet 1', 'frozen' => 1]),
            new Part($firstId.'c', SpreadsheetRole::Column->value, 1, ['width' => 0, 'format' => '']),
            new Part($firstId.'r', SpreadsheetRole::Row->value, 1, []),
        ]);
    }

    /** A column is called by the text in its first row, else by its letter; a row by its first text, else by its number. */
    public function label(PartTree $tree, Part $part): string
    {
        $siblings = $part->role === SpreadsheetRole::Tab->value ? [] : $tree->children()[$tree->parent($part->id)] ?? [];
        $alike = fn (string $id): bool => $tree->get($id)->role === $part->role;

        return match ($part->role) {
            SpreadsheetRole::Column->value => $this->header($tree, $siblings, $part->id) ?? self::letters((int) array_search($part->id, array_values(array_filter($siblings, $alike)), true)),
            SpreadsheetRole::Row->value => $this->firstText($part) ?? (string) (1 + (int) array_search($part->id, array_values(array_filter($siblings, $alike)), true)),
            default => parent::label($tree, $part),
        };
    }

    public function grid(): Grid
    {
        return new Grid(SpreadsheetRole::Column->value, SpreadsheetRole::Row->value);
    }

    /** The letters of the column at a position: 0 is A, 26 is AA. */
    public static function letters(int $position): string
    {
        for ($letters = ''; $position >= 0; $position = intdiv($position, 26) - 1) {
            $letters = chr(65 + $position % 26).$letters;
        }

        return $letters;
    }

    /** @param list<string> $siblings */
    private function header(PartTree $tree, array $siblings, string $column): ?string
    {
        foreach ($siblings as $id) {
            $row = $tree->get($id);
            if ($row->role === SpreadsheetRole::Row->value) {
                $value = $row->fields[$column] ?? null;

                return is_string($value) ? Label::of($value) : null;
            }
        }

        return null;
    }

    private function firstText(Part $row): ?string
    {
        foreach ($row->fields as $value) {
            if (Cell::type($value) === CellType::Text) {
                return Label::of(Cell::show($value));
            }
        }

        return null;
    }
}
