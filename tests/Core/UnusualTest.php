<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Unusual\UnusualChange;
use MistyAttic\Core\History\Unusual\UnusualChanges;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class UnusualTest extends TestCase
{
    /** @return array<string, array{array<string, string>, string, string}> */
    public static function cases(): array
    {
        return Cases::in('unusual');
    }

    /** @param array<string, string> $case */
    #[DataProvider('cases')]
    public function test_what_is_worth_a_look_is_found_and_nothing_else(array $case, string $file, string $title): void
    {
        $kind = Kinds::named($case['kind'] ?? 'spreadsheet');
        $old = Sketch::read(self::spelledOut($case['old']), $kind->name());
        $new = Sketch::read(self::spelledOut($case['new']), $kind->name());
        $answers = [];
        foreach (explode("\n", $case['answers'] ?? '') as $line) {
            $answers['q'.ltrim((string) strtok($line, ' '), 'q')] = (int) strtok(' ');
        }
        $lines = [];
        foreach (UnusualChanges::in($kind, $old, $new, TreeCompare::of($old, $new), $answers) as $found) {
            $lines[] = rtrim("{$found->type->value} ".count($found->ids)." from {$found->ids[0]} {$found->field}")
            .' '
            .implode(
                ' ',
                array_map(
                    fn (string $name, string|int|float $value) => "{$name}={$value}",
                    array_keys($found->evidence),
                    $found->evidence,
                ),
            );
        }
        $said = implode("\n", $lines);
        if (getenv('REWRITE')) {
            Cases::rewrite($file, $title, 'finds', $said);
        }
        self::assertSame($case['finds'], $said);
    }

    public function test_what_follows_from_a_figure_is_not_typed_over(): void
    {
        $kind = new SpreadsheetKind;
        $sheet = fn (int $first): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
            ...array_map(
                fn (int $at): Part => new Part(sprintf('row%02d', $at), 'row', 1, [
                    'cone' => $at === 1 ? $first : 10 + ($at % 7),
                    'ctwo' => ['=', '[.cone]*2'],
                ]),
                range(1, 20),
            ),
        ]);
        $worked = fn (PartTree $tree): PartTree => Consequences::of($kind, PartTree::of([]), $tree, '2026-05-04');
        [$old, $new] = [$worked($sheet(12)), $worked($sheet(120_000))];
        self::assertSame([24, 240_000], array_map(fn (PartTree $tree) => Cell::result($tree->get('row01')->fields['ctwo']), [$old, $new]));
        self::assertSame(
            [['row01', 'cone']],
            array_map(
                fn (UnusualChange $found) => [$found->ids[0], $found->field],
                UnusualChanges::in($kind, $old, $new, TreeCompare::of($old, $new)),
            ),
        );
    }

    public function test_a_dataset_that_grows_and_a_log_that_is_kept_raise_nothing(): void
    {
        $kind = Kinds::named('spreadsheet');
        $before = PartTree::of([]);
        for ($rows = 1; $rows <= 60; $rows++) {
            $now = Sketch::read(self::spelledOut("SHEET {$rows}"), 'spreadsheet');
            self::assertSame([], UnusualChanges::in($kind, $before, $now, TreeCompare::of($before, $now)));
            $before = $now;
        }
    }

    /**
     * `SHEET n [from -> to …] [+ n]` is a tab with n rows, in which texts are replaced and rows come again; `WORDS n [other]` a document.
     */
    private static function spelledOut(string $text): string
    {
        if (preg_match('/^WORDS (\d+)( other)?$/', $text, $found) === 1) {
            $lines = [];
            for ($at = 0; $at < (int) $found[1]; $at += 10) {
                $lines[] = "p{$at} . "
                .implode(' ', array_map(fn (int $word) => (isset($found[2]) ? 'new' : 'word').($at + $word), range(1, 10)));
            }

            return implode("\n", $lines);
        }
        if (preg_match('/^SHEET (\d+)(?: \+ (\d+))?(.*)$/s', $text, $found) !== 1) {
            return $text;
        }
        $rows = [];
        for ($at = 1; $at <= (int) $found[1]; $at++) {
            $rows[] = "  r{$at} row c1=Item {$at} | c2=".(10 + $at % 13);
        }
        foreach (preg_split('/ (?=c2=\S+ -> | \| )/', trim($found[3])) ?: [] as $swap) {
            if (str_contains($swap, ' ->')) {
                [$from, $to] = explode(' ->', $swap);
                $rows = str_replace(ltrim($from), trim($to), $rows);
            }
        }
        foreach (array_slice($rows, 0, (int) $found[2]) as $at => $row) {
            $rows[] = (string) preg_replace('/^  r\d+/', "  again{$at}", $row);
        }

        return "t1 tab name=Log\n  c1 column\n  c2 column\n  r0 row c1=Item | c2=Price\n".implode("\n", $rows);
    }
}
