<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Data\Counted;
use MistyAttic\Core\Calculate\Data\Emptied;
use MistyAttic\Core\Calculate\Data\Expression;
use MistyAttic\Core\Calculate\Data\ExpressionFunctions;
use MistyAttic\Core\Calculate\Data\Figures;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Dataset\FieldType;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Kinds\Report\Widget;
use MistyAttic\Core\Kinds\Report\WidgetGrid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\ExpressionLanguage\ExpressionLanguage;

/** Expressions, figures and what datasets are filled from. */
final class DataTest extends TestCase
{
    private const TYPES = [
        'fnum' => 'number',
        'fpaid' => 'money',
        'ftext' => 'text',
        'fkind' => 'choice',
        'fday' => 'date',
        'fyes' => 'boolean',
    ];

    private static int $seed;

    public static function setUpBeforeClass(): void
    {
        self::$seed = (int) (getenv('SEED') ?: random_int(1, 999_999));
        fwrite(STDERR, "\ndata property tests: SEED=".self::$seed."\n");
    }

    public function test_what_a_program_could_take_for_a_formula_is_a_text_in_a_csv(): void
    {
        $row = fn (string $text): string => (new CsvWriter)->row(new Part('r', 'record', 0, ['c' => $text]), ['c']);
        foreach (['=1+1', '@SUM(1)', '-2+3', "\t=1", "\n=1", ' =1', "\u{a0}+1", '＝1+1', '＋1', '－1', '＠x', "\u{feff}=1"] as $text) {
            self::assertStringContainsString("'", $row($text), json_encode($text) ?: '');
        }
        self::assertSame("plain - text\r\n", $row('plain - text'));
        self::assertSame("-2\r\n", (new CsvWriter)->row(new Part('r', 'record', 0, ['c' => -2]), ['c']));
    }

    public function test_a_replacement_makes_no_more_text_than_can_be_kept(): void
    {
        $long = str_repeat('a', 32_767);
        $before = memory_get_peak_usage();
        $made = ExpressionFunctions::call('replace', [$long, 'a', $long]);
        self::assertSame(32_767, mb_strlen((string) $made));
        self::assertLessThan(20_000_000, memory_get_peak_usage() - $before);
        foreach (
            [
                ['a Lamp', 'a', 'o'],
                ['aaaa', 'aa', 'a'],
                ['äöä', 'ä', 'xyz'],
                ['none', 'z', 'y'],
                [$long, 'a', 'b'],
                [str_repeat('ab', 9_000), 'b', 'ccc'],
            ] as [$text, $what, $with]
        ) {
            self::assertSame(
                mb_substr(str_replace($what, $with, $text), 0, 32_767),
                ExpressionFunctions::call('replace', [$text, $what, $with]),
            );
        }
        $expression = new Expression('replace(replace([ftext], "a", [ftext]), "a", [ftext])', self::TYPES);
        $values = $expression->values(['ftext' => array_fill(0, 3_000, str_repeat('a', 2_000))], 3_000);
        self::assertSame([32_767, null], [mb_strlen((string) $values[0]), $values[2_999]]);
    }

    public function test_a_field_that_a_merge_left_behind_records_loses_no_value(): void
    {
        $kind = new DatasetKind;
        $field = fn (string $id) => new Part($id, 'field', 0, ['name' => $id, 'type' => 'number']);
        $late = PartTree::of([
            $field('one'),
            new Part('r1', 'record', 0, ['one' => 1, 'two' => 2]),
            $field('two'),
            new Part('r2', 'record', 0, ['two' => 4]),
        ]);

        self::assertSame("1,2\r\n,4\r\n", (new CsvWriter)->write($late, $kind->grid()));
        self::assertSame(['one', 'two', 'r1', 'r2'], array_column($kind->repair($late)->parts, 'id'));
        self::assertSame(['two' => 4], $kind->repair($late)->get('r2')->fields);
    }

    /**
     * @template T of array{string, string, 2?: mixed}
     * @param  list<T>  $cases
     * @return array<string, T>
     */
    private static function named(array $cases): array
    {
        return array_combine(array_map(fn (array $case) => mb_substr($case[0], 0, 60).' '.$case[1], $cases), $cases);
    }

