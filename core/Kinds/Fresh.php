<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** Gives the parts of a tree other ids, also where cells and formulas name them. */
final class Fresh
{
    /**
     * An id for a part that a repair puts in: it depends on the content alone, so that two repairs of the same agree, and is none that
     * is in the tree already, since a part that was put in once may have moved on.
     */
    public static function derived(string $from, PartTree $tree): string
    {
        for ($tries = ''; ; $tries .= '+') {
            $id = 'c'.substr(hash('sha256', $from.$tries), 0, 12);
            if (! $tree->has($id)) {
                return $id;
            }
        }
    }

    /** @param array<string, string> $ids old => new; what is not named keeps its own */
    public static function ids(PartTree $tree, array $ids): PartTree
    {
        $id = fn (string $id): string => $ids[$id] ?? $id;

        return PartTree::of(array_map(function (Part $part) use ($id): Part {
            $fields = [];
            foreach ($part->fields as $name => $value) {
                $formula = $part->role === SpreadsheetRole::Row->value && is_array($value) ? Cell::formula($value) : null;
                $fields[$id($name)] = match (true) {
                    $name === 'expression' && is_string($value) => FieldNames::replaced($value, $id),
                    $formula !== null => Cell::withFormula($value, Formula::renamed($formula, $id)),
                    default => $value,
                };
            }

            return new Part($id($part->id), $part->role, $part->depth, $fields);
        }, $tree->parts));
    }
}
