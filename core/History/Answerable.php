<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Statement;

/** Finds which of a range's versions made a change that shows between its two ends. */
final class Answerable
{
    /**
     * A part that is gone was removed by the last version that removed it, one that is new was added by the first that
     * added it after any removal; moved by the last mover; edited by every one that edited it.
     *
     * @param  list<Touch>  $touches  of one part, within the range, ascending
     * @return list<Touch> ascending; empty only when the touches tell nothing
     */
    public static function for(ChangeType $type, array $touches): array
    {
        $did = array_values(array_filter($touches, fn (Touch $touch) => $touch->did($type)));
        if ($did === []) {
            return array_slice($touches, -1);
        }

        return $type === ChangeType::Edited ? $did : array_slice($did, -1);
    }

    /**
     * Of a text that is on both sides: words go with their part and come with it, too.
     *
     * @param  list<Touch>  $touches  of its part, within the range, ascending
     * @return list<Touch> ascending; empty only when the touches tell nothing
     */
    public static function forWords(array $touches): array
    {
        $did = array_values(
            array_filter(
                $touches,
                fn (Touch $touch) => $touch->did(ChangeType::Edited) || $touch->did(ChangeType::Added) || $touch->did(ChangeType::Removed),
            ),
        );

        return $did === [] ? array_slice($touches, -1) : $did;
    }

    /**
     * @param  array<string, list<Touch>>  $touches  by part
     * @return list<Touch> of all parts that a statement is about, one a version, ascending
     */
    public static function forStatement(Statement $statement, array $touches): array
    {
        $found = [];
        foreach ($statement->isConsequence() ? [] : $statement->cells ?? $statement->ids as $id) {
            foreach (self::for($statement->type, $touches[$id] ?? []) as $touch) {
                $found[$touch->number] = $touch;
            }
        }
        ksort($found);

        return array_values($found);
    }

    /**
     * Runs of touches by one editor, each told by its last: enough to say who wrote which word, at fewer readings.
     *
     * @param  list<Touch>  $touches
     * @param  array<int, mixed>  $ends  versions that end a run, since it matters where words stood right after them
     * @return list<Touch>
     */
    public static function runs(array $touches, array $ends = []): array
    {
        $runs = [];
        foreach ($touches as $touch) {
            $last = array_key_last($runs);
            if ($last !== null && $runs[$last]->editor === $touch->editor && ! isset($ends[$runs[$last]->number])) {
                $runs[$last] = $touch;
            } else {
                $runs[] = $touch;
            }
        }

        return $runs;
    }
}
