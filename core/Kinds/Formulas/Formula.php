<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Formulas;

use LogicException;

/**
 * A formula has two spellings. People read and write letters and numbers: `SUM(B2:B40)*$E$1`. Kept are the ids of rows and
 * columns: `SUM([r2f.cb9]:[r8k.cb9])*[$r1a.$ce4]`, where a row left out is the formula's own, `*` is all rows or columns
 * and `$` says what stays when the formula is copied. So a row that comes, goes or moves changes no formula, two people's
 * rows never bend each other's formulas, and a formula down a column is the same text in every row.
 */
final class Formula
{
    private const KEPT = '/"(?:[^"]|"")*"|(\[(\$?)([A-Za-z0-9_-]*|\*)\.(\$?)([A-Za-z0-9_-]+|\*)\])(?::(\[(\$?)([A-Za-z0-9_-]*|\*)\.(\$?)([A-Za-z0-9_-]+|\*)\]))?/';

    public const SPELLED = '/"(?:[^"]|"")*"|(?<![\w.$\']|\p{L})(?:(?:\'((?:[^\']|\'\')+)\'|([\p{L}_][\p{L}\p{N}_.]*))!)?(?:(\$?)([A-Za-z]{1,3})(\$?)([1-9]\d{0,6})(?::(\$?)([A-Za-z]{1,3})(\$?)([1-9]\d{0,6}))?|(\$?)([A-Za-z]{1,3}):(\$?)([A-Za-z]{1,3})|(\$?)([1-9]\d{0,6}):(\$?)([1-9]\d{0,6}))(?![\w(.!]|\p{L})/u';

    public const GONE = '#REF!';

    /**
     * @return array{string, list<Reference>} the formula with its references replaced by A1, A2 and so on, and these; the row of the
     *     formula itself is ''
     */
    public static function template(string $kept): array
    {
        $references = [];
        $template = (string) preg_replace_callback(self::KEPT, function (array $found) use (&$references): string {
            if (! isset($found[1])) {
                return $found[0];
            }
            $range = isset($found[6]);
            $references[] = new Reference(
                self::id($found[3], ''),
                self::id($found[5], ''),
                self::id($found[$range ? 8 : 3], ''),
                self::id($found[$range ? 10 : 5], ''),
                $range,
            );

            return 'A'.count($references);
        }, $kept, flags: PREG_UNMATCHED_AS_NULL);

        return [$template, $references];
    }

    /**
     * As people read it, where it is.
     *
     * @throws LogicException of a part of a state, which does not know where it leads
     */
    public static function spell(string $kept, string $ownRow, CellPlaces $places): string
    {
        $places->isWhole || throw new LogicException('a formula is spelled by a whole state');
        return (string) preg_replace_callback(
            self::KEPT,
            function (array $found) use ($ownRow, $places): string {
                if (! isset($found[1])) {
                    return $found[0];
                }
                $row = self::id($found[3], $ownRow);
                $column = self::id($found[5], '');
                $tab = self::tab($row, $column, $places);
                $ends = [self::end($row, $found[2], $column, $found[4], $places)];
                if (isset($found[6])) {
                    [$lastRow, $lastColumn] = [self::id($found[8], $ownRow), self::id($found[10], '')];
                    $ends[] = self::tab($lastRow, $lastColumn, $places) === $tab
                        ? self::end($lastRow, $found[7], $lastColumn, $found[9], $places)
                        : null;
                }
                if ($tab === null || in_array(null, $ends, true)) {
                    return self::GONE;
                }

                return ($tab === $places->tab($ownRow) ? '' : self::quoted($places->tabs[$tab]).'!').implode(':', $ends);
            },
            $kept,
            flags: PREG_UNMATCHED_AS_NULL,
        );
    }

