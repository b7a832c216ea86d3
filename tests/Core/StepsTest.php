<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\FieldType;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Report\ReportEdit;
use MistyAttic\Core\Kinds\Report\ReportKind;
use MistyAttic\Core\Kinds\Report\ReportStep;
use MistyAttic\Core\Kinds\Report\WidgetGrid;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The steps by which people change datasets and reports, each giving a state that its kind takes. */
final class StepsTest extends TestCase
{
    private static int $seed;

    public static function setUpBeforeClass(): void
    {
        self::$seed = (int) (getenv('SEED') ?: random_int(1, 999_999));
        fwrite(STDERR, "\nsteps: SEED=".self::$seed."\n");
    }

    private function dataset(): PartTree
    {
        return PartTree::of([
            new Part('fname', 'field', 0, ['name' => 'Thing', 'type' => 'text']),
            new Part('fmin', 'field', 0, ['name' => 'Minutes', 'type' => 'text']),
            new Part('fhours', 'field', 0, ['name' => 'Hours', 'type' => 'number', 'expression' => '[fmin] / 60']),
            new Part('fdays', 'field', 0, ['name' => 'Days', 'type' => 'number', 'expression' => '[fhours] / 8']),
            new Part('fsay', 'field', 0, ['name' => 'Said', 'type' => 'text', 'expression' => '[fname] ~ "[fmin]"']),
            new Part('rone', 'record', 0, ['fname' => 'A lamp', 'fmin' => '90']),
            new Part('rtwo', 'record', 0, ['fname' => 'A kettle', 'fmin' => 'long']),
            new Part('rthree', 'record', 0, ['fname' => 'A radio']),
        ]);
    }

    public function test_a_field_takes_a_new_type_with_its_values_as_far_as_they_can(): void
    {
        $after = DatasetEdit::withField($this->dataset(), new Part('fmin', 'field', 0, ['name' => 'Minutes', 'type' => 'number']));
        self::assertSame(array_column($this->dataset()->parts, 'id'), array_column($after->parts, 'id'));
        self::assertSame(
            [90, 'long', null],
            [$after->get('rone')->fields['fmin'], $after->get('rtwo')->fields['fmin'], $after->get('rthree')->fields['fmin'] ?? null],
        );
        self::assertSame([1.5, null, null], Records::of($after)->column('fhours'));
        $renamed = DatasetEdit::withField($after, new Part('fmin', 'field', 0, ['name' => 'Time', 'type' => 'number']));
        self::assertSame($after->get('rone'), $renamed->get('rone'));
    }

    public function test_a_new_field_comes_behind_the_others_and_a_field_goes_with_its_values(): void
    {
        $added = DatasetEdit::withField($this->dataset(), new Part('fnew', 'field', 0, ['name' => 'New', 'type' => 'date']));
        self::assertSame('fnew', $added->parts[5]->id);
        $gone = DatasetEdit::withoutField($added, 'fmin');
        self::assertSame(
            [['fname' => 'A lamp'], ['fname' => 'A kettle'], ['fname' => 'A radio']],
            array_map(fn (string $id) => $gone->get($id)->fields, ['rone', 'rtwo', 'rthree']),
        );
        self::assertSame('[fmin] / 60', $gone->get('fhours')->string('expression'));
        self::assertNotSame([], Records::of($gone)->problems('fhours'));
    }

    public function test_what_is_calculated_from_a_field_is_found_through_other_fields_and_not_in_quotes(): void
    {
        $of = fn (string ...$fields): array => array_column(DatasetEdit::calculatedFrom($this->dataset(), array_values($fields)), 'id');
        self::assertSame(['fhours', 'fdays'], $of('fmin'));
        self::assertSame(['fdays'], $of('fhours'));
        self::assertSame(['fsay'], $of('fname'));
        self::assertSame(['fdays', 'fsay'], $of('fhours', 'fname'));
        self::assertSame([], $of('fdays'));
    }

