<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** When a phrase or a value appeared anywhere in an item, and when it went. Cost follows what changed, after one look at the beginning. */
final class Lifespans
{
    /**
     * @param  string  $phrase  found in texts whatever its case; a number, date or formula must be the whole of a cell
     * @param  PartTree  $start  the state before the first step
     * @param  iterable<Step>  $steps  ascending
     * @return list<Lifespan>
     */
    public static function of(string $phrase, PartTree $start, iterable $steps): array
    {
        $count = 0;
        foreach ($start->parts as $part) {
            $count += self::count($part, $phrase);
        }
        $spans = [];
        $from = null;
        $there = $count > 0;
        foreach ($steps as $step) {
            foreach ($step->changes->changes as $change) {
                $count += ($change->after === null ? 0 : self::count($change->after, $phrase))
                - ($change->before === null ? 0 : self::count($change->before, $phrase));
            }
            if ($there && $count === 0) {
                $spans[] = new Lifespan($from, $step->number);
            }
            if (! $there && $count > 0) {
                $from = $step->number;
            }
            $there = $count > 0;
        }

        return $there ? [...$spans, new Lifespan($from, null)] : $spans;
    }

    /** In how many fields of a part it is. */
    private static function count(Part $part, string $phrase): int
    {
        $count = 0;
        foreach ($part->fields as $value) {
            $count
                += $value instanceof RichText ? (mb_stripos($value->text(), $phrase) !== false ? 1 : 0) : (self::is($value, $phrase) ? 1 : 0);
        }

        return $count;
    }

    private static function is(mixed $value, string $phrase): bool
    {
        if (is_string($value)) {
            return mb_stripos($value, $phrase) !== false;
        }

        return Cell::show($value) === $phrase || (Cell::isFormula($value) && is_array($value) && $value[1] === ltrim($phrase, '='));
    }
}
