<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\CellEdits;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kind;

/** What a version touched, for the index by which looking back finds the versions that matter. */
final class Touched
{
    /**
     * Parts, and single cells as `row/column`. A formula whose result moved, or whose ranges followed, was touched by nobody.
     *
     * @return array<string, int> bits of {@see ChangeType}
     */
    public static function by(ChangeSet $changes, Kind $kind): array
    {
        $row = $kind->grid()?->row;
        $edits = new CellEdits($changes);
        $touched = [];
        foreach ($changes->changes as $change) {
            $bit = $change->type->bit();
            if ($change->type !== ChangeType::Edited || $change->part()->role !== $row) {
                $touched[$change->id] = ($touched[$change->id] ?? 0) | $bit;

                continue;
            }
            foreach ($change->fields() as $column) {
                if (! $edits->followed($change->before->fields[$column] ?? null, $change->after->fields[$column] ?? null)) {
                    $touched[$change->id] = ($touched[$change->id] ?? 0) | $bit;
                    $touched["{$change->id}/{$column}"] = $bit;
                }
            }
        }

        return $touched;
    }

    /**
     * Formulas that are spelled otherwise since their ranges followed a row or a column: touched by nobody, and yet another text.
     *
     * @return list<string> as `row/column`
     */
    public static function followed(ChangeSet $changes, Kind $kind): array
    {
        $row = $kind->grid()?->row;
        $edits = new CellEdits($changes);
        $followed = [];
        foreach ($changes->changes as $change) {
            foreach ($change->type === ChangeType::Edited && $change->part()->role === $row ? $change->fields() : [] as $column) {
                [$was, $is] = [$change->before->fields[$column] ?? null, $change->after->fields[$column] ?? null];
                if (Cell::formula($was) !== Cell::formula($is) && $edits->followed($was, $is)) {
                    $followed[] = "{$change->id}/{$column}";
                }
            }
        }

        return $followed;
    }
}