    public function test_trees_are_equal_when_their_records_are(): void
    {
        $tree = $this->dataset();
        self::assertTrue($tree->equals(PartTree::of(array_map(fn (Part $part) => Part::fromRecord($part->record()), $tree->parts))));
        foreach (
            [
                DatasetEdit::withoutRecord($tree, 'rtwo'),
                DatasetEdit::withField($tree, new Part('fmin', 'field', 0, ['name' => 'Time', 'type' => 'text'])),
                PartTree::of([...array_slice($tree->parts, 0, 6), $tree->parts[7], $tree->parts[6]]),
                PartTree::of([...array_slice($tree->parts, 0, 7), new Part('rother', 'record', 0, ['fname' => 'A radio'])]),
                PartTree::of([...array_slice($tree->parts, 0, 5), $tree->parts[5]->with('fmin', 90), ...array_slice($tree->parts, 6)]),
            ] as $at => $other
        ) {
            self::assertFalse($tree->equals($other), (string) $at);
            self::assertFalse($other->equals($tree), (string) $at);
        }
    }

    public function test_records_come_and_go(): void
    {
        $tree = DatasetEdit::withRecord($this->dataset(), new Part('rfour', 'record', 0, []));
        self::assertSame('rfour', $tree->parts[8]->id);
        self::assertSame(
            array_column($this->dataset()->parts, 'id'),
            array_column(DatasetEdit::withoutRecord($tree, 'rfour')->parts, 'id'),
        );
    }

    /** @return array<string, array{string, string, mixed, bool}> */
    public static function typed(): array
    {
        return [
            'nothing' => ['number', '', null, true],
            'a number' => ['number', '1,250.5', 1250.5, true],
            'no number' => ['number', 'many', 'many', false],
            'money' => ['money', '€ 12', 12, true],
            'a day' => ['date', '2026-05-03', ['d', '2026-05-03'], true],
            'no day' => ['date', '2026-02-30', '2026-02-30', false],
            'yes' => ['boolean', 'Yes', true, true],
            'neither' => ['boolean', 'maybe', 'maybe', false],
            'a text' => ['text', '12', '12', true],
            'a choice' => ['choice', 'Wood', 'Wood', true],
        ];
    }

    #[DataProvider('typed')]
    public function test_what_is_typed_is_a_value_or_is_none(string $type, string $text, mixed $value, bool $fits): void
    {
        self::assertSame([$value, $fits], DatasetEdit::typed(new Part('f', 'field', 0, ['name' => 'F', 'type' => $type]), $text));
    }

    public function test_entries_of_a_form_come_with_the_types_of_its_questions(): void
    {
        $question = fn (string $id, string $type): Part => new Part($id, 'question', 1, [
            'type' => $type,
            'text' => RichText::plain("What about {$id}?"),
            'required' => false,
        ]);
        $form = PartTree::of([
            new Part('page', 'page', 0, ['title' => 'One']),
            $question('qname', 'short'),
            $question('qkind', 'one'),
            new Part('ca', 'choice', 2, ['label' => 'Wood', 'other' => false]),
            new Part('cb', 'choice', 2, ['label' => 'Else', 'other' => true]),
            $question('qmany', 'several'),
            $question('qhow', 'scale'),
            $question('qday', 'date'),
            $question('qyes', 'yes_no'),
            $question('qnote', 'note'),
            $question('qfile', 'file'),
        ]);
        $entry = PartTree::of([
            new Part('qname', 'answer', 0, ['type' => 'short', 'label' => 'Name', 'text' => RichText::plain('Ada')]),
            new Part('qkind', 'answer', 0, ['type' => 'one', 'label' => 'Kind', 'said' => ['Wood']]),
            new Part('qmany', 'answer', 0, ['type' => 'several', 'label' => 'Many', 'said' => ['A', 'B']]),
            new Part('qhow', 'answer', 0, ['type' => 'scale', 'label' => 'How', 'value' => 4]),
            new Part('qgone', 'answer', 0, ['type' => 'short', 'label' => 'Gone', 'text' => RichText::plain('x')]),
        ]);
        $source = Source::entries($form, ['entry00001' => ['2026-05-03', $entry]], 'Sent on');
        self::assertSame(
            [
                'sent' => 'date',
                'qname' => 'text',
                'qkind' => 'choice',
                'qmany' => 'text',
                'qhow' => 'number',
                'qday' => 'date',
                'qyes' => 'boolean',
            ],
            array_map(fn (FieldType $type) => $type->type, $source->types()),
        );
        self::assertSame(['Wood'], $source->types()['qkind']->choices);
        self::assertSame(
            ['entry00001' => ['sent' => ['d', '2026-05-03'], 'qname' => 'Ada', 'qkind' => 'Wood', 'qmany' => 'A, B', 'qhow' => 4]],
            $source->records,
        );
        $this->assertTaken(new DatasetKind, $source->tree($source->types()));
    }

