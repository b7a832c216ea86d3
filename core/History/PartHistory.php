<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;

/** Every version that changed a part, a cell, a column or whatever is below a part. Cost follows what changed. */
final class PartHistory
{
    /**
     * @param  iterable<Step>  $steps  ascending
     * @param  string|null  $field  only what changed this field, such as a cell by the id of its column
     * @return list<Moment>
     */
    public static function of(string $part, iterable $steps, ?string $field = null): array
    {
        $moments = [];
        foreach ($steps as $step) {
            $own = array_values(
                array_filter(
                    $step->changes->changes,
                    fn (Change $change) => $change->id === $part && ($field === null || self::changes($change, $field)),
                ),
            );
            if ($own !== []) {
                $value = $field === null ? null : $own[array_key_last($own)]->after->fields[$field] ?? null;
                $moments[] = new Moment($step->number, $step->editor, $own, $value);
            }
        }

        return $moments;
    }

    /**
     * Every version that changed a cell of a column, or the column itself.
     *
     * @param  iterable<Step>  $steps
     * @return list<Moment>
     */
    public static function ofColumn(string $column, iterable $steps): array
    {
        $moments = [];
        foreach ($steps as $step) {
            $in = array_values(
                array_filter($step->changes->changes, fn (Change $change) => $change->id === $column || self::changes($change, $column)),
            );
            if ($in !== []) {
                $moments[] = new Moment($step->number, $step->editor, $in, null);
            }
        }

        return $moments;
    }

    /**
     * Every version that changed a part or anything below it, wherever it hung at the time.
     *
     * @param  iterable<Step>  $steps
     * @param  array<string, string>  $parents  id => parent, before the first step
     * @return list<Moment>
     */
    public static function ofSubtree(string $part, iterable $steps, array $parents): array
    {
        $moments = [];
        foreach ($steps as $step) {
            $before = $parents;
            foreach ($step->changes->changes as $change) {
                if ($change->to !== null) {
                    $parents[$change->id] = $change->to->parent;
                }
            }
            $in = array_values(
                array_filter(
                    $step->changes->changes,
                    fn (Change $change) => self::hangs($change->id, $part, $before) || self::hangs($change->id, $part, $parents),
                ),
            );
            if ($in !== []) {
                $moments[] = new Moment($step->number, $step->editor, $in, null);
            }
        }

        return $moments;
    }

    private static function changes(Change $change, string $field): bool
    {
        return match ($change->type) {
            ChangeType::Edited => in_array($field, $change->fields(), true),
            ChangeType::Moved => false,
            default => isset($change->part()->fields[$field]),
        };
    }

    /** @param array<string, string> $parents */
    private static function hangs(string $id, string $part, array $parents): bool
    {
        for ($steps = 0; $id !== '' && $steps < 64; $steps++) {
            if ($id === $part) {
                return true;
            }
            $id = $parents[$id] ?? '';
        }

        return false;
    }
}
