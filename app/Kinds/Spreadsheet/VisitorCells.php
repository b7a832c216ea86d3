<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Store\Excerpt;
use App\Store\States;
use App\View\Desks\VisitorTable;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;
use MistyAttic\Core\Kinds\Spreadsheet\TypedCell;

/** A tab as a table of fields. What is worked out from other cells is shown without one. */
final class VisitorCells extends VisitorTable
{
    private readonly SpreadsheetKind $kind;

    /** The whole state, or, of a large one, its tabs, columns and headings. */
    private readonly PartTree $tree;

    private readonly CellPlaces $places;

    private readonly string $tab;

    /** With the rows of a large state, and those that come. */
    private ?CellPlaces $allPlaces = null;

    public function __construct(private readonly States $states, private readonly string $root, string $tab, int $from)
    {
        $this->kind = new SpreadsheetKind;
        $this->tree = Excerpt::frame($states, $this->kind->grid(), $root) ?? $states->tree($root);
        $this->places = $this->kind->places($this->tree);
        $this->tab = isset($this->places->tabs[$tab]) ? $tab : (string) array_key_first($this->places->tabs);
        [$columns, $count] = $this->used();
        parent::__construct(
            array_map($this->tree->get(...), array_slice($this->places->columns[$this->tab] ?? [], 0, $columns)),
            $count,
            $from,
            SpreadsheetRole::Row->value,
        );
    }

    public function pages(): array
    {
        $pages = [];
        foreach ($this->places->tabs as $id => $name) {
            $name = $name === '' ? (string) __('history.sheet.nameless') : $name;
            array_push(
                $pages,
                ...(string) $id === $this->tab
                    ? $this->stretches($name, ['tab' => $this->tab])
                    : [['name' => $name, 'asks' => ['tab' => (string) $id], 'isHere' => false]],
            );
        }

        return count($pages) > 1 ? $pages : [];
    }

    public function head(Part $column): string
    {
        return CellPlaces::letters($this->places->position($column->id));
    }

    /** Its address and, where the first row names its column, that. */
    public function name(int $row, Part $column): string
    {
        $letters = $this->head($column);
        $heading = $this->kind->label($this->tree, $column);

        return $row === 1 || $heading === $letters ? "{$letters}{$row}" : "{$letters}{$row}, {$heading}";
    }

    public function shown(Part $row, Part $column): string
    {
        return NumberLook::show($row->fields[$column->id] ?? null, $column->string('format'));
    }

    protected function written(?Part $row, Part $column): ?string
    {
        $value = $row?->fields[$column->id] ?? null;

        return Cell::isFormula($value) ? null : TypedCell::editable($value);
    }

    protected function value(string $text, Part $row, Part $column, array $new): mixed
    {
        return TypedCell::in(
            $text,
            $row,
            $column,
            str_starts_with($text, '=') ? ($this->allPlaces ??= $this->allPlaces($new)) : $this->places,
        );
    }

    /**
     * Where a formula leads is only known when all is read.
     *
     * @param  list<Part>  $new  the rows that come
     */
    private function allPlaces(array $new): CellPlaces
    {
        $parts = ($this->tree->ordinals === null ? $this->tree : $this->states->tree($this->root))->parts;
        array_splice($parts, $this->position($this->end), 0, $new);

        return new CellPlaces(PartTree::of($parts));
    }

    protected function window(int $from, int $length): array
    {
        return $this->tree->ordinals === null
            ? array_map($this->tree->get(...), array_slice($this->places->rows[$this->tab] ?? [], $from, $length))
            : $this->states->window($this->root, $this->position($from), max(0, min($length, $this->count - $from)));
    }

    protected function position(int $row): int
    {
        return (int) $this->tree->wholePosition($this->tab) + 1 + count($this->places->columns[$this->tab] ?? []) + $row;
    }

    protected function place(): array
    {
        return [$this->tab, array_slice($this->places->columns[$this->tab] ?? [], -1)[0] ?? null];
    }

    /** @return array{int, int} how many columns and rows there are in which something is */
    private function used(): array
    {
        $columns = array_flip($this->places->columns[$this->tab] ?? []);
        if ($this->tree->ordinals !== null) {
            return [count($columns), $this->tree->sizes[$this->tab] ?? 0];
        }
        $last = $width = 0;
        foreach ($this->places->rows[$this->tab] ?? [] as $at => $id) {
            $cells = array_filter($this->tree->get($id)->fields, fn (mixed $value) => Cell::bare($value) !== null);
            $last = $cells === [] ? $last : $at + 1;
            $width = max([$width, ...array_map(fn (string|int $column) => ($columns[$column] ?? 0) + 1, array_keys($cells))]);
        }

        return [$width === 0 ? count($columns) : $width, $last];
    }
}
