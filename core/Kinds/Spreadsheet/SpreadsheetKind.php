<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Spreadsheet;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\CellType;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Label;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;
use MistyAttic\Core\Miniature\TableDrawing;

/** Tabs with columns and rows; a cell is a field of its row, named by its column. */
final class SpreadsheetKind extends SchemaKind
{
    /** What a new tab has, so that there is somewhere to write. */
    private const BLANK_COLUMNS = 10;

    private const BLANK_ROWS = 40;

    /** @var \WeakMap<PartTree, CellPlaces>|null */
    private ?\WeakMap $known = null;

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
            new Part($firstId, SpreadsheetRole::Tab->value, 0, ['name' => 'Sheet', 'frozen' => 1]),
            ...array_map(
                fn (int $at) => new Part("{$firstId}c{$at}", SpreadsheetRole::Column->value, 1, ['width' => 0, 'format' => '']),
                range(1, self::BLANK_COLUMNS),
            ),
            ...array_map(fn (int $at) => new Part("{$firstId}r{$at}", SpreadsheetRole::Row->value, 1, []), range(1, self::BLANK_ROWS)),
        ]);
    }

    /** A column is called by the text in its first row, else by its letter; a row by its first text, else by its number. */
    public function label(PartTree $tree, Part $part): string
    {
        return match ($part->role) {
            SpreadsheetRole::Column->value => $this->header($tree, $part->id)
                ?? CellPlaces::letters($this->places($tree)->position($part->id)),
            SpreadsheetRole::Row->value => $this->firstText($part) ?? (string) (1 + $this->places($tree)->position($part->id)),
            default => parent::label($tree, $part),
        };
    }

    /** A formula in letters and numbers, with its sign. */
    public function written(PartTree $tree, Part $part, mixed $value): string
    {
        $formula = Cell::formula($value);

        return $formula === null ? parent::written($tree, $part, $value) : '='.Formula::spell($formula, $part->id, $this->places($tree));
    }

    public function grid(): Grid
    {
        return new Grid(SpreadsheetRole::Column->value, SpreadsheetRole::Row->value, calculated: true);
    }

    /** Columns are before rows. */
    public function places(PartTree $tree): CellPlaces
    {
        $this->known ??= new \WeakMap;

        return $this->known[$tree] ??= new CellPlaces($tree);
    }

    private function header(PartTree $tree, string $column): ?string
    {
        $places = $this->places($tree);
        $first = $places->rows[$places->tab($column)][0] ?? null;
        $value = $first === null ? null : Cell::result($tree->get($first)->fields[$column] ?? null);

        return is_string($value) && $value !== '' ? Label::of($value) : null;
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

    public function drawing(): Drawing
    {
        return new TableDrawing(
            SpreadsheetRole::Column->value,
            SpreadsheetRole::Row->value,
            SpreadsheetRole::Tab->value,
            Cell::fromAfar(...),
        );
    }
}
