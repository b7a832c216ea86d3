<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Changes\CellEdits;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Compare\Match\Retained;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\TypedText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\TreeStore;
use PHPUnit\Framework\TestCase;

/** Edits of tables, and what is around them. */
final class EditsTest extends TestCase
{
    public function test_the_edits_between_two_states_lead_from_one_to_the_other(): void
    {
        $kind = Kinds::named('spreadsheet');
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        for ($round = 0; $round < 40; $round++) {
            $random = new RandomContent($seed + $round, $kind->name());
            $old = $kind->repair($random->tree(25));
            $new = $kind->repair($random->edited($old, 8));
            $edits = json_decode((string) json_encode(Edits::between($old, $new, 'row')), true);
            $reading = Edits::apply($old, $edits, $kind, new Limits);
            self::assertSame([], $reading->problems, "SEED={$seed} round {$round}");
            self::assertEquals(
                Consequences::withoutResults($kind, $new)->parts,
                Consequences::withoutResults($kind, $reading->tree ?? $old)->parts,
                "SEED={$seed} round {$round}",
            );

            // Keeping what changed of the very same parts gives the same address as keeping all of it.
            $store = new TreeStore(new MemoryChunkStore);
            $root = $store->keep($old);
            self::assertSame(
                $store->keep($reading->tree ?? $old),
                $store->keepChanged($root, $old, $reading->tree ?? $old),
                "SEED={$seed} round {$round}",
            );
        }
    }

    public function test_a_row_may_be_removed_before_its_tab_and_a_tab_come_back_with_other_cells(): void
    {
        $kind = Kinds::named('spreadsheet');
        $tab = fn (string $name): array => [
            new Part("tab{$name}", 'tab', 0, ['name' => $name, 'frozen' => 0]),
            new Part("col{$name}", 'column', 1, ['width' => 0, 'format' => '']),
            new Part("row{$name}", 'row', 1, ["col{$name}" => 'old']),
        ];
        $base = PartTree::of([...$tab('One'), ...$tab('Two')]);
        $after = Edits::apply($base, ['removed' => ['rowTwo', 'tabTwo']], $kind, new Limits);
        self::assertSame(['tabOne', 'colOne', 'rowOne'], array_column($after->tree->parts ?? [], 'id'));

        $placed = [
            ['tabTwo', 'tab', '', 'tabOne', ['name' => 'Two', 'frozen' => 0]],
            ['colTwo', 'column', 'tabTwo', null, ['width' => 0, 'format' => '']],
            ['rowTwo', 'row', 'tabTwo', 'colTwo', ['colTwo' => 'new']],
        ];
        $after = Edits::apply($base, ['removed' => ['tabTwo'], 'placed' => $placed], $kind, new Limits);
        self::assertSame('new', $after->tree?->get('rowTwo')->fields['colTwo']);
    }