    /** @return array<string, array{string, string, mixed}> expression, type, value for the record below */
    public static function expressions(): array
    {
        return self::named([
            ['[fnum] / 4 + 1', 'number', 3.5],
            ['[fnum] - -2 * 3', 'number', 16],
            ['2 ** 3 ** 2', 'number', 512],
            ['[fnum] % 3', 'number', 1],
            ['[fnum] / 0', 'number', null],
            ['[fpaid] * 2', 'number', 9],
            ['[fnum] > 9 and not [fyes]', 'boolean', false],
            ['[ftext] == "a Lamp"', 'boolean', true],
            ['[fday] >= "2026-05-01"', 'boolean', true],
            ['"10" < "9"', 'boolean', true],
            ['if([fyes], [fnum], 0)', 'number', 10],
            ['[fyes] ? "a" : "b"', 'text', 'a'],
            ['[ftext] ~ "!" ~ text([fnum])', 'text', 'a Lamp!10'],
            ['first(null, [ftext])', 'text', 'a Lamp'],
            ['upper(left([ftext], 3))', 'text', 'A L'],
            ['right([ftext], 2)', 'text', 'mp'],
            ['length(trim("  é "))', 'number', 1],
            ['[ftext] contains "LAMP"', 'boolean', true],
            ['[ftext] starts with "A "', 'boolean', true],
            ['replace([ftext], "a", "o")', 'text', 'o Lomp'],
            ['year([fday]) * 100 + month([fday])', 'number', 202605],
            ['quarter([fday])', 'number', 2],
            ['day([fday])', 'number', 31],
            ['weekday([fday])', 'number', 7],
            ['days("2026-05-01" == "" ? [fday] : [fday], date(2026, 6, 2))', 'number', 2],
            ['date(2026, 2, 30)', 'date', null],
            ['round(2.345, 2)', 'number', 2.35],
            ['floor(-1.5)', 'number', -2],
            ['min([fnum], 3, 7)', 'number', 3],
            ['max(1)', 'number', 1],
            ['abs(-4)', 'number', 4],
            ['number(" 12.5 ")', 'number', 12.5],
            ['number("x")', 'number', null],
            ['empty("")', 'boolean', true],
            ['"[fnum]"', 'text', '[fnum]'],
        ]);
    }

    #[DataProvider('expressions')]
    public function test_an_expression_has_a_type_and_gives_a_value(string $text, string $type, mixed $value): void
    {
        $expression = new Expression($text, self::TYPES);
        self::assertSame([], $expression->problems);
        self::assertSame($type, $expression->type);
        self::assertSame(
            [$value, $value],
            $expression->values(
                [
                    'fnum' => [10, 10],
                    'fpaid' => [4.5, 4.5],
                    'ftext' => ['a Lamp', 'a Lamp'],
                    'fkind' => ['x', 'x'],
                    'fday' => ['2026-05-31', '2026-05-31'],
                    'fyes' => [true, true],
                ],
                2,
            ),
        );
    }

    /** @return array<string, array{string, string}> expression and code */
    public static function refused(): array
    {
        return self::named([
            ['constant("PHP_VERSION")', 'no_function'],
            ['enum("X::Y")', 'no_function'],
            ['system("id")', 'no_function'],
            ['[fnum].foo', 'not_allowed'],
            ['[ftext].method()', 'not_allowed'],
            ['[fnum] matches "/a/"', 'not_allowed'],
            ['1..9', 'not_allowed'],
            ['[fnum] ?? 1', 'not_allowed'],
            ['[fnum] in [1]', 'no_field'],
            ['this', 'no_field'],
            ['[gone] + 1', 'no_field'],
            ['1 +', 'syntax'],
            ['(1', 'syntax'],
            ['', 'syntax'],
            ['[fnum] ~ "x"', 'types'],
            ['[ftext] + 1', 'types'],
            ['if(1, 2, 3)', 'types'],
            ['[fyes] ? 1 : "a"', 'types'],
            ['[fday] < 5', 'types'],
            ['not [fnum]', 'types'],
            ['left([ftext])', 'arguments'],
            ['year([fday], 1)', 'arguments'],
            ['[fnum] | 1', 'not_allowed'],
            ['{a: 1}', 'not_allowed'],
            ['1 xor 2', 'not_allowed'],
            [str_repeat('1+', 2_100).'1', 'long'],
            [str_repeat('-', 1_500).'1', 'syntax'],
        ]);
    }

