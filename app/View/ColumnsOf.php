<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Compare\Telling\Side;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** The columns of an item whose parts are beside each other, by what they are in, to choose one of. */
final readonly class ColumnsOf
{
    /** @var list<array{section: string, columns: array<string, string>}> columns: what each is called, by id */
    public array $sections;

    public function __construct(Kind $kind, PartTree $tree)
    {
        $sections = [];
        foreach ($tree->children()[PartTree::ROOT] ?? [] as $id) {
            $columns = [];
            foreach ($tree->children()[$id] ?? [] as $column) {
                $blocks = $tree->children()[$column] ?? [];
                $last = $blocks === [] ? '' : $kind->label($tree, $tree->get($blocks[count($blocks) - 1]));
                $columns[$column] = __('history.place.column', ['side' => __('history.moved.sides.'.Side::of($tree, $column)->value)])
                    .($blocks === [] ? __('history.place.empty') : ($last === '' ? '' : __('history.place.after', ['last' => $last])));
            }
            $sections[] = ['section' => $kind->label($tree, $tree->get($id)), 'columns' => $columns];
        }
        $this->sections = $sections;
    }
}