    public function test_cells_of_a_column_that_is_removed_go_with_it_whatever_else_is_sent(): void
    {
        $kind = Kinds::named('spreadsheet');
        $base = PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0]),
            ...array_map(fn (string $id) => new Part($id, 'column', 1, ['width' => 0, 'format' => '']), ['cola', 'colb']),
            new Part('r1xx', 'row', 1, ['cola' => 1, 'colb' => 2]),
            new Part('r2xx', 'row', 1, ['colb' => 3]),
        ]);
        foreach (
            [['r1xx' => ['cola' => 5]], ['r1xx' => []], ['r1xx' => ['cola' => 5, 'colb' => 7]], ['r2xx' => ['cola' => 5]], []] as $cells
        ) {
            $reading = Edits::apply($base, ['removed' => ['colb'], 'cells' => $cells], $kind, new Limits);
            self::assertSame([], $reading->problems, (string) json_encode($cells));
            $rows = array_map(fn (string $id) => ($reading->tree ?? $base)->get($id)->fields, ['r1xx', 'r2xx']);
            self::assertSame(
                [['cola' => $cells['r1xx']['cola'] ?? 1], array_filter(['cola' => $cells['r2xx']['cola'] ?? null])],
                $rows,
                (string) json_encode($cells),
            );
        }
        // A column that is put in again in the same breath keeps what is written in it.
        $reading = Edits::apply(
            $base,
            [
                'removed' => ['colb'],
                'placed' => [['colb', 'column', 'tab1', 'cola', ['width' => 0, 'format' => '']]],
                'cells' => ['r1xx' => ['colb' => 9]],
            ],
            $kind,
            new Limits,
        );
        self::assertSame([[], ['cola' => 1, 'colb' => 9]], [$reading->problems, $reading->tree?->get('r1xx')->fields]);
    }

    public function test_edits_told_from_what_differs_lead_to_the_same_as_those_told_from_all(): void
    {
        $kind = Kinds::named('spreadsheet');
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        $told = 0;
        for ($round = 0; $round < 60; $round++) {
            $random = new RandomContent($seed + $round, $kind->name());
            $old = $kind->repair($random->tree($round % 2 === 0 ? 25 : 200));
            $new = $kind->repair($random->edited($old, 1 + $round % 6));
            $store = new TreeStore(new MemoryChunkStore);
            $edits = Edits::in($store->compare($store->keep($old), $store->keep($new)), 'row');
            if ($edits !== null) {
                $told++;
                $reading = Edits::apply($old, json_decode((string) json_encode($edits), true), $kind, new Limits);
                self::assertSame([], $reading->problems, "SEED={$seed} round {$round}");
                self::assertEquals(
                    Consequences::withoutResults($kind, $new)->parts,
                    Consequences::withoutResults($kind, $reading->tree ?? $old)->parts,
                    "SEED={$seed} round {$round}",
                );
            }
        }
        self::assertGreaterThan(20, $told);
        // What only is elsewhere is told from all.
        $rows = array_map(fn (int $at) => new Part("r{$at}xx", 'row', 1, ['cola' => $at]), range(100, 199));
        $tree = fn (array $rows): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, []),
            new Part('cola', 'column', 1, []),
            ...array_values($rows),
        ]);
        $store = new TreeStore(new MemoryChunkStore);
        foreach ([[3, 90], [90, 3], [50, 51]] as [$from, $to]) {
            $moved = $rows;
            $one = array_splice($moved, $from, 1);
            array_splice($moved, $to, 0, $one);
            self::assertNull(Edits::in($store->compare($store->keep($tree($rows)), $store->keep($tree($moved))), 'row'));
        }
        $more = [
            ...array_slice($rows, 0, 70),
            new Part('newr', 'row', 1, ['cola' => 7]),
            ...array_slice($rows, 70, 20),
            ...array_slice($rows, 91),
        ];
        self::assertEquals(
            ['placed' => [['newr', 'row', 'tab1', 'r169xx', ['cola' => 7]]], 'removed' => ['r190xx']],
            Edits::in($store->compare($store->keep($tree($rows)), $store->keep($tree($more))), 'row'),
        );
    }

    public function test_a_look_goes_with_its_value_and_counts_for_none(): void
    {
        foreach ([5, 'd', true, ['d', '2026-05-03'], ['!', '#N/A'], ['=', 'A1', 6], ['=', 'A1', '!', '#REF!'], ['=', 'A1']] as $value) {
            $dressed = Cell::dressed($value, 'bc|0.00');
            self::assertSame($dressed, Cell::read($dressed));
            self::assertSame(
                [$value, 'bc|0.00', Cell::result($value), Cell::type($value)],
                [Cell::bare($dressed), Cell::look($dressed), Cell::result($dressed), Cell::type($dressed)],
            );
        }
        self::assertSame(['*', 'b'], Cell::read(['*', 'b']));
        foreach (
            [['*'], ['*', ''], ['*', 'x'], ['*', 'b', '*', 'b', 1], ['*', 'b', ['d', 1]], ['*', "b|\n", 1], ['*', 'b', 'd', 'nope']] as $wrong
        ) {
            self::assertNull(Cell::read($wrong), (string) json_encode($wrong));
        }
    }

    public function test_a_range_that_followed_its_rows_was_edited_by_nobody(): void
    {
        $old = PartTree::of([
            new Part('tab1', 'tab', 0, []),
            new Part('cola', 'column', 1, []),
            ...array_map(fn (string $id) => new Part($id, 'row', 1, ['cola' => 1]), ['r1xx', 'r2xx', 'r3xx']),
        ]);
        $edits = new CellEdits(TreeCompare::of($old, PartTree::of(array_slice($old->parts, 0, 4))));
        self::assertTrue($edits->followed(['=', 'SUM([r1xx.cola]:[r3xx.cola])', 3], ['=', 'SUM([r1xx.cola]:[r2xx.cola])', 2]));
        self::assertFalse(
            $edits->followed(['=', 'SUM([r1xx.cola]:[r3xx.cola])', 3], ['=', 'SUM([r2xx.cola]:[r2xx.cola])', 2]),
            'an end that is still there was typed over',
        );
        self::assertFalse($edits->followed(['=', 'SUM([r1xx.cola]:[r3xx.cola])', 3], ['=', 'MAX([r1xx.cola]:[r2xx.cola])', 2]));
        self::assertFalse($edits->followed(['=', '[r3xx.cola]', 3], ['=', '[r2xx.cola]', 2]));
    }

    public function test_a_plainer_file_keeps_what_it_could_not_hold(): void
    {
        $kind = Kinds::named('spreadsheet');
        $row = fn (string $id, array $values): Part => new Part(
            $id,
            'row',
            1,
            array_filter(array_combine(['cola', 'colb', 'colc'], $values), fn (mixed $value) => $value !== null),
        );
        $columns = array_map(fn (string $id) => new Part($id, 'column', 1, ['width' => 80, 'format' => $id === 'colc' ? '|0.00' : '']), [
            'cola',
            'colb',
            'colc',
        ]);
        $old = PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
            ...$columns,
            $row('head', ['Item', 'On', 'Sum']),
            $row('r1xx', ['Toaster', ['d', '2026-05-03'], ['=', '1+1', 2]]),
            $row('r2xx', ['Lamp', null, 5]),
            $row('rest', [null, ['*', 'b'], null]),
        ]);
        $new = PartTree::of([
            new Part('t0', 'tab', 0, ['name' => 'Log']),
            ...array_map(fn (string $id) => new Part($id, 'column', 1, []), ['cola', 'colb', 'colc']),
            $row('n0xx', ['Item', 'On', 'Sum']),
            $row('n1xx', ['Toaster', '2026-05-03', '2.00']),
            $row('n2xx', ['Lamp', 'x', 6]),
        ]);
        $grid = $kind->grid() ?? self::fail();
        $kept = Retained::of($grid, $old, Matching::adopt(Retained::written($grid, $old), Retained::written($grid, $new), $grid)->tree);

        self::assertSame(['tab1', 'cola', 'colb', 'colc', 'head', 'r1xx', 'r2xx', 'rest'], array_column($kept->parts, 'id'));
        self::assertEquals($old->get('r1xx'), $kept->get('r1xx'));
        self::assertSame(['x', 6], [$kept->get('r2xx')->fields['colb'], $kept->get('r2xx')->fields['colc']]);
        self::assertSame([80, 1], [$kept->get('cola')->int('width'), $kept->get('tab1')->int('frozen')]);
    }

    public function test_texts_of_a_plain_table_are_read_as_what_they_look_like_and_written_again_as_they_were(): void
    {
        foreach (
            [
                '12' => 12,
                '-3.5' => -3.5,
                '2.40' => ['*', '|0.00', 2.4],
                '1,234.50' => ['*', '|#,##0.00', 1234.5],
                '12%' => ['*', '|0%', 0.12],
                '12.5%' => ['*', '|0.0%', 0.125],
                '2026-05-03' => ['d', '2026-05-03'],
                'TRUE' => true,
                '0' => 0,
                '0.00' => ['*', '|0.00', 0],
            ] as $text => $value
        ) {
            self::assertSame($value, TypedText::of((string) $text), (string) $text);
            self::assertSame((string) $text, NumberLook::show($value));
        }
        self::assertSame([['d', '2026-05-03'], ['d', '2026-12-24']], [TypedText::of('3.5.2026'), TypedText::of('24. 12. 2026')]);
        foreach (
            ['31.2.2026', '3.5.26', '007', '1e3', '1,23', '12345678901234567', '2026-13-01', 'tea', '-', '.5', '1.', '+5', '1 000'] as $text
        ) {
            self::assertSame($text, TypedText::of($text));
        }
    }

    public function test_a_column_with_commas_before_decimals_is_numbers_that_are_written_with_points(): void
    {
        $tree = fn (string ...$texts): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Log']),
            new Part('cola', 'column', 1, []),
            ...array_map(
                fn (int $at, string $text): Part => new Part("row{$at}", 'row', 1, ['cola' => $text]),
                array_keys(array_values($texts)),
                array_values($texts),
            ),
        ]);
        $read = fn (PartTree $of): array => array_map(
            fn (Part $part): string => NumberLook::show($part->fields['cola']).(is_string($part->fields['cola']) ? ' as text' : ''),
            array_slice($of->parts, 2),
        );
        self::assertSame(
            [
                'Price as text',
                '412.50',
                '1,204.75',
                '1,234',
                '-3.5',
                '12.5%',
                '7',
                '1 2 as text',
                '1,20,5 as text',
                '007 as text',
                '=1 as text',
            ],
            $read(TypedText::in($tree('Price', '412,50', '1.204,75', '1.234', '-3,5', '12,5%', '7', '1 2', '1,20,5', '007', "'=1"))),
        );
        self::assertSame(['1,204.75', '0.5'], $read(TypedText::in($tree("1\u{202f}204,75", '0,5'))));
        self::assertSame(
            ['2026-05-03', '2026-05-24', '2026-12-01 14:30'],
            $read(TypedText::in($tree('3/5/2026', '24/5/2026', '1/12/2026 14:30'))),
        );
        self::assertSame(['2026-03-05', '2026-05-24'], $read(TypedText::in($tree('3/5/2026', '5/24/2026'))));
        self::assertSame(
            [['3/5/2026 as text'], ['2026-05-03']],
            [$read(TypedText::in($tree('3/5/2026'))), $read(TypedText::in($tree('3/5/2026'), ','))],
            'nothing is guessed',
        );
        self::assertSame(
            ['12.50', '2,5 as text', '3.10'],
            $read(TypedText::in($tree('12.50', '2,5', '3.10'))),
            'a column is written in one way',
        );
        self::assertSame(
            [['1.234'], ['1,234']],
            [$read(TypedText::in($tree('1,234'), ',')), $read(TypedText::in($tree('1,234')))],
            'where a column does not tell, its file may',
        );
    }

    public function test_numbers_are_written_as_their_format_says(): void
    {
        self::assertSame(
            ['1,234.50', '12.5%', '3 May 2026', '2026-05-03', '12', 'tea', '#N/A'],
            [
                NumberLook::show(['*', '|#,##0.00', 1234.5]),
                NumberLook::show(0.125, '|0.0%'),
                NumberLook::show(['*', '|d mmm yyyy', 'd', '2026-05-03']),
                NumberLook::show(['d', '2026-05-03'], '|0.00'),
                NumberLook::show(12, '|d mmm yyyy'),
                NumberLook::show('tea', '|0.00'),
                NumberLook::show(['!', '#N/A'], '|0.00'),
            ],
        );
    }
}
