<?php

declare(strict_types=1);

namespace MistyAttic\Core\Store;

/**
 * What deltas are packed against when what they are deltas of goes: in the place of each that goes comes the oldest of what is left below
 * it, so that all of them lie as near to each other as they did, and no way to something whole gets longer.
 */
final class Heirs
{
    /**
     * @param  array<int, int|null>  $left  what is a delta of something that goes => that
     * @param  array<int, int|null>  $gone  what goes => what it is a delta of, null if it is whole
     * @return array<int, int|null> what is left, the oldest first => what it becomes a delta of, null to become whole
     */
    public static function against(array $left, array $gone): array
    {
        $heirs = $against = [];
        ksort($left);
        foreach ($left as $id => $base) {
            for ($at = $base; $at !== null && array_key_exists($at, $gone) && ! isset($heirs[$at]); $at = $gone[$at]) {
                $heirs[$at] = $id;
            }
        }
        foreach ($left as $id => $base) {
            for ($at = $base; $at !== null && ($heirs[$at] ?? null) === $id; $at = $gone[$at]);
            $against[$id] = $at === null ? null : $heirs[$at] ?? $at;
        }

        return $against;
    }
}