    #[DataProvider('refused')]
    public function test_what_may_not_be_is_refused_with_a_code_and_gives_nothing(string $text, string $code): void
    {
        $expression = new Expression($text, self::TYPES);
        self::assertContains($code, array_map(fn (Problem $problem) => $problem->code, $expression->problems), $text);
        self::assertSame([null], $expression->values(['fnum' => [1], 'ftext' => ['a'], 'fyes' => [true], 'fday' => ['2026-01-01']], 1));
    }

    public function test_a_place_is_the_byte_that_a_person_wrote(): void
    {
        self::assertSame(
            ['14'],
            array_map(fn (Problem $problem) => $problem->path, (new Expression('[fnum] * 2 + ', self::TYPES))->problems),
        );
        self::assertSame('10', (new Expression('[fnum] + [gone]', self::TYPES))->problems[0]->path);
        self::assertSame('([fnum] ~ "x")', (new Expression('[fnum] ~ "x"', self::TYPES))->problems[0]->variables['place']);
    }

    public function test_arithmetic_gives_what_the_library_itself_gives(): void
    {
        mt_srand(self::$seed);
        $language = new ExpressionLanguage;
        for ($run = 0; $run < 300; $run++) {
            $text = $this->arithmetic(4);
            $columns = ['fnum' => [mt_rand(-9, 9), mt_rand(1, 9)], 'fpaid' => [mt_rand(0, 90) / 4, 1.5]];
            $ours = (new Expression($text, self::TYPES))->values($columns, 2);
            foreach ($ours as $at => $value) {
                $theirs = $language->evaluate(str_replace(['[fnum]', '[fpaid]'], ['fnum', 'fpaid'], $text), [
                    'fnum' => $columns['fnum'][$at],
                    'fpaid' => $columns['fpaid'][$at],
                ]);
                self::assertEqualsWithDelta(
                    is_bool($theirs) ? (int) $theirs : $theirs,
                    is_bool($value) ? (int) $value : $value,
                    1e-6 * max(1, abs((float) $theirs)),
                    $text.' SEED='.self::$seed,
                );
            }
        }
    }

    private function arithmetic(int $deep): string
    {
        return match ($deep === 0 ? mt_rand(0, 2) : mt_rand(0, 6)) {
            0 => '[fnum]',
            1 => '[fpaid]',
            2 => (string) mt_rand(0, 20),
            3 => '('.$this->arithmetic($deep - 1).' + '.$this->arithmetic($deep - 1).')',
            4 => '('.$this->arithmetic($deep - 1).' - '.$this->arithmetic($deep - 1).')',
            5 => '('.$this->arithmetic($deep - 1).' * '.$this->arithmetic($deep - 1).')',
            default => '('
                .$this->arithmetic($deep - 1)
                .' > '
                .$this->arithmetic($deep - 1)
                .' ? '
                .$this->arithmetic($deep - 1)
                .' : '
                .$this->arithmetic($deep - 1)
                .')',
        };
    }

    public function test_julian_days_are_those_of_the_calendar(): void
    {
        mt_srand(self::$seed);
        for ($run = 0; $run < 200; $run++) {
            $day = (new \DateTimeImmutable('1900-01-01'))->modify('+'.mt_rand(0, 80_000).' days');
            self::assertSame(
                gregoriantojd((int) $day->format('n'), (int) $day->format('j'), (int) $day->format('Y')),
                ExpressionFunctions::julian($day->format('Y-m-d')),
            );
            self::assertSame(
                [(int) $day->format('N')],
                (new Expression('weekday([fday])', self::TYPES))->values(['fday' => [$day->format('Y-m-d')]], 1),
            );
        }
    }

    public function test_fields_are_kept_by_id_and_shown_by_name(): void
    {
        $names = ['fone' => 'Items saved', 'ftwo' => 'Paid'];
        self::assertSame(
            '[fone] + [ftwo] ~ "[Paid]" + [Nobody]',
            FieldNames::stored('[items saved] + [Paid] ~ "[Paid]" + [Nobody]', $names),
        );
        self::assertSame('[Items saved] ~ "[fone]" [xyz]', FieldNames::shown('[fone] ~ "[fone]" [xyz]', $names));
        self::assertSame(['fone', 'ftwo'], FieldNames::in('[fone] + [ftwo] * [fone] ~ "[no]"'));
    }

