<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** Names of tabs as workbooks take them: 31 characters without some signs, no two alike but for their case (ECMA-376 part 1, 18.2.19). */
final class TabNames
{
    private const MOST = 31;

    /** The same spreadsheet; one that is kept is renamed before its formulas are spelled, so that they go on naming what they mean. */
    public static function fitting(PartTree $tree): PartTree
    {
        $parts = $tree->parts;
        $taken = [];
        $number = 0;
        foreach ($parts as $at => $part) {
            if ($part->role !== SpreadsheetRole::Tab->value) {
                continue;
            }
            $number++;
            $wanted = trim((string) preg_replace('~[\\\\/*?:\[\]\x00-\x1F]~u', ' ', $part->string('name')), " '");
            $name = self::free($wanted === '' ? "Sheet {$number}" : $wanted, $taken);
            $taken[mb_strtolower($name)] = true;
            $parts[$at] = $name === $part->string('name') ? $part : $part->with('name', $name);
        }

        return $parts === $tree->parts ? $tree : PartTree::of($parts);
    }

    /** @param array<string, true> $taken in small letters */
    private static function free(string $wanted, array $taken): string
    {
        $name = trim(mb_substr($wanted, 0, self::MOST), " '");
        for ($again = 2; isset($taken[mb_strtolower($name)]); $again++) {
            $name = rtrim(mb_substr($wanted, 0, self::MOST - strlen(" {$again}"))." {$again}");
        }

        return $name;
    }
}
