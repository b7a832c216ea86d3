<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;

/** How far formulas look in each tab: a place that they name is there, though nothing is in it, so that they keep to what they say. */
final class Reach
{
    /** Columns and rows beyond which a formula means all there are. */
    private const FAR = [200, 5_000];

    private const REFERENCE = "/\"[^\"]*\"|(?:(?:'((?:[^']|'')+)'|([\w.]+))!)?\\\$?([A-Z]{1,3})\\\$?(\\d{1,7})(?::\\\$?([A-Z]{1,3})\\\$?(\\d{1,7}))?(?![\w(])/u";

    /** @var array<string, int> name in small letters => tab */
    private array $tabs = [];

    /** @var array<int, array{int, int}> tab => columns and rows */
    private array $reach = [];

    /** @param list<string> $names of the tabs */
    public function __construct(array $names)
    {
        foreach ($names as $at => $name) {
            $this->tabs[mb_strtolower($name)] = $at;
        }
    }

    /** @param int $tab where the formula is */
    public function add(string $formula, int $tab): void
    {
        preg_match_all(self::REFERENCE, $formula, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL);
        foreach ($found as [, $quoted, $plain, $letters, $number, $lastLetters, $lastNumber]) {
            $at = $quoted === null && $plain === null
                ? $tab
                : $this->tabs[mb_strtolower($quoted === null ? (string) $plain : str_replace("''", "'", $quoted))] ?? null;
            if ($letters === null || $at === null) {
                continue;
            }
            $column = 1 + max(CellPlaces::column($letters), $lastLetters === null ? 0 : CellPlaces::column($lastLetters));
            $row = max((int) $number, (int) $lastNumber);
            [$columns, $rows] = $this->of($at);
            // Whole columns and rows go as far as the table does.
            $this->reach[$at] = [max($columns, $column > self::FAR[0] ? 0 : $column), max($rows, $row > self::FAR[1] ? 0 : $row)];
        }
    }

    /**
     * Cells that have notes are there, too; far away a note alone makes no table longer.
     *
     * @param  list<SaidInFile>  $said
     */
    public function notes(array $said): void
    {
        foreach ($said as $one) {
            if ($one->cell !== null && $one->cell[1] < self::FAR[1] && $one->cell[2] < self::FAR[0]) {
                [$columns, $rows] = $this->of($one->cell[0]);
                $this->reach[$one->cell[0]] = [max($columns, $one->cell[2] + 1), max($rows, $one->cell[1] + 1)];
            }
        }
    }

    /** @return array{int, int} columns and rows of a tab that must be there */
    public function of(int $tab): array
    {
        return $this->reach[$tab] ?? [0, 0];
    }
}