    public function test_any_row_of_steps_gives_a_report_without_widgets_over_each_other(): void
    {
        $random = new Randomizer(new Mt19937(self::$seed));
        for ($round = 0; $round < 40; $round++) {
            $tree = (new ReportKind)->blank('first');
            for ($step = 0; $step < 60; $step++) {
                $before = $tree;
                $do = ReportStep::cases()[$random->getInt(0, count(ReportStep::cases()) - 1)];
                $part = $tree->parts === [] ? null : $tree->parts[$random->getInt(0, count($tree->parts) - 1)];
                $edit = ReportEdit::of(
                    $tree,
                    $do,
                    [
                        'part' => $part?->id,
                        'title' => "Title {$step}",
                        'type' => ['bars', 'figure', 'table', 'text', 'picture', 'no such'][$random->getInt(0, 5)],
                        'source' => ['', 'abcdefghijkl'][$random->getInt(0, 1)],
                        'by' => ['', 'fday', 2][$random->getInt(0, 2)],
                        'step' => 'month',
                        'measure' => 'sum',
                        'of' => 'fnum',
                        'page' => $tree->parts[$random->getInt(0, max(0, count($tree->parts) - 1))]->id ?? '',
                        'x' => $random->getInt(-3, 20),
                        'y' => $random->getInt(-3, 40),
                        'across' => $random->getInt(0, 20),
                        'down' => $random->getInt(0, 30),
                        'filters' => [
                            ['field' => 'fkind', 'way' => 'is', 'value' => 'a|b'],
                            ['field' => '', 'way' => 'is'],
                            ['field' => 'f', 'way' => 'no such'],
                        ],
                        'from' => '2026-06-01',
                        'to' => '2026-05-01',
                    ],
                    "p{$round}x{$step}",
                );
                $tree = $edit->tree ?? $tree;
                self::assertTrue($edit === null || $edit->touched !== null);
                $this->assertTaken(new ReportKind, $tree);
                foreach ($tree->children()[PartTree::ROOT] ?? [] as $page) {
                    $widgets = array_map($tree->get(...), $tree->children()[$page] ?? []);
                    foreach ($widgets as $at => $one) {
                        foreach (array_slice($widgets, $at + 1) as $two) {
                            self::assertFalse(WidgetGrid::overlap($one, $two), "{$do->value} in step {$step} SEED=".self::$seed);
                        }
                    }
                }
                if ($do === ReportStep::RemoveWidget && $edit !== null) {
                    self::assertCount(count($before->parts) - 1, $tree->parts);
                }
            }
        }
    }

    public function test_a_step_that_fits_no_part_gives_nothing(): void
    {
        $tree = PartTree::of([
            new Part('page', 'page', 0, ['title' => 'One']),
            new Part('widget', 'widget', 1, ['type' => 'bars', 'title' => '', 'x' => 0, 'y' => 0, 'across' => 6, 'down' => 6]),
        ]);
        foreach (
            [
                [ReportStep::SetWidget, 'page'],
                [ReportStep::SetPage, 'widget'],
                [ReportStep::MovePage, 'nothing'],
                [ReportStep::RemovePage, 'widget'],
                [ReportStep::RemoveWidget, 'page'],
                [ReportStep::CopyWidget, 'nothing'],
                [ReportStep::ToPage, 'widget'],
                [ReportStep::AddWidget, 'page'],
            ] as [$step, $part]
        ) {
            self::assertNull(
                ReportEdit::of($tree, $step, ['part' => $part, 'type' => 'no such', 'page' => 'widget'], 'new'),
                "{$step->value} {$part}",
            );
        }
    }

    private function assertTaken(Kind $kind, PartTree $tree): void
    {
        $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)), true);
        self::assertSame(
            [],
            array_map(fn ($problem) => "{$problem->code} {$problem->path}", $kind->read($sent, Limits::for($kind))->problems),
            'SEED='.self::$seed,
        );
    }
}
