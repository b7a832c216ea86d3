<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Document;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Fresh;

/**
 * Two people may have widened one table in different ways: after a merge every row gets as many cells as the widest and a
 * table without cells goes. New ids derive from the row's
 * id and the column, so that the result depends on the content alone.
 */
final class DocumentRepair
{
    public static function of(PartTree $tree): PartTree
    {
        $children = $tree->children();
        $parts = $tree->byId();
        $changed = false;
        foreach ($tree->parts as $part) {
            if ($part->role !== DocumentRole::Table->value) {
                continue;
            }
            $rows = $children[$part->id] ?? [];
            $width = $rows === [] ? 0 : max(array_map(fn (string $row) => count($children[$row] ?? []), $rows));
            if ($width === 0) {
                $parent = $tree->parent($part->id);
                $children[$parent] = array_values(array_diff($children[$parent], [$part->id]));
                $changed = true;

                continue;
            }
            foreach ($rows as $row) {
                for ($column = count($children[$row] ?? []); $column < $width; $column++) {
                    $id = Fresh::derived($row.'/'.$column, $tree);
                    $children[$row][] = $id;
                    $parts[$id] = new Part($id, DocumentRole::Cell->value, 2, ['head' => false, 'text' => new RichText]);
                    $changed = true;
                }
            }
        }

        return $changed ? PartTree::grow($children, $parts) : $tree;
    }
}
