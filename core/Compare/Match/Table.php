<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Grid;

/** The columns and rows of one table. */
final readonly class Table
{
    /**
     * @param  array<string, string>  $columns  id => header, '' when it has none
     * @param  list<Part>  $rows
     */
    public function __construct(public array $columns, public array $rows) {}

    /** Fields named by themselves; a column without a name is called by the text in its first row. */
    public static function of(PartTree $tree, string $parent, Grid $grid): self
    {
        $columns = $rows = [];
        [$column, $row] = [$grid->column, $grid->row];
        foreach ($parent === PartTree::ROOT ? $tree->parts : $tree->subtree($parent) as $part) {
            $role = $part->role;
            if ($role === $row) {
                $rows[] = $part;
            } elseif ($role === $column) {
                $columns[$part->id] = $part->string('name');
            }
        }
        foreach ($columns as $id => $name) {
            $first = $rows[0]->fields[$id] ?? '';
            $columns[$id] = $name === '' && is_string($first) ? $first : $name;
        }

        return new self($columns, $rows);
    }
}