    public function test_calculated_fields_need_each_other_in_any_order_and_circles_give_nothing(): void
    {
        $field = fn (string $id, string $expression): Part => new Part($id, 'field', 0, [
            'name' => $id,
            'type' => 'number',
            'expression' => $expression,
        ]);
        $data = Records::of(
            PartTree::of([
                $field('fsum', '[fhalf] + 1'),
                $field('fhalf', '[fraw] / 2'),
                $field('fround', '[fself]'),
                $field('fself', '[fround] + 1'),
                new Part('fraw', 'field', 0, ['name' => 'raw', 'type' => 'number']),
                new Part('rone', 'record', 0, ['fraw' => 5]),
                new Part('rtwo', 'record', 0, ['fraw' => 'none']),
            ]),
        );
        self::assertSame(
            [[3.5, null], [2.5, null], [null, null]],
            [$data->column('fsum'), $data->column('fhalf'), $data->column('fround')],
        );
        self::assertSame([[], 'circle', 1], [$data->problems('fsum'), $data->problems('fself')[0]->code, $data->misfits['fraw']]);
    }

    public function test_figures_are_the_sums_that_are_computed_one_by_one(): void
    {
        mt_srand(self::$seed);
        for ($run = 0; $run < 60; $run++) {
            $records = [];
            $fraction = [1, 4][mt_rand(0, 1)];
            for ($at = mt_rand(0, 60); $at > 0; $at--) {
                $records[] = array_filter(
                    [
                        'fday' => mt_rand(0, 9) === 0
                            ? null
                            : ['d', (new \DateTimeImmutable('2025-11-20'))->modify('+'.mt_rand(0, 140).' days')->format('Y-m-d')],
                        'fkind' => ['Wood', 'Cloth', 'wood', null][mt_rand(0, 3)],
                        'fnum' => mt_rand(0, 5) === 0 ? null : mt_rand(-20, 90) / $fraction,
                        'fyes' => [true, false, null][mt_rand(0, 2)],
                    ],
                    fn (mixed $value) => $value !== null,
                );
            }
            $fields = array_map(
                fn (string $id, string $type) => new Part($id, 'field', 0, ['name' => $id, 'type' => $type]),
                array_keys(self::TYPES),
                self::TYPES,
            );
            $data = Records::of(
                PartTree::of([
                    ...$fields,
                    ...array_map(
                        fn (array $record, int $at) => new Part('r'.str_pad((string) $at, 4, '0', STR_PAD_LEFT), 'record', 0, $record),
                        $records,
                        array_keys($records),
                    ),
                ]),
            );
            $step = Widget::STEPS[mt_rand(0, 4)];
            $by = ['fkind', "fday:{$step}", '', 'fyes'][mt_rand(0, 3)];
            $split = ['', 'fkind', 'fyes'][mt_rand(0, 2)];
            $measure = Widget::MEASURES[mt_rand(0, 6)];
            $filter = [[], ['fnum|above|3'], ['fkind|is|wood'], ['fyes|is|yes', 'fnum|filled|']][mt_rand(0, 3)];
            $figures = new Figures(
                new Widget(
                    new Part('wone', 'widget', 1, [
                        'type' => 'bars',
                        'measure' => $measure === 'count' ? 'count' : "{$measure}:fnum",
                        'by' => $by,
                        'split' => $split,
                        'filters' => $filter,
                        'most' => 1000,
                    ]),
                ),
                $data,
            );
            self::assertSame([], $figures->problems);
            $groups = [];
            foreach ($records as $record) {
                $value = $record['fnum'] ?? null;
                $passes = ! in_array('fnum|above|3', $filter, true) || ($value !== null && $value > 3);
                $passes = $passes && (! in_array('fkind|is|wood', $filter, true) || strtolower($record['fkind'] ?? '') === 'wood');
                $passes = $passes && (! in_array('fyes|is|yes', $filter, true) || (($record['fyes'] ?? null) === true && $value !== null));
                $day = $record['fday'][1] ?? '';
                $key = match (true) {
                    $by === '' => '',
                    $by === 'fkind' => $record['fkind'] ?? '',
                    $by === 'fyes' => isset($record['fyes']) ? ($record['fyes'] ? 'yes' : 'no') : '',
                    $day === '' => '',
                    default => match ($step) {
                        'year' => date('Y', (int) strtotime($day)),
                        'quarter' => date('Y', (int) strtotime($day)).'-Q'.ceil((int) date('n', (int) strtotime($day)) / 3),
                        'month' => date('Y-m', (int) strtotime($day)),
                        'week' => date('o-\WW', (int) strtotime($day)),
                        default => $day,
                    },
                };
                $one = $split === ''
                    ? ''
                    : ($split === 'fkind'
                        ? $record['fkind'] ?? ''
                        : (isset($record['fyes'])
                            ? ($record['fyes']
                                ? 'yes'
                                : 'no')
                            : ''));
                if ($passes) {
                    $groups[$one][$key][] = $measure === 'count' ? 1 : $value;
                }
            }
            foreach ($figures->series as $series) {
                foreach ($figures->keys as $at => $key) {
                    $values = array_values(array_filter($groups[$series['name']][$key] ?? [], fn (mixed $value) => $value !== null));
                    sort($values);
                    $count = count($values);
                    $wanted = match (true) {
                        $measure === 'count' => $count,
                        $measure === 'sum' => array_sum($values),
                        $measure === 'distinct' => count(array_unique(array_map(strval(...), $values))),
                        $count === 0 => null,
                        $measure === 'mean' => array_sum($values) / $count,
                        $measure === 'least' => $values[0],
                        $measure === 'most' => $values[$count - 1],
                        default => ($values[intdiv($count - 1, 2)] + $values[intdiv($count, 2)]) / 2,
                    };
                    self::assertEqualsWithDelta(
                        $wanted,
                        $series['values'][$at],
                        1e-6,
                        "{$measure} by {$by} split {$split}, {$key}/{$series['name']} SEED=".self::$seed,
                    );
                }
            }
            $shown = array_merge([], ...array_values(array_map(array_keys(...), $groups)));
            $lost = array_diff(array_map(strval(...), $shown), $figures->keys);
            self::assertSame([], str_starts_with($by, 'fday') ? array_filter($lost, fn (string $key) => $key !== '') : $lost);
        }
    }

