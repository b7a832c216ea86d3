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
        $column = $grid->column;
        $row = $grid->row;
        $at = $parent === PartTree::ROOT ? null : $tree->position($parent);
        $depth = $at === null ? -1 : $tree->parts[$at]->depth;
        foreach (array_slice($tree->parts, $at === null ? 0 : $at + 1) as $part) {
            if ($part->depth <= $depth) {
                break;
            }
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
