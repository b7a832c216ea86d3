<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\WidgetGrid;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** Reports: laid out, drawn from datasets, looked back at, restored with their data, and published with it. */
final class ReportsTest extends FeatureCase
{
    /** @var array<string, User> */
    private array $people;

    private Shelf $shelf;

    private Item $data;

    private Item $report;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = [
            'owner' => $this->person('Ines Oduya'),
            'editor' => $this->person('Tobi Brandt'),
            'viewer' => $this->person('Jun Castell'),
            'stranger' => $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Committee', [
            [$this->people['owner'], Role::Owner],
            [$this->people['editor'], Role::Editor],
            [$this->people['viewer'], Role::Viewer],
        ]);
        $make = $this->app->make(MakeItem::class);
        $this->data = $make->handle($this->shelf, $this->people['editor'], 'dataset', 'Repair log');
        $this->save($this->data, $this->people['editor'], $this->records());
        $this->report = $make->handle($this->shelf, $this->people['editor'], 'report', 'Quarterly repairs');
        $this->save($this->report, $this->people['editor'], $this->pages());
        $this->actingAs($this->people['editor']);
    }

    private function records(float $tip = 2, bool $hours = true): PartTree
    {
        return PartTree::of([
            new Part('fday', 'field', 0, ['name' => 'Day', 'type' => 'date']),
            new Part('fbench', 'field', 0, ['name' => 'Bench', 'type' => 'choice']),
            new Part('ftip', 'field', 0, ['name' => 'Tip', 'type' => 'money']),
            ...$hours ? [new Part('fhours', 'field', 0, ['name' => 'Double', 'type' => 'number', 'expression' => '[ftip] * 2'])] : [],
            new Part('rone', 'record', 0, ['fday' => ['d', '2026-01-03'], 'fbench' => 'Wood', 'ftip' => 4]),
            new Part('rtwo', 'record', 0, ['fday' => ['d', '2026-01-17'], 'fbench' => 'Cloth', 'ftip' => 3]),
            new Part('rthree', 'record', 0, ['fday' => ['d', '2026-03-07'], 'fbench' => 'Wood', 'ftip' => $tip]),
        ]);
    }

    private function pages(string $type = 'lines', bool $second = true): PartTree
    {
        $widget = fn (string $id, array $fields): Part => new Part($id, 'widget', 1, [
            'x' => 0,
            'y' => 0,
            'across' => 6,
            'down' => 6,
            'source' => $this->data->key,
            'measure' => 'count',
            ...$fields,
        ]);

        return PartTree::of([
            new Part('pone', 'page', 0, ['title' => 'At a glance']),
            $widget('wone', ['type' => $type, 'title' => 'Tips by month', 'measure' => 'sum:ftip', 'by' => 'fday:month']),
            $widget('wtwo', ['type' => 'figure', 'title' => 'Doubled', 'measure' => 'sum:fhours', 'x' => 6]),
            ...$second
                ? [
                    new Part('ptwo', 'page', 0, ['title' => 'By bench']),
                    $widget('wthree', ['type' => 'table', 'title' => 'Benches', 'by' => 'fbench']),
                ]
                : [],
        ]);
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return TestResponse<Response>
     */
    private function step(string $do, array $sent = []): TestResponse
    {
        return $this->postJson(route('report.edit', $this->report), [
            'do' => $do,
            'base' => $this->report->refresh()->root,
            'client' => 'window',
            ...$sent,
        ]);
    }

    public function test_figures_stand_in_tables_with_what_they_were_made_from(): void
    {
        $page = $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('Tips by month')
            ->assertSee('sum of Tip, by month')
            ->assertSee('Repair log 2');
        foreach (
            [
                'Jan 2026</th><td class="is-number">7<',
                'Feb 2026</th><td class="is-number">0<',
                'Mar 2026</th><td class="is-number">2<',
                'Total</th><td class="is-number">9<',
                '<b>18</b>',
                'Wood</th><td class="is-number">2<',
            ] as $figure
        ) {
            $page->assertSee($figure, false);
        }
        $this->get(route('report.figures', [$this->report, 'wone']))
            ->assertOk()
            ->assertSee("Day,sum of Tip\r\nJan 2026,7\r\nFeb 2026,0\r\nMar 2026,2", false);
    }

    public function test_where_there_is_one_dataset_a_new_chart_is_drawn_from_it(): void
    {
        $added = function (): Part {
            $this->step('widget-add', ['part' => 'pone', 'type' => 'bars'])->assertOk();
            $tree = $this->tree($this->report->refresh());
            $widgets = $tree->children()['pone'];

            return $tree->get($widgets[count($widgets) - 1]);
        };
        self::assertSame($this->data->key, $added()->string('source'));
        $this->data->replicate(['id', 'live_id'])->forceFill(['key' => 'another00001', 'title' => 'Another'])->save();
        self::assertSame('', $added()->string('source'));
    }

    public function test_a_page_is_laid_out_step_by_step_and_undone(): void
    {
        $this->step('widget-add', ['part' => 'pone', 'type' => 'bars', 'source' => $this->data->key])->assertOk();
        $tree = $this->tree($this->report->refresh());
        $added = $tree->children()['pone'][2];
        $before = $this->report->root;
        $moved = $this->step('widget-place', ['part' => $added, 'x' => 3, 'y' => 0, 'across' => 9, 'down' => 4])->assertOk();
        $widgets = array_map($this->tree($this->report->refresh())->get(...), $tree->children()['pone']);
        foreach ($widgets as $at => $one) {
            foreach (array_slice($widgets, $at + 1) as $other) {
                self::assertFalse(WidgetGrid::overlap($one, $other), "{$one->id} over {$other->id}");
            }
        }
        self::assertSame([3, 0], [$widgets[2]->int('x'), $widgets[2]->int('y')]);
        $this->step('widget-set', [
            'part' => 'wone',
            'type' => 'bars',
            'title' => 'Tips',
            'source' => $this->data->key,
            'measure' => 'mean',
            'of' => 'ftip',
            'by' => 'fbench',
            'filters' => [['field' => 'ftip', 'way' => 'above', 'value' => '2']],
            'most' => 3,
            'digits' => 1,
        ])
            ->assertOk()
            ->assertSee('mean of Tip, by Bench, Tip above 2');
        self::assertEquals(
            ['type' => 'bars', 'measure' => 'mean:ftip', 'by' => 'fbench'],
            array_intersect_key($this->tree($this->report->refresh())->get('wone')->fields, ['type' => 1, 'measure' => 1, 'by' => 1]),
        );
        // Undoing the move keeps what was set since.
        $this->step('undo', ['base' => $moved->json('after'), 'back' => $before])->assertOk();
        $tree = $this->tree($this->report->refresh());
        self::assertNotSame(3, $tree->get($added)->int('x'));
        self::assertSame('mean:ftip', $tree->get('wone')->string('measure'));
        foreach (
            [
                ['page-add', ['title' => 'Third']],
                [
                    'page-set',
                    [
                        'part' => 'pone',
                        'title' => 'Glance',
                        'from' => '2026-01-01',
                        'to' => '2026-01-31',
                        'source' => $this->data->key,
                        'filters' => [['field' => 'fbench', 'way' => 'is', 'value' => 'Wood']],
                    ],
                ],
                ['page-move', ['part' => 'ptwo', 'by' => -1]],
                ['widget-copy', ['part' => 'wtwo']],
                ['widget-page', ['part' => 'wthree', 'page' => 'pone']],
                ['page-remove', ['part' => 'ptwo']],
                ['widget-remove', ['part' => 'wtwo']],
            ] as [$do, $sent]
        ) {
            $this->step($do, $sent)->assertOk();
        }
        $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('1 Jan 2026 to 31 Jan 2026')
            ->assertSee('Of “Repair log” only where Bench is');
        $this->assertVerified();
    }

    public function test_bad_steps_are_refused_and_nothing_is_lost(): void
    {
        $root = $this->report->refresh()->root;
        $elsewhere = $this->shelf('Elsewhere', [[$this->people['stranger'], Role::Owner]]);
        $hidden = $this->app->make(MakeItem::class)->handle($elsewhere, $this->people['stranger'], 'dataset', 'Secret');
        foreach (
            [
                ['widget-set', ['part' => 'wone', 'source' => $hidden->key]],
                ['widget-set', ['part' => 'pone']],
                ['widget-add', ['part' => 'pone', 'type' => 'script']],
                ['nonsense', ['part' => 'pone']],
                ['widget-place', ['part' => 'nobody']],
                ['undo', ['back' => str_repeat('a', 40)]],
                ['widget-place', ['part' => 'wone', 'x' => 'left']],
            ] as [$do, $sent]
        ) {
            $this->step($do, $sent)->assertUnprocessable();
        }
        $this->step('page-add', ['base' => str_repeat('b', 40)])->assertConflict();
        self::assertSame($root, $this->report->refresh()->root);
        $this->step('widget-set', [
            'part' => 'wone',
            'title' => '<script>alert(1)</script>',
            'type' => 'text',
            'text' => '<img onerror=x>',
        ])->assertOk();
        $this->get(route('item', $this->report))->assertDontSee('<script>alert', false)->assertDontSee('<img onerror', false);
        // A forged source in a whole state is no way round.
        $tree = $this->tree($this->report->refresh());
        $forged = $this->wire(PartTree::of([$tree->parts[0], $tree->parts[2]->with('source', $hidden->key)]));
        $this->putJson(route('state.save', $this->report), ['base' => $this->report->root, 'client' => 'x', 'content' => $forged])
            ->assertUnprocessable()
            ->assertSee('you may not see it');
        self::assertNotSame($hidden->key, $this->tree($this->report->refresh())->get('wtwo')->string('source'));
        // Nor is a file that is brought in.
        $file = UploadedFile::fake()->createWithContent('r.json', (string) json_encode(['kind' => 'report', 'parts' => $forged]));
        $this->post(route('shelf.make', $this->shelf), ['kind' => 'report', 'title' => 'Forged', 'file' => $file])->assertSessionHasErrors(
            'source',
        );
        $this->post(route('item.file.store', $this->report), ['file' => $file])->assertSessionHasErrors('source');
    }

    public function test_looking_back_takes_the_data_of_that_time_or_of_today(): void
    {
        $this->save($this->data, $this->people['owner'], $this->records(tip: 12));
        $this->save($this->report, $this->people['owner'], $this->pages(type: 'bars', second: false));
        $was = ['item' => $this->report, 'from' => 2, 'to' => 3, 'view' => 'was'];
        $this->get(route('history', $was))
            ->assertOk()
            ->assertSee('With the data of that time')
            ->assertSee('Total</th><td class="is-number">9<', false)
            ->assertSee('By bench');
        $this->get(route('history', [...$was, 'show' => 'today']))->assertOk()->assertSee('Total</th><td class="is-number">19<', false);
        $changed = $this->get(route('history', ['item' => $this->report, 'from' => 2, 'to' => 3]))->assertOk();
        $changed
            ->assertSee('Changed the type of “Tips by month” from “lines” to “bars”')
            ->assertSee('Removed the page “By bench”')
            ->assertSee('<del>Lines</del> <ins>Bars</ins>', false)
            ->assertSee('And because the data changed')
            ->assertSee('“Doubled” rose by 20')
            ->assertSee('Repair log, 2 → 3: see that comparison')
            ->assertSee('Mar 2026</th><td class="is-number">2</td><td class="is-number">12</td><td class="is-number">+10<', false);
        foreach (['list', 'comparison'] as $route) {
            $this->get($route === 'list' ? route('list', $this->report) : route('comparison', [$this->report, 2, 3, 'html']))->assertOk();
        }
        $this->get(route('part', [$this->report, 'wone']))->assertOk();
        $this->get(route('download', [$this->report, 3, 'json']))->assertOk();
    }

    public function test_a_widget_that_broke_says_by_whom_and_its_field_comes_back(): void
    {
        $this->save($this->data, $this->people['owner'], $this->records(hours: false));
        $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('It needs “Double”, which is gone.')
            ->assertSee('Ines removed it in Repair log 3')
            ->assertSee('Bring “Double” back')
            ->assertSee('Restore both…')
            ->assertSee('Use another field…');
        $this->get(route('shelf', $this->shelf))->assertSee('“Double” is gone, and “Doubled” in “Quarterly repairs” needs it');
        $this->post(route('part.restore', [$this->data, 'fhours', 2]), ['seen' => 3])->assertRedirect();
        $this->get(route('item', $this->report))->assertSee('<b>18</b>', false)->assertDontSee('which is gone');
        $this->assertVerified();
    }

    public function test_a_difference_is_parted_into_what_the_set_up_and_what_the_data_made_of_it(): void
    {
        $pages = fn (array $filters, string $title, int $x): PartTree => PartTree::of([
            new Part('pone', 'page', 0, ['title' => 'At a glance']),
            new Part('wsum', 'widget', 1, [
                'type' => 'figure',
                'title' => 'Tips in all',
                'source' => $this->data->key,
                'measure' => 'sum:ftip',
                'x' => 0,
                'y' => 0,
                'across' => 3,
                'down' => 4,
                ...$filters,
            ]),
            new Part('wby', 'widget', 1, [
                'type' => 'bars',
                'title' => $title,
                'source' => $this->data->key,
                'measure' => 'sum:ftip',
                'by' => 'fbench',
                'x' => $x,
                'y' => 4,
                'across' => 6,
                'down' => 6,
                ...$filters,
            ]),
            new Part('wmean', 'widget', 1, [
                'type' => 'table',
                'title' => 'Means',
                'source' => $this->data->key,
                'measure' => 'mean:ftip',
                'by' => 'fbench',
                'x' => 0,
                'y' => 12,
                'across' => 6,
                'down' => 6,
            ]),
        ]);
        $this->save($this->report, $this->people['editor'], $pages([], 'By bench', 0));
        $from = $this->report->refresh()->head;
        $this->save($this->data, $this->people['owner'], $this->records(tip: 12));
        $this->save($this->report, $this->people['owner'], $pages(['filters' => ['fbench|is|Wood']], 'Wood alone', 3));
        $history = $this->get(
            route('history', ['item' => $this->report, 'from' => $from, 'to' => $this->report->refresh()->head]),
        )->assertOk();
        // 4 + 3 + 2 before; of wood 4 + 2 with the earlier data, 4 + 12 with the later.
        $history->assertSee('Of +7, -3 come from how it is set up, +10 from the data.')->assertSee('Only records where');
        $history->assertSeeTextInOrder([
            'Tips in all',
            '9',
            '16',
            '+7',
            'Wood alone',
            'Wood',
            '6',
            '16',
            '+10',
            'Means',
            'Wood',
            '3',
            '8',
            '+5',
        ]);
        $this->get(route('history', ['item' => $this->report, 'from' => $from, 'to' => $this->report->head, 'view' => 'was']))
            ->assertOk()
            ->assertSee('<b>9</b>', false);
        $this->get(
            route('history', ['item' => $this->report, 'from' => $from, 'to' => $this->report->head, 'view' => 'was', 'show' => 'today']),
        )
            ->assertOk()
            ->assertSee('<b>19</b>', false);
    }

    public function test_a_widget_that_lost_its_last_record_is_an_unusual_change_of_its_dataset(): void
    {
        $cloth = fn (array $with): Part => new Part('wcloth', 'widget', 1, [
            'type' => 'figure',
            'title' => 'Cloth alone',
            'source' => $this->data->key,
            'measure' => 'count',
            'filters' => ['fbench|is|cloth'],
            'x' => 0,
            'y' => 20,
            'across' => 3,
            'down' => 4,
            ...$with,
        ]);
        $pages = $this->pages();
        $this->save($this->report, $this->people['editor'], PartTree::of([...$pages->parts, $cloth([])]));
        $types = fn (): array => array_column(
            $this->data->refresh()->versions()->where('number', $this->data->head)->firstOrFail()->unusual ?? [],
            'type',
        );
        $set = fn (string $record, array $fields): PartTree => PartTree::of(
            array_map(
                fn (Part $part) => $part->id === $record ? new Part($part->id, $part->role, 0, [...$part->fields, ...$fields]) : $part,
                $this->tree($this->data->refresh())->parts,
            ),
        );
        // Something else of the record, a record that it does not count, and one more that it does.
        foreach (
            [['rtwo', ['ftip' => 5]], ['rone', ['fbench' => 'Heat']], ['rone', ['fbench' => 'Cloth']], ['rone', ['fbench' => 'Wood']]] as [$record, $fields]
        ) {
            $this->save($this->data, $this->people['editor'], $set($record, $fields));
            self::assertSame([], $types());
        }
        $this->save($this->data, $this->people['owner'], $set('rtwo', ['fbench' => 'Wood']));
        self::assertSame(['emptied_widget'], $types());
        $this->get(route('shelf', $this->shelf))->assertOk()->assertSee('“Cloth alone” in “Quarterly repairs” has no record left to count');
        $this->get(route('history', $this->data))
            ->assertOk()
            ->assertSee('“Cloth alone” in “Quarterly repairs” has no record left to count');
        // It was empty before already, and then all records go: that is told of the widgets that had some.
        $this->save(
            $this->data,
            $this->people['owner'],
            PartTree::of(array_values(array_filter($this->tree($this->data->refresh())->parts, fn (Part $part) => $part->role === 'field'))),
        );
        self::assertSame(
            ['Tips by month', 'Doubled', 'Benches'],
            array_map(
                fn (array $one) => $one['evidence']['widget'],
                array_values(
                    array_filter(
                        $this->data->refresh()->versions()->where('number', $this->data->head)->firstOrFail()->unusual ?? [],
                        fn (array $one) => $one['type'] === 'emptied_widget',
                    ),
                ),
            ),
        );
    }

    public function test_what_is_calculated_from_a_field_that_went_and_what_is_of_another_type_say_so_too(): void
    {
        $tree = $this->records();
        $without = PartTree::of(
            array_values(
                array_map(fn (Part $part) => $part->without('ftip'), array_filter($tree->parts, fn (Part $part) => $part->id !== 'ftip')),
            ),
        );
        $this->save($this->data, $this->people['owner'], $without);
        $types = fn (): array => array_column(
            $this->data->refresh()->versions()->where('number', $this->data->head)->firstOrFail()->unusual ?? [],
            'type',
        );
        self::assertSame(['broke_widget', 'starved_widget'], $types());
        $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('The calculated field “Double” can not be computed.')
            ->assertSee('Ines removed “Tip”, which it is calculated from, in Repair log 3')
            ->assertSee('Bring “Tip” back');
        $this->post(route('part.restore', [$this->data, 'ftip', 2]), ['seen' => 3])->assertRedirect();
        $this->get(route('item', $this->report))->assertSee('<b>18</b>', false);
        $this->save(
            $this->data,
            $this->people['owner'],
            PartTree::of(
                array_map(
                    fn (Part $part) => $part->id === 'fday' ? $part->with('type', 'text') : $part,
                    $this->tree($this->data->refresh())->parts,
                ),
            ),
        );
        self::assertSame(['misfit_widget'], $types());
        $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('It needs “Day” to be a day')
            ->assertSee('Ines made it another type in Repair log 5')
            ->assertSee('Bring “Day” back…');
        $this->save(
            $this->data,
            $this->people['editor'],
            PartTree::of([...array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'field'))]),
        );
        $this->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('No record of its dataset is counted.')
            ->assertSee('Empty since Repair log 6, by Tobi');
    }

    public function test_a_gap_is_followed_to_whoever_made_it_and_a_filter_that_nobody_meets_says_so(): void
    {
        $this->save($this->data, $this->people['owner'], $this->records(hours: false));
        $this->post(route('restore.store', [$this->data, 2]), ['seen' => 3, 'all' => 1])->assertSessionHasNoErrors();
        $this->get(route('item', $this->report))->assertDontSee('which is gone');
        // Taking the restore back is bringing the gap back that Ines made.
        $this->post(route('restore.store', [$this->data, 3]), ['seen' => 4, 'all' => 1])->assertSessionHasNoErrors();
        self::assertSame(5, $this->data->refresh()->head);
        $this->get(route('item', $this->report))->assertOk()->assertSee('Ines removed it in Repair log 3')->assertDontSee('Tobi removed');
        // Readers are told what happened, and no names.
        $this->actingAs($this->people['owner'])->post(route('publish.store', [$this->report, 2]), ['follows' => 1])->assertRedirect();
        $this->put(route('report.pin', $this->report), ['pins' => 0]);
        $this->put(route('public', $this->report), ['open' => 1]);
        $this->app->make('auth')->forgetGuards();
        $this->get("/read/{$this->report->refresh()->address}")
            ->assertOk()
            ->assertSee('It was removed in Repair log 3')
            ->assertDontSee('Ines')
            ->assertDontSee('Tobi');
        $this->actingAs($this->people['editor']);
        $widget = [
            'part' => 'wone',
            'type' => 'bars',
            'title' => 'Tips by month',
            'source' => $this->data->key,
            'measure' => 'count',
            'by' => 'fday',
            'step' => 'month',
        ];
        $this->step('widget-set', [...$widget, 'filters' => [['field' => 'ftip', 'way' => 'above', 'value' => '1000']]])->assertOk();
        $this->get(route('item', $this->report))->assertSee('the filter “Tip above 1,000” leaves none')->assertDontSee('Empty since');
    }

    public function test_a_report_and_its_data_are_restored_together_and_taken_back_together(): void
    {
        $this->save($this->data, $this->people['owner'], $this->records(tip: 12, hours: false));
        $this->save($this->report, $this->people['owner'], $this->pages(second: false));
        $key = $this->data->key;
        $this->get(route('restore', [$this->report, 2]))
            ->assertOk()
            ->assertSee('Its data: “Repair log”')
            ->assertSee('The field “Double”')
            ->assertSee('the report needs it');
        $this->get(route('restore', [$this->report, 2]))->assertSee(
            "name=\"data[{$key}][]\" value=\"0\" form=\"restore\" data-pick-data checked",
            false,
        );
        // Something else was saved meanwhile: then neither is restored.
        $this->post(route('restore.store', [$this->report, 2]), [
            'seen' => 3,
            'lines' => 1,
            'pick' => [0],
            'data' => [$key => [0]],
            'data_seen' => [$key => 1],
        ])->assertSessionHasErrors('seen');
        self::assertSame([3, 3], [$this->report->refresh()->head, $this->data->refresh()->head]);
        $this->post(route('restore.store', [$this->report, 2]), [
            'seen' => 3,
            'lines' => 1,
            'pick' => [0],
            'data' => [$key => [0]],
            'data_seen' => [$key => 3],
        ])->assertSessionHasNoErrors();
        self::assertSame([4, 4], [$this->report->refresh()->head, $this->data->refresh()->head]);
        self::assertTrue($this->tree($this->data)->has('fhours'));
        self::assertSame(12, $this->tree($this->data)->get('rthree')->fields['ftip']);
        $this->get(route('history', ['item' => $this->report, 'from' => 3, 'to' => 4]))
            ->assertSee('Restored together with')
            ->assertSee('Repair log 4');
        $this->post(route('restore.undo', [$this->data, 4]))->assertSessionHasNoErrors();
        self::assertSame([5, 5], [$this->report->refresh()->head, $this->data->refresh()->head]);
        self::assertFalse($this->tree($this->data)->has('fhours'));
        self::assertFalse($this->tree($this->report)->has('ptwo'));
        // The data alone, and then one of the two goes on: it can not be taken back together any more.
        $this->post(route('restore.store', [$this->report, 2]), [
            'seen' => 5,
            'lines' => 1,
            'data' => [$key => [0]],
            'data_seen' => [$key => 5],
        ])->assertSessionHasNoErrors();
        self::assertSame([5, 6], [$this->report->refresh()->head, $this->data->refresh()->head]);
        $this->assertVerified();
    }

    public function test_readers_see_the_data_that_it_was_published_with_or_follow_it(): void
    {
        $this->actingAs($this->people['owner'])
            ->get(route('publish', [$this->report, 2]))
            ->assertOk()
            ->assertSee('Tips by month')
            ->assertSee('Total</th><td class="is-number">9<', false)
            ->assertDontSee('Its dataset is gone')
            ->assertSee('readers see the figures of that day');
        $this->post(route('publish.store', [$this->report, 2]))->assertRedirect();
        $this->put(route('public', $this->report), ['open' => 1]);
        $address = (string) $this->report->refresh()->address;
        $this->save($this->data, $this->people['editor'], $this->records(tip: 12));
        $public = fn (): TestResponse => $this->get("/read/{$address}")->assertOk();
        $public()
            ->assertSee('Total</th><td class="is-number">9<', false)
            ->assertSee('when this was published')
            ->assertHeader('Content-Security-Policy');
        $this->actingAs($this->people['viewer'])
            ->get(route('item', $this->report))
            ->assertOk()
            ->assertSee('Total</th><td class="is-number">9<', false)
            ->assertDontSee('data-grip', false);
        $this->get(route('report.figures', [$this->report, 'wone']))->assertSee('Mar 2026,2');
        $this->put(route('report.pin', $this->report), ['pins' => 0])->assertForbidden();
        $this->actingAs($this->people['owner'])->put(route('report.pin', $this->report), ['pins' => 0])->assertRedirect();
        $this->step('page-add')->assertOk();
        $this->step('widget-set', [
            'part' => 'wone',
            'type' => 'bars',
            'title' => 'Tips by month',
            'source' => $this->data->key,
            'measure' => 'sum',
            'of' => 'ftip',
            'by' => 'fday',
            'step' => 'month',
        ])->assertOk();
        $this->get(route('publish', [$this->report, $this->report->refresh()->head]))
            ->assertOk()
            ->assertSee('<del>Lines</del> <ins>Bars</ins>', false)
            ->assertSee('new page')
            ->assertSee('2 from Repair log 3, 3 from Repair log 3')
            ->assertDontSee('Its dataset is gone');
        $this->post(route('publish.store', [$this->report, $this->report->refresh()->head]))->assertRedirect();
        $etag = $public()->assertSee('Total</th><td class="is-number">19<', false)->assertSee('follow their data')->headers->get('ETag');
        $this->save($this->data, $this->people['editor'], $this->records(tip: 22));
        self::assertNotSame($etag, $public()->assertSee('Total</th><td class="is-number">29<', false)->headers->get('ETag'));
    }

    public function test_readers_get_newer_figures_of_the_same_report_and_following_begins_at_once(): void
    {
        $this->actingAs($this->people['owner'])->post(route('publish.store', [$this->report, 2]));
        $this->put(route('public', $this->report), ['open' => 1]);
        $address = (string) $this->report->refresh()->address;
        $public = fn (): TestResponse => $this->get("/read/{$address}")->assertOk();
        $this->get(route('publish', [$this->report, 2]))->assertSee('Readers see no change');
        $this->post(route('publish.store', [$this->report, 2]))->assertSessionHasErrors('note');
        $this->save($this->data, $this->people['editor'], $this->records(tip: 12));
        $public()->assertSee('Total</th><td class="is-number">9<', false);
        $this->get(route('publish', [$this->report, 2]))->assertSee('Readers see newer figures')->assertSee('Repair log: 2 → 3');
        // What readers see now is beside what they would see, which an earlier version is published with, too.
        $this->step('page-add')->assertOk();
        $this->step('page-add', ['base' => $this->report->refresh()->root, 'client' => 'another'])->assertOk();
        foreach ([3, $this->report->refresh()->head] as $number) {
            $this->get(route('publish', [$this->report, $number]))
                ->assertSee('Mar 2026</th><td class="is-number">2</td><td class="is-number">12</td>', false)
                ->assertSee("2 from Repair log 2, {$number} from Repair log 3");
        }
        $this->post(route('publish.store', [$this->report, 2]))->assertSessionHasNoErrors();
        $public()->assertSee('Total</th><td class="is-number">19<', false);
        $this->save($this->data, $this->people['editor'], $this->records(tip: 22));
        $this->put(route('report.pin', $this->report), ['pins' => 0])->assertSessionHas(
            'said',
            'Readers see figures that follow the data from now on.',
        );
        $public()->assertSee('Total</th><td class="is-number">29<', false)->assertSee('follow their data');
        $this->put(route('report.pin', $this->report), ['pins' => 1]);
        $this->save($this->data, $this->people['editor'], $this->records(tip: 32));
        $public()->assertSee('Total</th><td class="is-number">29<', false);
        $this->assertVerified();
    }

    public function test_what_somebody_may_not_see_stays_as_it_is_set_up(): void
    {
        $own = $this->shelf('Own', [[$this->people['stranger'], Role::Owner], [$this->people['editor'], Role::Editor]]);
        $hidden = $this->app
            ->make(MakeItem::class)
            ->handle($this->shelf('Hidden', [[$this->people['editor'], Role::Owner]]), $this->people['editor'], 'dataset', 'Wages');
        $report = $this->app->make(MakeItem::class)->handle($own, $this->people['editor'], 'report', 'Of wages');
        $this->save(
            $report,
            $this->people['editor'],
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'One', 'source' => $hidden->key, 'filters' => ['fa|is|x']]),
                new Part('wone', 'widget', 1, [
                    'type' => 'bars',
                    'title' => 'Wages',
                    'x' => 0,
                    'y' => 0,
                    'across' => 6,
                    'down' => 6,
                    'source' => $hidden->key,
                    'measure' => 'sum:fw',
                    'by' => 'fd:month',
                    'filters' => ['fa|filled|'],
                    'most' => 5,
                ]),
            ]),
        );
        $before = $this->tree($report->refresh());
        $this->actingAs($this->people['stranger']);
        $this->get(route('report.settings', [$report, 'wone']))
            ->assertOk()
            ->assertSee('one that you may not see')
            ->assertDontSee('Wages (');
        $step = fn (array $sent): TestResponse => $this->postJson(route('report.edit', $report), [
            'base' => $report->refresh()->root,
            'client' => 'window',
            'keeps' => '1',
            'source' => $hidden->key,
            ...$sent,
        ])->assertOk();
        $step(['do' => 'widget-set', 'part' => 'wone', 'type' => 'lines', 'title' => 'Pay']);
        $step(['do' => 'page-set', 'part' => 'pone', 'title' => 'First']);
        $after = $this->tree($report->refresh());
        self::assertEquals($before->get('wone')->with('type', 'lines')->with('title', 'Pay')->fields, $after->get('wone')->fields);
        self::assertEquals($before->get('pone')->with('title', 'First')->fields, $after->get('pone')->fields);
    }

    public function test_a_page_shows_a_figure_of_a_public_report_and_goes_on_with_it(): void
    {
        $this->publish($this->report, $this->people['owner']);
        $this->report->update(['pins' => false]);
        $this->open($this->report, 'quarter');
        Publishing::query()->update(['data' => null]);
        $page = $this->page($this->shelf, $this->people['owner'], 'Welcome');
        $tree = $this->tree($page);
        $this->save(
            $page,
            $this->people['owner'],
            PartTree::of([
                ...$tree->parts,
                new Part('fshown', 'figure', 2, ['label' => 'Doubled this quarter', 'source' => '/read/quarter#part-wtwo']),
                new Part('fother', 'figure', 2, ['label' => 'Another', 'source' => '/read/quarter#part-wthree']),
            ]),
        );
        $this->publish($page, $this->people['owner']);
        $this->open($page, 'welcome');
        $first = $this->get('/read/welcome')->assertOk()->assertSee('Doubled this quarter: 18')->assertSee('>Another<', false);
        $this->save($this->data, $this->people['editor'], $this->records(tip: 12));
        $second = $this->get('/read/welcome', ['If-None-Match' => (string) $first->headers->get('ETag')])
            ->assertOk()
            ->assertSee('Doubled this quarter: 38');
        self::assertNotSame($first->headers->get('ETag'), $second->headers->get('ETag'));
        $this->report->update(['is_public' => false]);
        $this->get('/read/welcome')->assertOk()->assertDontSee('38')->assertSee('Doubled this quarter');
    }

    public function test_two_who_set_one_widget_otherwise_meet_and_the_second_settles_it(): void
    {
        $base = $this->report->refresh()->root;
        $set = [
            'part' => 'wone',
            'type' => 'lines',
            'title' => 'Tips by month',
            'source' => $this->data->key,
            'of' => 'ftip',
            'by' => 'fday',
            'step' => 'month',
        ];
        $this->step('widget-set', ['base' => $base, 'measure' => 'mean'] + $set)
            ->assertOk()
            ->assertJsonPath('held', 0);
        $this->actingAs($this->people['owner'])
            ->postJson(
                route('report.edit', $this->report),
                ['do' => 'widget-set', 'base' => $base, 'client' => 'other', 'measure' => 'most'] + $set,
            )
            ->assertOk()
            ->assertJsonPath('held', 1);
        $held = HeldEdit::query()->firstOrFail();
        $this->get(route('item', $this->report))->assertSee('One of your edits is held back');
        $this->get(route('held', [$this->report, $held]))->assertOk()->assertSee('mean of Tip')->assertSee('most')->assertDontSee('ftip');
        $this->put(route('held.settle', [$this->report, $held]), ['choice' => 'mine'])->assertSessionHasNoErrors();
        self::assertSame('most:ftip', $this->tree($this->report->refresh())->get('wone')->string('measure'));
        // One value of one record, typed by two.
        $base = $this->data->refresh()->root;
        $type = fn (string $who, string $value): TestResponse => $this->actingAs($this->people[$who])->put(
            route('record.save', [$this->data, 'rone']),
            ['base' => $base, 'values' => ['ftip' => $value]],
        );
        $type('editor', '5')->assertRedirect(route('item', $this->data));
        $type('owner', '6')->assertRedirect(route('held', [$this->data, HeldEdit::query()->latest('id')->firstOrFail()]));
        $this->get(route('held', [$this->data, HeldEdit::query()->latest('id')->firstOrFail()]))
            ->assertOk()
            ->assertSee('5')
            ->assertSee('6');
        $this->assertVerified();
    }

    public function test_who_was_removed_sees_no_more_of_the_data_and_nor_does_who_reads_what_they_published(): void
    {
        $jun = $this->people['viewer'];
        $own = $this->shelf('Own', [[$jun, Role::Owner], [$this->people['stranger'], Role::Viewer]]);
        $this->shelf->update(['drafts' => 'everyone']);
        $this->actingAs($jun)
            ->post(route('copy.store', [$this->report, 2]), ['title' => 'Mine now', 'shelf' => $own->key])
            ->assertRedirect();
        $copy = Item::query()->where('title', 'Mine now')->firstOrFail();
        $this->publish($copy, $jun);
        $this->open($copy, 'mine-now');
        $sees = function (User $who) use ($copy): bool {
            $shown = [];
            foreach (
                [
                    route('item', $copy),
                    route('history', ['item' => $copy, 'from' => 1, 'to' => 1, 'view' => 'was']),
                    route('report.figures', [$copy, 'wthree']),
                ] as $address
            ) {
                $page = $this->actingAs($who)->get($address);
                $shown[] = str_contains((string) $page->getContent(), 'Wood');
            }
            $shown[] = str_contains((string) $this->get(route('read', 'mine-now'))->getContent(), 'Wood');
            self::assertCount(1, array_unique($shown), (string) json_encode($shown));

            return $shown[0];
        };
        self::assertTrue($sees($jun));
        // A reader sees what was published by somebody who may see the data, though not the data.
        self::assertTrue($sees($this->people['stranger']));

        $this->shelf->memberships()->where('user_id', $jun->id)->delete();
        self::assertFalse($sees($jun));
        self::assertFalse($sees($this->people['stranger']));
        $this->actingAs($jun)
            ->get(route('item', $copy))
            ->assertOk()
            ->assertSee('or you may not see it')
            ->assertDontSee('Repair log')
            ->assertDontSee('sum of Tip');
        // Pointing it at another field shows nothing either.
        $this->postJson(route('report.edit', $copy), [
            'do' => 'widget-set',
            'part' => 'wthree',
            'base' => $copy->refresh()->root,
            'client' => 'w',
            'title' => 'T',
            'type' => 'table',
            'source' => $this->data->key,
            'measure' => 'count',
            'by' => 'fday',
        ])
            ->assertOk()
            ->assertDontSee('2026-01');
        $this->get(route('history', ['item' => $copy, 'from' => 1, 'to' => $copy->refresh()->head]))
            ->assertOk()
            ->assertDontSee('Repair log')
            ->assertDontSee('“Day”')
            ->assertDontSee('Bench,');
        // The data alone opens it again.
        $this->shelf->memberships()->create(['user_id' => $jun->id, 'role' => Role::Viewer]);
        self::assertTrue(str_contains((string) $this->actingAs($jun)->get(route('item', $copy))->getContent(), 'Repair log'));
    }

    public function test_a_sentence_names_another_item_to_those_alone_who_may_see_it(): void
    {
        $this->save($this->data, $this->people['owner'], $this->records(hours: false));
        $history = route('history', ['item' => $this->data, 'from' => 2, 'to' => 3]);
        $this->actingAs($this->people['editor'])->get($history)->assertSee('“Doubled” in “Quarterly repairs” needs it');
        foreach ([$history, route('shelf', $this->shelf), route('list', $this->data), route('ribbon', $this->data)] as $address) {
            $this->actingAs($this->people['viewer'])
                ->get($address)
                ->assertOk()
                ->assertDontSee('Doubled')
                ->assertDontSee('Quarterly repairs');
        }
        $this->get($history)->assertSee('a report needs it');
    }

    public function test_definitions_come_in_again_as_json(): void
    {
        $json = (string) $this->get(route('download', [$this->report, 2, 'json']))->assertOk()->getContent();
        $this->post(route('shelf.make', $this->shelf), [
            'kind' => 'report',
            'title' => 'Again',
            'file' => UploadedFile::fake()->createWithContent('again.json', $json),
        ])->assertSessionHasNoErrors();
        $again = Item::query()->where('title', 'Again')->firstOrFail();
        $this->get(route('item', $again))->assertOk()->assertSee('Total</th><td class="is-number">9<', false);
        $this->post(route('shelf.make', $this->shelf), [
            'kind' => 'report',
            'file' => UploadedFile::fake()->createWithContent('bad.json', '[1]'),
        ])->assertSessionHasErrors('file');
    }

    /** @return array<string, array{string, string, list<string>}> */
    public static function routes(): array
    {
        return [
            'a step' => ['post', 'report.edit', ['editor', 'owner']],
            'its pages anew' => ['get', 'report.show', ['editor', 'owner']],
            'settings' => ['get', 'report.settings', ['editor', 'owner']],
            'figures' => ['get', 'report.figures', ['editor', 'owner']],
            'pins' => ['put', 'report.pin', ['owner']],
            'it' => ['get', 'item', ['editor', 'owner']],
            'its history' => ['get', 'history', ['editor', 'owner']],
        ];
    }

    /** @param list<string> $may */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, array $may): void
    {
        $url = in_array($route, ['report.settings', 'report.figures'], true)
            ? route($route, [$this->report, 'wone'])
            : route($route, $this->report);
        $this->app->make('auth')->forgetGuards();
        $this->json($method, $url)->assertUnauthorized();
        self::assertSame(404, $this->actingAs($this->people['stranger'])->json($method, $url)->status());
        foreach (['viewer', 'editor', 'owner'] as $who) {
            $status = $this->actingAs($this->people[$who])
                ->json($method, $url, ['do' => 'page-add', 'client' => 'x', 'base' => $this->report->refresh()->root, 'pins' => 1])
                ->status();
            in_array($who, $may, true) ? self::assertContains($status, [200, 302], $who) : self::assertContains($status, [403, 404], $who);
        }
    }
}