    public function test_a_widget_is_emptied_when_counting_all_of_it_before_and_after_says_so(): void
    {
        mt_srand(self::$seed);
        $fields = [
            new Part('fkind', 'field', 0, ['name' => 'Kind', 'type' => 'choice']),
            new Part('fnum', 'field', 0, ['name' => 'Number', 'type' => 'number']),
            new Part('fday', 'field', 0, ['name' => 'Day', 'type' => 'date']),
        ];
        $record = fn (int $at): Part => new Part("r{$at}x", 'record', 0, [
            'fkind' => ['Wood', 'Cloth', 'Heat'][mt_rand(0, 2)],
            'fnum' => mt_rand(0, 9),
            'fday' => ['d', '2026-0'.mt_rand(1, 9).'-01'],
        ]);
        $emptied = 0;
        for ($run = 0; $run < 400; $run++) {
            $before = array_map($record, mt_rand(0, 4) === 0 ? [] : range(1, mt_rand(1, 5)));
            $after = array_values(
                array_filter(
                    array_map(
                        fn (Part $part) => match (mt_rand(0, 3)) {
                            0 => null,
                            1 => $part->with('fkind', ['Wood', 'Cloth', 'Heat'][mt_rand(0, 2)]),
                            2 => $part->with('fnum', mt_rand(0, 9)),
                            default => $part,
                        },
                        $before,
                    ),
                ),
            );
            array_push($after, ...mt_rand(0, 3) === 0 ? [$record(90)] : []);
            $page = new Part('page', 'page', 0, [
                'title' => '',
                'source' => 'dataset',
                ...mt_rand(0, 1) === 0 ? ['filters' => ['fkind|is_not|Heat']] : [],
                ...mt_rand(0, 1) === 0 ? ['period' => '2026-01-01/2026-06-30'] : [],
            ]);
            $widget = new Part('widget', 'widget', 1, [
                'type' => 'figure',
                'measure' => 'count',
                'source' => 'dataset',
                ...[[], ['filters' => ['fkind|is|wood']], ['filters' => ['fnum|above|4']]][mt_rand(0, 2)],
            ]);
            $of = fn (array $records): Records => Records::of(PartTree::of([...$fields, ...array_values($records)]));
            $count = fn (array $records): int => count(
                (new Counted(new Widget($widget), $of($records), (new Widget($widget))->filtersOf($page), Widget::period($page)))->rows,
            );
            $same = array_filter($after, fn (Part $part) => in_array($part, $before, true));
            $found = Emptied::by(
                $widget,
                $page,
                $of(array_values(array_filter($before, fn (Part $part) => ! in_array($part, $same, true)))),
                $of(array_values(array_filter($after, fn (Part $part) => ! in_array($part, $same, true)))),
                fn () => $of($before),
            );
            self::assertSame($count($before) > 0 && $count($after) === 0, $found, "run {$run} SEED=".self::$seed);
            $emptied += (int) $found;
        }
        self::assertGreaterThan(10, $emptied);
    }

