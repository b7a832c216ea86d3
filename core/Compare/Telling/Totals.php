<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;

/** The sums of columns of numbers on two sides. What is typed counts; formulas only in columns that hold nothing else. O(cells). */
final readonly class Totals
{
    private function __construct(public string $table, public string $column, public int|float $old, public int|float $new) {}

    /** @return list<self> of the columns whose sum differs, in order */
    public static function of(Kind $kind, Grid $grid, PartTree $old, PartTree $new): array
    {
        [$was, $is] = [self::sums($grid, $old), self::sums($grid, $new)];
        $totals = [];
        foreach ($new->parts as $part) {
            $before = $was[$part->id] ?? null;
            $after = $is[$part->id] ?? null;
            if ($part->role === $grid->column && ($before ?? 0) != ($after ?? 0)) {
                $table = $new->parent($part->id);
                $totals[] = new self(
                    $table === PartTree::ROOT ? '' : $kind->label($new, $new->get($table)),
                    $kind->label($new, $part),
                    $before ?? 0,
                    $after ?? 0,
                );
            }
        }

        return $totals;
    }

    /** @return array<string, int|float> column => sum; columns without numbers are left out */
    private static function sums(Grid $grid, PartTree $tree): array
    {
        $typed = $worked = [];
        foreach ($tree->parts as $part) {
            foreach ($part->role === $grid->row ? $part->fields : [] as $column => $value) {
                $result = Cell::result($value);
                if (! is_int($result) && ! is_float($result)) {
                    continue;
                }
                if (Cell::isFormula($value)) {
                    $worked[$column] = ($worked[$column] ?? 0) + $result;
                } else {
                    $typed[$column] = ($typed[$column] ?? 0) + $result;
                }
            }
        }

        return array_map(fn (int|float $sum) => Cell::number(round($sum, 10)), $typed + $worked);
    }
}
