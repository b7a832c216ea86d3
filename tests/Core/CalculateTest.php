<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Calculate\Functions;
use MistyAttic\Core\Calculate\Recalculation;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Kinds;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CalculateTest extends TestCase
{
    private const TODAY = '2026-05-01';

    /**
     * A sheet from lines of cells with bars between: numbers, texts, `2026-05-03` for days, `=…` for formulas.
     *
     * @param  array<string, string>  $tabs  name => lines
     */
    private static function sheet(array $tabs): PartTree
    {
        $parts = [];
        $at = 0;
        foreach ($tabs as $name => $lines) {
            $at++;
            $rows = array_map(fn (string $line) => array_map(trim(...), explode('|', $line)), explode("\n", trim($lines)));
            $parts[] = new Part("tab{$at}", 'tab', 0, ['name' => $name, 'frozen' => 0]);
            for ($column = 0; $column < max(array_map(count(...), $rows)); $column++) {
                $parts[] = new Part("t{$at}c{$column}", 'column', 1, ['width' => 0, 'format' => '']);
            }
            foreach ($rows as $number => $cells) {
                $fields = [];
                foreach ($cells as $column => $text) {
                    $value = match (true) {
                        $text === '' => null,
                        $text[0] === '=' => ['=', substr($text, 1)],
                        is_numeric($text) => $text + 0,
                        Cell::isDate($text) => ['d', $text],
                        default => $text,
                    };
                    if ($value !== null) {
                        $fields["t{$at}c{$column}"] = $value;
                    }
                }
                $parts[] = new Part("t{$at}r{$number}", 'row', 1, $fields);
            }
        }

        return Spelling::kept(PartTree::of($parts));
    }

    private static function calculated(PartTree $tree, ?PartTree $before = null): PartTree
    {
        return Recalculation::of($before ?? PartTree::of([]), $tree, self::TODAY);
    }

    private static function shown(PartTree $tree, string $cell, int $tab = 1): string
    {
        [$letter, $number] = [$cell[0], (int) substr($cell, 1) - 1];

        return Cell::show($tree->get("t{$tab}r{$number}")->fields["t{$tab}c".(ord($letter) - 65)] ?? null);
    }

    private static function spelled(PartTree $tree, string $row, string $column): string
    {
        return Formula::spell((string) Cell::formula($tree->get($row)->fields[$column] ?? null), $row, new CellPlaces($tree));
    }

    /** @return array<string, array{string, string}> */
    public static function formulas(): array
    {
        return [
            'adds' => ['=A1+B1', '7'],
            'binds a power closer than a sign' => ['=-A1^2', '9'],
            'knows percent' => ['=10%*B1', '0.4'],
            'joins texts' => ['=A1&"-"&C1', '3-tea'],
            'compares texts without case' => ['=C1="TEA"', 'TRUE'],
            'takes nothing for zero' => ['=A9+1', '#REF!'],
            'divides by zero' => ['=A1/0', '#DIV/0!'],
            'refuses a text' => ['=A1+C1', '#VALUE!'],
            'catches an error' => ['=IFERROR(A1/0,"none")', 'none'],
            'does not know a name' => ['=NOSUCH(A1)', '#NAME?'],
            'is no formula' => ['=SUM(', '#ERROR!'],
            'sums a range with texts in it' => ['=SUM(A1:C1)', '7'],
            'sums a whole column' => ['=SUM(B:B)-B3', '24'],
            'sums a whole row' => ['=SUM(2:2)', '30'],
            'keeps a quotation mark' => ['=LEN("a""b")', '3'],
            'counts with a condition' => ['=COUNTIF(A1:B2,">3")', '3'],
            'works on blocks' => ['=SUMPRODUCT((A1:A2>3)*B1:B2)', '20'],
            'makes a day of days' => ['=DATE(2026,5,3)+7', '2026-05-10'],
            'makes a number of two days' => ['=DATE(2026,5,3)-DATE(2026,5,1)', '2'],
            'gives the greatest day as a day' => ['=MAX(A3:B3)', '2026-05-09'],
            'knows the day that it is told' => ['=TODAY()', '2026-05-01'],
            'tells where it reads' => ['=ROW(A2)+COLUMN(C1)', '5'],
            'looks up' => ['=VLOOKUP(10,A1:B2,2,FALSE)', '20'],
            'reads another tab' => ["='Tip jar'!A1*2", '84'],
            'subtotals' => ['=SUBTOTAL(9,A1:B2)', '37'],
            'chooses for each of a block' => ['=SUM(IF(A1:B2>3,A1:B2,0))', '34'],
            'chooses a column for each row' => ['=SUM(IF(A1:B2>3,A1:A2))', '23'],
            'sums what is filtered' => ['=SUM(FILTER(B1:B2,A1:A2>3))', '20'],
            'turns a block' => ['=SUM(MMULT(TRANSPOSE(A1:A2),B1:B2))', '212'],
            'is no block' => ['=A1:B2', '#VALUE!'],
            'looks up with wildcards' => ['=VLOOKUP("t?a",C1:C2,1,FALSE)', 'tea'],
            'looks up a sign itself' => ['=IFERROR(VLOOKUP("t~?a",C1:C2,1,FALSE),"none")', 'none'],
            'looks up across' => ['=HLOOKUP("t*",C1:C2,1,FALSE)', 'tea'],
            'looks up across and down' => ['=HLOOKUP("t*",A1:C2,1,FALSE)', 'tea'],
            'takes texts for nothing in a mean of all' => ['=AVERAGEA(A1:C1)', '2.33333333333333'],
            'reads a percent' => ['=VALUE("12.5%")', '0.125'],
            'searches with wildcards' => ['=SEARCH("e?","the tea")', '3'],
            'goes to no network' => ['=WEBSERVICE("x")', '#NAME?'],
            'reads no file' => ['=INDIRECT("A1")', '#NAME?'],
        ];
    }

    #[DataProvider('formulas')]
    public function test_a_formula(string $formula, string $result): void
    {
        // The formula stands out of what it reads.
        $tree = self::calculated(self::sheet(['Log' => "3|4|tea|||\n10|20||||\n2026-05-03|2026-05-09||||{$formula}", 'Tip jar' => '42']));

        self::assertSame($result, self::shown($tree, 'F3'));
    }

    public function test_five_hundred_varied_formulas_agree_with_the_library(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        mt_srand($seed);
        $rows = [];
        $number = fn () => mt_rand(0, 3) === 0 ? mt_rand(-500, 500) / 4 : mt_rand(0, 60);
        for ($row = 1; $row <= 50; $row++) {
            $rows[] = [$number(), $number(), ['pear', 'plum', 'Fig', 'quince', '12'][mt_rand(0, 4)].($row % 3 ? '' : ' tart'), $number()];
        }
        $patterns = [
            'A%1+B%2*D%3',
            'A%1-B%2/(D%3^2+1)',
            'SUM(A%1:B%2)',
            'AVERAGE(A1:A%1)',
            'MIN(A%1:D%2)',
            'MAX(A%1,B%2,D%3)',
            'IF(A%1>B%2,"more",C%3)',
            'ROUND(A%1/7,2)',
            'INT(A%1)',
            'MOD(B%1,7)',
            'ABS(A%1)',
            'COUNT(A1:D%1)',
            'COUNTA(C1:C%1)',
            'COUNTIF(C1:C50,C%1)',
            'COUNTIF(A1:A50,">"&B%1)',
            'SUMIF(C1:C50,C%1,A1:A50)',
            'VLOOKUP(A%1,A1:D50,2,FALSE)',
            'INDEX(A1:D50,%1,2)',
            'MATCH(A%1,A1:A50,0)',
            'LEFT(C%1,2)',
            'RIGHT(C%1,3)',
            'MID(C%1,2,2)',
            'LEN(C%1)',
            'UPPER(C%1)',
            'LOWER(C%1)',
            'PROPER(C%1)',
            'TRIM(" "&C%1)',
            'SUBSTITUTE(C%1,"p","b")',
            'C%1&"/"&A%2',
            'CONCATENATE(C%1,A%2)',
            'IFERROR(1/A%1,0)',
            '1/(A%1-A%1)',
            'A%1+C%2',
            'ISNUMBER(C%1)',
            'ISTEXT(C%1)',
            'AND(A%1>0,B%2>0)',
            'OR(A%1>40,B%2>40)',
            'NOT(A%1>B%1)',
            'MEDIAN(A1:B%1)',
            'STDEV(A1:A50)',
            'LARGE(A1:A50,3)',
            'SMALL(B1:B50,2)',
            'RANK(A%1,A1:A50)',
            'SUMPRODUCT(A1:A50,B1:B50)',
            'A%1=B%2',
            'A%1<>A%1',
            'C%1="pear"',
            'C%1<C%2',
            '-A%1',
            'A%1%',
            'SQRT(ABS(A%1))',
            'POWER(2,MOD(B%1,5))',
            'TEXT(A%1,"0.00")',
            'VALUE("12")+A%1',
            'REPT("x",MOD(ABS(INT(A%1)),4))',
            'FIND("a",C%1&"a")',
            'DATE(2026,1,ABS(INT(B%1))+1)',
            'YEAR(DATE(2026,MOD(ABS(INT(A%1)),12)+1,3))',
            'WEEKDAY(DATE(2026,1,%1))',
            'EXP(MOD(A%1,3))',
            'CHOOSE(2,A%1,B%1)',
            'SUMIFS(A1:A50,B1:B50,">10",D1:D50,"<40")',
            'AVERAGEIF(A1:A50,">0")',
            'CEILING(ABS(A%1),5)',
            'FLOOR(ABS(A%1),5)',
            'TRUNC(A%1,1)',
            'SIGN(A%1)',
            'HLOOKUP(A1,A1:D50,2,FALSE)',
            'IF(ISBLANK(A%1),1,2)',
            'PRODUCT(A1:A4)',
            'VAR(B1:B50)',
            'PMT(0.01,12,1000+A%1)',
            '(A%1+B%1)*(A%2-B%2)',
            'SUM(A%1:A%2,D%3)',
        ];
        $book = new Spreadsheet;
        $lines = [];
        $formulas = [];
        for ($at = 0; $at < 500; $at++) {
            $formulas[] = (string) preg_replace_callback('/%[123]/', fn () => (string) mt_rand(1, 50), $patterns[$at % count($patterns)]);
        }
        $sheet = $book->getActiveSheet();
        foreach ($rows as $row => $values) {
            $sheet->fromArray($values, null, 'A'.($row + 1), true);
            $sheet->getCell('C'.($row + 1))->setValueExplicit($values[2]);
        }
        $parts = self::sheet(['Log' => implode("\n", array_fill(0, 50, '1|1|1|1|1|1|1|1|1|1|1|1|1|1'))])->parts;
        foreach ($parts as $position => $part) {
            if ($part->role === 'row') {
                $row = (int) substr($part->id, 3);
                $fields = array_combine(['t1c0', 't1c1', 't1c2', 't1c3'], $rows[$row]);
                for ($column = 0; $column < 10; $column++) {
                    $fields['t1c'.(4 + $column)] = ['=', $formulas[$row * 10 + $column]];
                    $sheet->setCellValue([5 + $column, $row + 1], '='.$formulas[$row * 10 + $column]);
                }
                $parts[$position] = new Part($part->id, 'row', 1, $fields);
            }
        }
        $ours = self::calculated(Spelling::kept(PartTree::of($parts)));
        $agreed = 0;
        foreach ($formulas as $at => $formula) {
            $theirs = $sheet->getCell([5 + $at % 10, intdiv($at, 10) + 1])->getCalculatedValue();
            $theirs = is_array($theirs) ? reset($theirs) : $theirs;
            $mine = Cell::result($ours->get('t1r'.intdiv($at, 10))->fields['t1c'.(4 + $at % 10)]);
            if (is_array($mine)) {
                $mine = $mine[0] === 'd' ? Date::stringToExcel((string) $mine[1]) : $mine[1];
            }
            $same
                = is_numeric($theirs) && is_numeric($mine) ? abs($theirs - $mine) <= 1e-9 * max(1, abs((float) $theirs)) : $theirs === $mine;
            self::assertTrue($same, "seed {$seed}: ={$formula} is ".json_encode($mine).', the library says '.json_encode($theirs));
            $agreed++;
        }
        self::assertSame(500, $agreed);
    }

    public function test_no_function_works_without_end_or_makes_texts_without_end(): void
    {
        $functions = new Functions;
        foreach (['FACT', 'COMBIN', 'BESSELJ', 'CUMIPMT', 'DB', 'POISSON', 'FIXED', 'MULTINOMIAL'] as $name) {
            self::assertSame('#NUM!', $functions->call($name, [1e9, 1e9, 1e9, 1e9, 1e9]), $name);
        }
        self::assertSame('#NUM!', $functions->call('FACT', [[1 => ['A' => 3], 2 => ['A' => 1e12]]]));
        self::assertSame('#VALUE!', $functions->call('REPT', ['x', 1e9]));
        self::assertSame('#VALUE!', $functions->call('SUBSTITUTE', [str_repeat('a', 30000), 'a', str_repeat('b', 30000)]));
        self::assertSame('#VALUE!', $functions->call('TEXTJOIN', [',', true, array_fill(0, 400, str_repeat('a', 30000))]));
        self::assertSame(
            ['xxx', 120, -5000.0],
            [
                $functions->call('REPT', ['x', 3]),
                (int) $functions->call('FACT', [5]),
                round((float) $functions->call('CUMPRINC', [0.0001, 360, 250000, 1, 8, 0]) / 1000) * 1000,
            ],
        );
    }

    public function test_only_what_depends_on_a_change_is_worked_out(): void
    {
        $before = self::calculated(self::sheet(['Log' => "1|=A1*2|=B1+1\n5|=A2*2|=SUM(B1:B2)"]));
        $parts = $before->parts;
        // Results that are wrong on purpose stay where nothing is worked out.
        $parts[$before->position('t1r0') ?? 0] = $before->get('t1r0')->with('t1c1', Cell::withResult(['=', '[.t1c0]*2'], 99));
        $wrong = PartTree::of(array_values($parts));
        $parts[$before->position('t1r1') ?? 0] = $before->get('t1r1')->with('t1c0', 6);
        $after = self::calculated(PartTree::of(array_values($parts)), $wrong);

        self::assertSame(
            ['99', '3', '12', '111'],
            [self::shown($after, 'B1'), self::shown($after, 'C1'), self::shown($after, 'B2'), self::shown($after, 'C2')],
        );
    }

    public function test_circles_are_told_and_everything_else_is_worked_out(): void
    {
        $tree = self::calculated(self::sheet(['Log' => "=B1+1|=A1+1|=B1*2|=IFERROR(A1,0)\n=SUM(A1:A2)|7|=B2"]));

        self::assertSame(
            ['#CIRCLE!', '#CIRCLE!', '#CIRCLE!', '0', '#CIRCLE!', '7'],
            array_map(fn (string $cell) => self::shown($tree, $cell), ['A1', 'B1', 'C1', 'D1', 'A2', 'C2']),
        );
    }

    public function test_a_chain_as_long_as_a_column_does_not_run_deep(): void
    {
        $tree = self::calculated(self::sheet(['Log' => implode("\n", ['1', ...array_map(fn (int $row) => "=A{$row}+1", range(1, 9999))])]));

        self::assertSame('10000', Cell::show($tree->get('t1r9999')->fields['t1c0']));
    }

    public function test_a_calculation_that_reads_too_much_stops_and_says_so(): void
    {
        $tree = Recalculation::of(
            PartTree::of([]),
            self::sheet(['Log' => "1|=SUM(A1:A3)|=A1\n2|=SUM(A1:A3)\n3|=SUM(A1:A3)"]),
            self::TODAY,
            most: 7,
        );

        self::assertSame(['6', '6', '#LIMIT!', '1'], array_map(fn (string $cell) => self::shown($tree, $cell), ['B1', 'B2', 'B3', 'C1']));
    }

    public function test_a_range_is_read_and_summed_once_for_all_who_ask(): void
    {
        $rows = 600;
        foreach (
            ['SUM(A1:A600)' => '180300', 'MEDIAN(A1:A600)' => '300.5', 'MIN(A1:A600)' => '1', 'MAX(A1:A600)' => '600'] as $formula => $result
        ) {
            $sheet = self::sheet(['Log' => implode("\n", array_map(fn (int $row) => "{$row}|={$formula}", range(1, $rows)))]);
            // So many steps as reading and summing it a few times takes, and not 600 times.
            $tree = Recalculation::of(PartTree::of([]), $sheet, self::TODAY, most: 20_000);
            self::assertSame([$result, $result], [self::shown($tree, 'B1'), self::shown($tree, "B{$rows}")], $formula);
        }
    }

    public function test_a_result_that_a_range_reads_is_the_newest_one(): void
    {
        // The sum is asked for while results are still put into the column that it reads.
        $tree = self::calculated(self::sheet(['Log' => "=SUM(B1:B3)|=SUM(C1:C3)|1\n=SUM(B1:B3)|=B1+1|2\n=SUM(B1:B2)|=B2+SUM(B1:B2)|3"]));
        self::assertSame(
            ['33', '33', '13', '6', '7', '20'],
            array_map(fn (string $cell) => self::shown($tree, $cell), ['A1', 'A2', 'A3', 'B1', 'B2', 'B3']),
        );
    }

    public function test_formulas_that_would_count_for_ever_say_so_and_the_save_lands(): void
    {
        $tree = self::calculated(
            self::sheet([
                'Log' => '=BINOM.DIST(99999,99999,0.5,TRUE)|=POISSON(99999,3,TRUE)|=BINOM.DIST(3,10,0.5,TRUE)|=NEGBINOMDIST(99999,3,0.5)',
            ]),
        );
        self::assertSame(
            ['#NUM!', '#NUM!', '0.171875', '#NUM!'],
            array_map(fn (string $cell) => self::shown($tree, $cell), ['A1', 'B1', 'C1', 'D1']),
        );

        $many = self::sheet(['Log' => implode("\n", array_map(fn (int $row) => "{$row}|=COUNTIF(A1:A600,A{$row})", range(1, 600)))]);
        $tree = Recalculation::of(PartTree::of([]), $many, self::TODAY, most: 200_000);
        self::assertSame(['1', '#LIMIT!'], [self::shown($tree, 'B1'), self::shown($tree, 'B600')]);
    }

    public function test_every_function_of_the_library_comes_to_an_end(): void
    {
        // What counted as far as it is asked to would be here for hours.
        $functions = new Functions;
        $text = str_repeat('ab ', 3_000);
        $called = 0;
        foreach (array_diff($functions->names(), ['ROW', 'COLUMN', 'SUBTOTAL', 'TODAY']) as $name) {
            foreach (
                [
                    [999_999, 999_999, 0.5, true],
                    [4_999, 0.5, 1, true],
                    [1_000, 900, 0.5, true],
                    [60, 0.5, 0.4],
                    [$text, $text, 1, $text],
                    [1e9, 1e9],
                ] as $arguments
            ) {
                $functions->call($name, $arguments);
                $called++;
            }
        }
        self::assertGreaterThan(1_800, $called);
        $block = array_map(fn (int $row) => ['A' => $row], range(1, 3_000));
        self::assertGreaterThan(Recalculation::MOST_STEPS, Functions::steps('NETWORKDAYS', [$block, array_slice($block, 0, 2_000)]));
        self::assertGreaterThan(
            Recalculation::MOST_STEPS,
            Functions::steps('BINOM.DIST', [array_merge($block, $block, $block), 5, 0.5, true]),
        );
    }

    public function test_criteria_may_be_numbers(): void
    {
        $tree = self::calculated(
            self::sheet([
                'Log'
                    => "5|=COUNTIF(A1:A3,5)|=SUMIF(A1:A3,A1,A1:A3)\n7|=COUNTIFS(A1:A3,5,A1:A3,\"<6\")|=AVERAGEIF(A1:A3,5)\n5|=COUNTIF(A1:A3,\">5\")",
            ]),
        );

        self::assertSame(
            ['2', '10', '2', '5', '1'],
            array_map(fn (string $cell) => self::shown($tree, $cell), ['B1', 'C1', 'B2', 'C2', 'B3']),
        );
    }

    public function test_rows_that_come_go_and_move_leave_formulas_right(): void
    {
        $kind = Kinds::named('spreadsheet');
        $before = self::calculated(self::sheet(['Log' => "1|=A1*2\n2|=A2*2\n3|=A3*2\n4|=A4*2\n=SUM(A1:A4)|=SUM(B2:B3)"]));
        /** @param list<string|Part> $order */
        $with = fn (array $order): PartTree => Consequences::of(
            $kind,
            $before,
            PartTree::of([
                ...array_slice($before->parts, 0, 3),
                ...array_values(array_map(fn (string|Part $row) => $row instanceof Part ? $row : $before->get($row), $order)),
            ]),
            self::TODAY,
        );

        $inserted = $with(['t1r0', new Part('new1', 'row', 1, ['t1c0' => 100]), 't1r1', 't1r2', 't1r3', 't1r4']);
        self::assertSame(
            ['SUM(A1:A5)', '110', 'SUM(B3:B4)'],
            [
                self::spelled($inserted, 't1r4', 't1c0'),
                Cell::show($inserted->get('t1r4')->fields['t1c0']),
                self::spelled($inserted, 't1r4', 't1c1'),
            ],
        );

        $shrunk = $with(['t1r1', 't1r2', 't1r4']);
        self::assertSame(['SUM(A1:A2)', '5'], [self::spelled($shrunk, 't1r4', 't1c0'), Cell::show($shrunk->get('t1r4')->fields['t1c0'])]);

        $sorted = $with(['t1r3', 't1r2', 't1r1', 't1r0', 't1r4']);
        self::assertSame(
            ['SUM(A1:A4)', '10', '8'],
            [
                self::spelled($sorted, 't1r4', 't1c0'),
                Cell::show($sorted->get('t1r4')->fields['t1c0']),
                Cell::show($sorted->get('t1r3')->fields['t1c1']),
            ],
        );

        $carriedOff = $with(['t1r1', 't1r2', 't1r3', 't1r4', 't1r0']);
        self::assertSame(
            ['SUM(A1:A3)', '9'],
            [self::spelled($carriedOff, 't1r4', 't1c0'), Cell::show($carriedOff->get('t1r4')->fields['t1c0'])],
        );

        $gone = $with(['t1r4']);
        self::assertSame(['#REF!', 'SUM(#REF!)'], [Cell::show($gone->get('t1r4')->fields['t1c0']), self::spelled($gone, 't1r4', 't1c0')]);
    }

    public function test_a_cell_that_comes_back_heals_what_read_it(): void
    {
        $kind = Kinds::named('spreadsheet');
        $before = self::calculated(self::sheet(['Log' => "8|\n|=A1*2"]));
        $without = Consequences::of(
            $kind,
            $before,
            PartTree::of(array_values(array_filter($before->parts, fn (Part $part) => $part->id !== 't1r0'))),
            self::TODAY,
        );
        self::assertSame('#REF!', Cell::show($without->get('t1r1')->fields['t1c1']));

        $back = Consequences::of(
            $kind,
            $without,
            PartTree::of([...array_slice($without->parts, 0, 3), $before->get('t1r0'), $without->get('t1r1')]),
            self::TODAY,
        );
        self::assertSame('16', Cell::show($back->get('t1r1')->fields['t1c1']));
    }

    public function test_both_spellings_say_the_same(): void
    {
        $tree = self::sheet(['Log' => implode("\n", array_fill(0, 9, '1|2|3')), "We've 2" => '1']);
        $places = new CellPlaces($tree);
        foreach (
            ['SUM(A1:A3)*$B$2+"A1 [r.c]"&LOG10(2)', "'We''ve 2'!A1+B2", 'SUM(A:B)+SUM(2:3)+SUM($A$1:C$9)', 'C2*TRUE', 'A1B+X_A1', '#REF!+1'] as $formula
        ) {
            self::assertSame($formula, Formula::spell(Formula::keep($formula, 't1r1', $places), 't1r1', $places));
        }
        self::assertSame(
            'SUM(B2:B9)',
            Formula::spell(Formula::keep('SUM(B2:B99)', 't1r0', $places), 't1r0', $places),
            'a range ends with the sheet',
        );
        self::assertSame('[.t1c0]*2', Formula::keep('A5*2', 't1r4', $places), 'the same text in every row');
    }

    public function test_over_a_hundred_and_fifty_functions_work_and_the_guide_lists_them(): void
    {
        $names = (new Functions)->names();
        $guide = (string) file_get_contents(__DIR__.'/../../docs/functions.md');
        preg_match_all('/`([A-Z0-9._]+)`/', $guide, $found);

        self::assertGreaterThan(150, count($names));
        self::assertSame($names, array_values(array_unique($found[1])));
    }
}