    public function test_time_has_no_holes_and_the_rest_is_counted(): void
    {
        $fields = [
            new Part('fday', 'field', 0, ['name' => 'Day', 'type' => 'date']),
            new Part('fkind', 'field', 0, ['name' => 'Kind', 'type' => 'text']),
        ];
        $record = fn (string $id, string $day, string $kind): Part => new Part($id, 'record', 0, ['fday' => ['d', $day], 'fkind' => $kind]);
        $data = Records::of(
            PartTree::of([
                ...$fields,
                $record('rone', '2025-12-29', 'a'),
                $record('rtwo', '2026-03-01', 'b'),
                $record('rthree', '2026-03-02', 'b'),
                $record('rfour', '2026-03-02', 'c'),
            ]),
        );
        $figures = fn (array $with): Figures => new Figures(
            new Widget(new Part('wone', 'widget', 1, ['type' => 'bars', 'measure' => 'count', ...$with])),
            $data,
        );
        self::assertSame(['2025-12', '2026-01', '2026-02', '2026-03'], $figures(['by' => 'fday:month'])->keys);
        self::assertSame(['2026-W01', '2026-W02'], array_slice($figures(['by' => 'fday:week'])->keys, 0, 2));
        self::assertSame(['2025-Q4', '2026-Q1'], $figures(['by' => 'fday:quarter'])->keys);
        $rest = $figures(['by' => 'fkind', 'most' => 1]);
        self::assertSame([['b', ''], [2, 2], true, 4], [$rest->keys, $rest->series[0]['values'], $rest->hasRest, $rest->total(0)]);
        foreach ([['by' => 'fgone'], ['measure' => 'sum:fkind'], ['by' => 'fkind:month'], ['filters' => ['fgone|is|x']]] as $at => $with) {
            self::assertSame([['field_gone', 'by'], ['field_type', 'measure'], ['field_type', 'by'], ['field_gone', 'filters']][$at], [
                $figures($with)->problems[0]->code,
                $figures($with)->problems[0]->path,
            ]);
        }
        self::assertSame(
            1,
            (new Figures(
                new Widget(new Part('wone', 'widget', 1, ['type' => 'bars', 'measure' => 'count'])),
                $data,
                [],
                ['2025-01-01', '2025-12-31'],
            ))->records,
        );
        self::assertSame(['2025-01-01', Widget::LAST_DAY], Widget::period(new Part('p', 'page', 0, ['period' => '2025-01-01/'])));
        self::assertNull(Widget::period(new Part('p', 'page', 0, ['period' => '/'])));
    }