    /** As it is kept; what is nowhere becomes `#REF!`, a range that reaches beyond the sheet ends with it. */
    public static function keep(string $spelled, string $ownRow, CellPlaces $places): string
    {
        return (string) preg_replace_callback(
            self::SPELLED,
            function (array $found) use ($ownRow, $places): string {
                if ($found[4] === null && $found[12] === null && $found[16] === null) {
                    return $found[0];
                }
                $name = $found[1] !== null ? str_replace("''", "'", $found[1]) : $found[2];
                $tab = $name === null ? $places->tab($ownRow) : $places->tabNamed($name);
                if ($tab === null || ! isset($places->tabs[$tab])) {
                    return self::GONE;
                }
                $range = $found[8] !== null || $found[4] === null;
                $ends = match (true) {
                    $found[4] !== null && $found[8] !== null => [
                        [$found[5], (int) $found[6], $found[3], $found[4]],
                        [$found[9], (int) $found[10], $found[7], $found[8]],
                    ],
                    $found[4] !== null => [[$found[5], (int) $found[6], $found[3], $found[4]]],
                    $found[12] !== null => [['', null, $found[11], $found[12]], ['', null, $found[13], $found[14]]],
                    default => [[$found[15], (int) $found[16], '', null], [$found[17], (int) $found[18], '', null]],
                };
                $kept = [];
                foreach ($ends as $at => [$rowSign, $row, $columnSign, $letters]) {
                    $last = $range && $at === 1;
                    $rowId = $row === null ? '*' : self::at($places->rows[$tab], $row - 1, $last);
                    $columnId = $letters === null ? '*' : self::at($places->columns[$tab], CellPlaces::column((string) $letters), $last);
                    if ($rowId === null || $columnId === null) {
                        return self::GONE;
                    }
                    $kept[] = "[{$rowSign}".($rowId === $ownRow && $rowSign === '' ? '' : $rowId).".{$columnSign}{$columnId}]";
                }

                return implode(':', $kept);
            },
            $spelled,
            flags: PREG_UNMATCHED_AS_NULL,
        );
    }

    /**
     * A formula as people write it, as it is when it is written so many columns and rows further: what has a sign stays, what would be
     * outside is `#REF!`.
     */
    public static function moved(string $spelled, int $columns, int $rows): string
    {
        return (string) preg_replace_callback(
            self::SPELLED,
            function (array $found) use ($columns, $rows): string {
                if ($found[4] === null && $found[12] === null && $found[16] === null) {
                    return $found[0];
                }
                $ends = [];
                foreach (
                    [
                        array_slice($found, 3, 4),
                        array_slice($found, 7, 4),
                        [$found[11], $found[12], null, null],
                        [$found[13], $found[14], null, null],
                        [null, null, $found[15], $found[16]],
                        [null, null, $found[17], $found[18]],
                    ] as [$columnSign, $letters, $rowSign, $number]
                ) {
                    $column = $letters === null ? null : CellPlaces::column($letters) + ($columnSign === '' ? $columns : 0);
                    $row = $number === null ? null : (int) $number + ($rowSign === '' ? $rows : 0);
                    if (($column !== null && $column < 0) || ($row !== null && $row < 1)) {
                        return self::GONE;
                    }
                    if ($column !== null || $row !== null) {
                        $ends[] = ($column === null ? '' : $columnSign.CellPlaces::letters($column)).($row === null ? '' : $rowSign.$row);
                    }
                }
                $name = $found[1] !== null ? "'{$found[1]}'!" : ($found[2] !== null ? "{$found[2]}!" : '');

                return $name.implode(':', $ends);
            },
            $spelled,
            flags: PREG_UNMATCHED_AS_NULL,
        );
    }

    /**
     * The same formula with other ids.
     *
     * @param  \Closure(string): string  $other
     */
    public static function renamed(string $kept, \Closure $other): string
    {
        $id = fn (?string $id): string => $id === null || $id === '' || $id === '*' ? (string) $id : $other($id);

        return (string) preg_replace_callback(
            self::KEPT,
            fn (array $found): string => ! isset($found[1])
                ? $found[0]
                : "[{$found[2]}{$id($found[3])}.{$found[4]}{$id($found[5])}]"
                    .(isset($found[6]) ? ":[{$found[7]}{$id($found[8])}.{$found[9]}{$id($found[10])}]" : ''),
            $kept,
            flags: PREG_UNMATCHED_AS_NULL,
        );
    }

