<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Recalculation;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use PHPUnit\Framework\TestCase;

/** Formulas beside what their standard says that they give: `cases/openformula.txt`. */
final class OpenFormulaTest extends TestCase
{
    /** Columns A to K, row by row. */
    private const SHEET = [
        [7, 1, 10, 'apple', ['d', '2024-02-29'], 1, 2, 'name', 'n', -1000, 'name'],
        [2, 2, 20, 'pear', ['d', '2025-03-15'], 3, 4, 'ann', 1, 300, 'ann'],
        [3, 3, 30, 'Plum', null, null, null, 'bob', 2, 420, null],
        [true, 4, 20, 'fig', null, 10, null, 'ann', 4, 506, null],
        ['Hello', 5, 50, 'apple', null, 30, null, null, null, null, null],
        [null, 6, 60, 'kiwi', null, 0.25, null, null, null, null, null],
        [null, null, null, null, null, 0.75, null, null, null, null, null],
    ];

    public function test_three_hundred_formulas_give_what_the_standard_says(): void
    {
        $lines = array_values(
            array_filter(
                explode("\n", (string) file_get_contents(__DIR__.'/cases/openformula.txt')),
                fn (string $line) => $line !== '' && $line[0] !== ';',
            ),
        );
        self::assertGreaterThan(300, count($lines));
        $parts = [new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0])];
        foreach (range(0, 12) as $column) {
            $parts[] = new Part(sprintf('c%03d', $column), 'column', 1, ['width' => 0, 'format' => '']);
        }
        foreach ($lines as $at => $line) {
            $fields = ['c012' => ['=', substr(explode("\t", $line)[0], 1)]];
            foreach (self::SHEET[$at] ?? [] as $column => $value) {
                $value === null || $fields[sprintf('c%03d', $column)] = $value;
            }
            $parts[] = new Part(sprintf('r%05d', $at), 'row', 1, $fields);
        }
        $worked = Recalculation::of(PartTree::of([]), Spelling::kept(PartTree::of($parts)), '2026-05-01');
        $wrong = [];
        foreach ($lines as $at => $line) {
            [$formula, $wanted] = explode("\t", $line);
            $result = Cell::result($worked->get(sprintf('r%05d', $at))->fields['c012']);
            self::agrees($wanted, $result)
                || ($wrong[]
                    = "{$formula} is ".json_encode($result, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES).", and not {$wanted}");
        }
        self::assertSame([], $wrong);
    }

    private static function agrees(string $wanted, mixed $result): bool
    {
        return match (true) {
            is_int($result), is_float($result) => is_numeric($wanted)
                && abs((float) $wanted - $result) <= 1e-8 * max(1.0, abs((float) $wanted)),
            is_bool($result) => $wanted === ($result ? 'TRUE' : 'FALSE'),
            is_array($result) => $wanted === $result[1] || $wanted === '"'.str_replace('T', ' ', (string) $result[1]).'"',
            default => $wanted === "\"{$result}\"",
        };
    }
}