    public function test_what_is_left_out_is_counted_and_totals_are_those_of_all(): void
    {
        mt_srand(self::$seed);
        $fields = [
            new Part('fday', 'field', 0, ['name' => 'Day', 'type' => 'date']),
            new Part('fkind', 'field', 0, ['name' => 'Kind', 'type' => 'text']),
            new Part('fwho', 'field', 0, ['name' => 'Who', 'type' => 'text']),
            new Part('fnum', 'field', 0, ['name' => 'Number', 'type' => 'number']),
        ];
        for ($run = 0; $run < 40; $run++) {
            $records = array_map(
                fn (int $at): array => [
                    'fkind' => 'kind '.mt_rand(0, 60),
                    'fwho' => 'who '.mt_rand(0, 20),
                    'fnum' => mt_rand(1, 400) / 4,
                    ...mt_rand(0, 3) === 0
                        ? []
                        : [
                            'fday' => [
                                'd',
                                (new \DateTimeImmutable('2020-01-01'))->modify('+'.mt_rand(0, 1_600).' days')->format('Y-m-d'),
                            ],
                        ],
                ],
                range(1, 200),
            );
            $data = Records::of(
                PartTree::of([
                    ...$fields,
                    ...array_map(fn (array $record, int $at) => new Part("r{$at}x", 'record', 0, $record), $records, array_keys($records)),
                ]),
            );
            [$measure, $by, $split, $most] = [
                Widget::MEASURES[mt_rand(0, 6)],
                ['fkind', 'fday:day', 'fday:month'][mt_rand(0, 2)],
                ['', 'fwho'][mt_rand(0, 1)],
                [null, 5, 40][mt_rand(0, 2)],
            ];
            $figures = new Figures(
                new Widget(
                    new Part('wone', 'widget', 1, [
                        'type' => 'table',
                        'measure' => $measure === 'count' ? 'count' : "{$measure}:fnum",
                        'by' => $by,
                        'split' => $split,
                        ...$most === null ? [] : ['most' => $most],
                    ]),
                ),
                $data,
            );
            self::assertLessThanOrEqual(12, count($figures->series));
            $sum = fn (array $of): int|float => $measure === 'count' ? count($of) : array_sum(array_column($of, 'fnum'));
            if (in_array($measure, ['count', 'sum'], true)) {
                // Each total is of all records, and all that is shown and told is all there is.
                self::assertEqualsWithDelta($sum($records), array_sum(array_column($figures->series, 'total')), 1e-6);
                $shown = array_sum(array_merge(...array_column($figures->series, 'values')));
                $outside = array_filter(
                    $records,
                    fn (array $record) => $by !== 'fkind'
                        && (! isset($record['fday']) || Figures::step($record['fday'][1], substr($by, 5)) < $figures->keys[0]),
                );
                self::assertEqualsWithDelta($sum($records) - $sum($outside), $shown, 1e-6);
                self::assertSame(count($outside), $figures->undated + $figures->earlier);
            }
            if ($split === '' && $figures->hasRest && $measure === 'mean') {
                $rest = array_column(
                    array_filter($records, fn (array $record) => ! in_array($record['fkind'], array_slice($figures->keys, 0, -1), true)),
                    'fnum',
                );
                self::assertEqualsWithDelta(
                    array_sum($rest) / count($rest),
                    $figures->series[0]['values'][count($figures->keys) - 1],
                    1e-6,
                );
            }
        }
    }

    public function test_a_source_proposes_types_and_keeps_what_does_not_fit(): void
    {
        $source = new Source(
            ['none' => 'Day', 'ntwo' => 'Paid', 'nthree' => 'Open', 'nfour' => 'Bench', 'nfive' => 'What'],
            array_map(
                fn (int $at) => [
                    'none' => '2026-05-0'.(1 + ($at % 9)),
                    'ntwo' => '£'.$at.'.50',
                    'nthree' => $at % 2 === 0 ? 'Yes' : 'no',
                    'nfour' => ['Wood', 'Cloth'][$at % 2],
                    'nfive' => "thing {$at}",
                ],
                array_combine(array_map(fn (int $at) => "r{$at}", range(0, 11)), range(0, 11)),
            ),
        );
        self::assertSame(['date', 'money', 'boolean', 'choice', 'text'], array_column($source->types(), 'type'));
        $value = fn (mixed $cell, string $type): mixed => (new FieldType($type))->value($cell);
        self::assertSame(
            [1.5, 1200, -3, 'about 5', ['d', '2026-05-03'], true, 'maybe', '12'],
            [
                $value('€ 1.50', 'money'),
                $value('1,200', 'number'),
                $value('-3', 'number'),
                $value('about 5', 'number'),
                $value('2026-05-03', 'date'),
                $value('TRUE', 'boolean'),
                $value('maybe', 'boolean'),
                $value(12, 'text'),
            ],
        );
    }