    /**
     * The same formula with other ranges; single cells stay.
     *
     * @param  \Closure(Reference): ?array{?string, ?string, ?string, ?string}  $other  row, column, last row, last column; null when all of
     *     it is gone
     */
    public static function reranged(string $kept, string $ownRow, \Closure $other): string
    {
        return (string) preg_replace_callback(
            self::KEPT,
            function (array $found) use ($ownRow, $other): string {
                if (! isset($found[6])) {
                    return $found[0];
                }
                $now = $other(
                    new Reference(
                        self::id($found[3], $ownRow),
                        self::id($found[5], ''),
                        self::id($found[8], $ownRow),
                        self::id($found[10], ''),
                        true,
                    ),
                );
                if ($now === null) {
                    return self::GONE;
                }
                $write = fn (?string $id, ?string $sign): string => $id === null ? '*' : ($id === $ownRow && $sign === '' ? '' : $id);

                return "[{$found[2]}{$write($now[0], $found[2])}.{$found[4]}{$write($now[1], '$')}]:[{$found[7]}{$write(
                    $now[2],
                    $found[7],
                )}.{$found[9]}{$write($now[3], '$')}]";
            },
            $kept,
            flags: PREG_UNMATCHED_AS_NULL,
        );
    }

    /**
     * Whether two formulas differ in the ends of ranges alone, and only in such that stood on one of some rows or columns on
     * one side: then the range followed when these went, came or moved.
     *
     * @param  array<string, true>  $uprooted
     */
    public static function sameButForEnds(string $one, string $two, array $uprooted): bool
    {
        [$template, $references] = self::template($one);
        [$other, $others] = self::template($two);
        $template = str_replace(self::GONE, '', (string) preg_replace('/\bA\d+\b/', '', $template));
        $other = str_replace(self::GONE, '', (string) preg_replace('/\bA\d+\b/', '', $other));
        if ($template !== $other || $references === $others) {
            return false;
        }
        if (count($references) !== count($others)) {
            // A range of which nothing was left became an error.
            return true;
        }
        foreach ($references as $at => $reference) {
            $ends = [$reference->row, $reference->column, $reference->lastRow, $reference->lastColumn];
            $otherEnds = [$others[$at]->row, $others[$at]->column, $others[$at]->lastRow, $others[$at]->lastColumn];
            foreach ($ends as $end => $id) {
                if (
                    $id !== $otherEnds[$end]
                    && (! $reference->isRange || ! (isset($uprooted[(string) $id]) || isset($uprooted[(string) $otherEnds[$end]])))
                ) {
                    return false;
                }
            }
        }

        return true;
    }

    private static function id(?string $written, string $ownRow): ?string
    {
        return match ($written) {
            '*', null => null,
            '' => $ownRow,
            default => $written,
        };
    }

    private static function tab(?string $row, ?string $column, CellPlaces $places): ?string
    {
        $tabs = array_unique(
            array_map(fn (string $id) => $places->of($id)[0] ?? null, array_filter([$row, $column], fn (?string $id) => $id !== null)),
        );

        return count($tabs) === 1 ? reset($tabs) : null;
    }

    private static function end(?string $row, ?string $rowSign, ?string $column, ?string $columnSign, CellPlaces $places): ?string
    {
        if (($row !== null && $places->of($row) === null) || ($column !== null && $places->of($column) === null)) {
            return null;
        }

        return ($column === null ? '' : $columnSign.CellPlaces::letters($places->position($column)))
            .($row === null ? '' : $rowSign.($places->position($row) + 1));
    }

    /** @param list<string> $ids */
    private static function at(array $ids, int $position, bool $orLast): ?string
    {
        return $ids[$position] ?? ($orLast && $ids !== [] ? $ids[count($ids) - 1] : null);
    }

    private static function quoted(string $name): string
    {
        return preg_match('/^[\p{L}_][\p{L}\p{N}_]*$/u', $name) === 1 && preg_match('/^[A-Za-z]{1,3}\d+$/', $name) !== 1
            ? $name
            : "'".str_replace("'", "''", $name)."'";
    }
}
