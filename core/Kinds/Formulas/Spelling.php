<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Formulas;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** Turns all formulas of a spreadsheet from one spelling into the other: see {@see Formula}. */
final class Spelling
{
    /** From letters and numbers, as files have them, to ids. */
    public static function kept(PartTree $tree): PartTree
    {
        $places = new CellPlaces($tree);

        return self::each($tree, fn (string $formula, Part $row): string => Formula::keep($formula, $row->id, $places));
    }

    public static function spelled(PartTree $tree): PartTree
    {
        $places = new CellPlaces($tree);

        return self::each($tree, fn (string $formula, Part $row): string => Formula::spell($formula, $row->id, $places));
    }

    public static function hasFormulas(PartTree $tree): bool
    {
        foreach ($tree->parts as $part) {
            foreach ($part->mayHold('"="') ? $part->fields : [] as $value) {
                if (is_array($value) && Cell::isFormula($value)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param \Closure(string, Part): string $other */
    public static function each(PartTree $tree, \Closure $other): PartTree
    {
        $parts = $tree->parts;
        foreach ($parts as $position => $part) {
            if ($part->role !== SpreadsheetRole::Row->value) {
                continue;
            }
            $fields = [];
            foreach ($part->fields as $column => $value) {
                if (is_array($value) && ($formula = Cell::formula($value)) !== null && ($now = $other($formula, $part)) !== $formula) {
                    $fields[$column] = Cell::withFormula($value, $now);
                }
            }
            if ($fields !== []) {
                $parts[$position] = new Part($part->id, $part->role, $part->depth, [...$part->fields, ...$fields]);
            }
        }

        return $parts === $tree->parts ? $tree : PartTree::of($parts);
    }
}
