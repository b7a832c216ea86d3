<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Store\Excerpt;
use App\Store\States;
use App\View\Desks\VisitorTable;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

/** The records of a dataset as a table of fields. Fields that are worked out are left out. */
final class VisitorRecords extends VisitorTable
{
    /** Fields are before records. */
    private readonly int $before;

    private readonly ?string $last;

    public function __construct(private readonly States $states, private readonly string $root, int $from)
    {
        $grid = (new DatasetKind)->grid();
        $fields = Excerpt::columns($states, $grid, $root);
        $this->before = count($fields);
        $this->last = $fields === [] ? null : $fields[$this->before - 1]->id;
        $written = array_values(array_filter($fields, fn (Part $field) => $field->string('expression') === ''));
        parent::__construct($written, $states->count($root) - $this->before, $from, $grid->row);
    }

    public function head(Part $column): string
    {
        return $column->string('name');
    }

    public function name(int $row, Part $column): string
    {
        return (string) __('data.cell_of', ['field' => $column->string('name'), 'row' => (string) $row]);
    }

    public function shown(Part $row, Part $column): string
    {
        return DatasetView::cell($row->fields[$column->id] ?? null);
    }

    public function problem(array $parts): ?string
    {
        foreach ($this->rows() as $row) {
            foreach ($this->changed($parts, $row) as [$field, $text]) {
                if (! DatasetEdit::typed($field, trim($text))[1]) {
                    return (string) __('data.no_value', [
                        'name' => $field->string('name'),
                        'type' => (string) __("data.types.{$field->string('type')}"),
                    ]);
                }
            }
        }

        return null;
    }

    protected function written(?Part $row, Part $column): string
    {
        return DatasetView::cell($row?->fields[$column->id] ?? null);
    }

    protected function value(string $text, Part $row, Part $column, array $new): mixed
    {
        return DatasetEdit::typed($column, trim($text))[0];
    }

    protected function window(int $from, int $length): array
    {
        return $this->states->window($this->root, $this->position($from), max(0, min($length, $this->count - $from)));
    }

    protected function position(int $row): int
    {
        return $this->before + $row;
    }

    protected function place(): array
    {
        return [PartTree::ROOT, $this->last];
    }
}