    public function test_records_of_another_file_are_matched_by_what_they_hold(): void
    {
        mt_srand(self::$seed);
        for ($run = 0; $run < 40; $run++) {
            $old = [];
            for ($at = 0; $at < 30; $at++) {
                $old[] = [
                    'Item '.chr(65 + ($at % 26)).$at,
                    mt_rand(1, 500),
                    ['Wood', 'Cloth', 'Heat'][mt_rand(0, 2)],
                    "note {$at} ".mt_rand(0, 9_999),
                ];
            }
            $tree = fn (array $rows, string $mark): PartTree => PartTree::of([
                ...array_map(
                    fn (string $name, int $at) => new Part("{$mark}fld{$at}", 'field', 0, ['name' => $name, 'type' => 'text']),
                    ['Item', 'Number', 'Bench', 'Note'],
                    range(0, 3),
                ),
                ...array_map(
                    fn (array $row, int $at) => new Part("{$mark}rec{$at}", 'record', 0, [
                        "{$mark}fld0" => $row[0],
                        "{$mark}fld1" => $row[1],
                        "{$mark}fld2" => $row[2],
                        "{$mark}fld3" => $row[3],
                    ]),
                    $rows,
                    array_keys($rows),
                ),
            ]);
            $new = $old;
            unset($new[mt_rand(0, 29)]);
            $edited = array_rand($new);
            $new[$edited][1] = 999;
            $keys = array_keys($new);
            mt_rand(0, 1) === 0 ? shuffle($keys) : null;
            $shuffled = array_map(fn (int $key) => $new[$key], $keys);
            $matched = Matching::adopt($tree($old, 'a'), $tree($shuffled, 'b'), (new DatasetKind)->grid())->tree;
            $ids = array_values(
                array_map(fn (Part $part) => $part->id, array_filter($matched->parts, fn (Part $part) => $part->role === 'record')),
            );
            self::assertSame(array_map(fn (int $key) => "arec{$key}", $keys), $ids, 'SEED='.self::$seed);
            self::assertSame(['afld0', 'afld1', 'afld2', 'afld3'], array_column(array_slice($matched->parts, 0, 4), 'id'));
        }
    }

    public function test_no_widget_stands_over_another_wherever_one_is_put(): void
    {
        mt_srand(self::$seed);
        for ($run = 0; $run < 200; $run++) {
            $widgets = [];
            foreach (range(0, mt_rand(0, 9)) as $at) {
                $widgets[] = new Part("widget{$at}", 'widget', 1, [
                    'x' => mt_rand(-2, 14),
                    'y' => mt_rand(-1, 12),
                    'across' => mt_rand(0, 14),
                    'down' => mt_rand(0, 8),
                ]);
            }
            [$x, $y] = WidgetGrid::free(WidgetGrid::settled($widgets, 'widget0'), 4, 3);
            $free = new Part('free', 'widget', 1, ['x' => $x, 'y' => $y, 'across' => 4, 'down' => 3]);
            self::assertSame([], array_filter(WidgetGrid::settled($widgets, 'widget0'), fn (Part $one) => WidgetGrid::overlap($one, $free)));
            $first = $widgets[array_rand($widgets)];
            $settled = WidgetGrid::settled($widgets, $first->id);
            self::assertSame(array_column($widgets, 'id'), array_column($settled, 'id'));
            foreach ($settled as $at => $one) {
                self::assertTrue(
                    $one->int('x') >= 0
                        && $one->int('across') >= 1
                        && $one->int('x') + $one->int('across') <= WidgetGrid::COLUMNS
                        && $one->int('y') >= 0
                        && $one->int('down') >= 1,
                );
                self::assertSame($one->id === $first->id ? max(0, $first->int('y')) : $one->int('y'), $one->int('y'));
                foreach (array_slice($settled, $at + 1) as $other) {
                    self::assertFalse(WidgetGrid::overlap($one, $other), 'SEED='.self::$seed);
                }
            }
        }
    }
}
