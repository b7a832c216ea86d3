<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

/** Folds versions into sittings: runs without a long pause, whoever wrote. */
final class Sittings
{
    public const PAUSE = 1800;

    /**
     * @param  list<int>  $times  when each version was saved, in seconds, ascending
     * @param  int  $pause  seconds without a version that end a sitting
     * @return list<array{int, int}> half-open ranges of positions
     */
    public static function fold(array $times, int $pause = self::PAUSE): array
    {
        $sittings = [];
        foreach ($times as $at => $time) {
            $last = array_key_last($sittings);
            if ($last !== null && $time - $times[$at - 1] <= $pause) {
                $sittings[$last][1] = $at + 1;
            } else {
                $sittings[] = [$at, $at + 1];
            }
        }

        return $sittings;
    }
}
