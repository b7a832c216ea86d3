<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\LetGo;
use App\Kinds\Spreadsheet\SheetAuthors;
use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Restoring\RestoreVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Chunks\SqliteChunkStore;
use App\Store\Lives\LifeBlocks;
use App\Store\States;
use App\View\HistoryAddress;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PHPUnit\Framework\Attributes\TestWith;

/** Spreadsheets: saved by edits, calculated, looked back at and brought back. */
final class SheetTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->tobi = $this->person('Tobi Brandt');
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
        $this->item = $this->sheet([
            'Log' => "Item|Kg|Tip\nToaster|1.8|2\nLamp|1.1|0\nRadio|2.2|5\nTotal|=SUM(B2:B4)|=SUM(C2:C4)",
            'Notes' => "Who|What\nInes|=Log!B5",
        ]);
        $this->actingAs($this->ines);
    }

    /** @param array<string, string> $tabs name => lines, with bars between cells */
    private function sheet(array $tabs): Item
    {
        $parts = [];
        $tab = 0;
        foreach ($tabs as $name => $lines) {
            $tab++;
            $rows = array_map(fn (string $line) => explode('|', $line), explode("\n", $lines));
            $parts[] = new Part("tab{$tab}", 'tab', 0, ['name' => $name, 'frozen' => 1]);
            foreach ($rows[0] as $at => $unused) {
                $parts[] = new Part("t{$tab}c{$at}", 'column', 1, ['width' => 0, 'format' => '']);
            }
            foreach ($rows as $number => $cells) {
                $fields = [];
                foreach ($cells as $at => $text) {
                    $fields["t{$tab}c{$at}"]
                        = $text === '' ? null : ($text[0] === '=' ? ['=', substr($text, 1)] : (is_numeric($text) ? $text + 0 : $text));
                }
                $parts[] = new Part("t{$tab}r{$number}", 'row', 1, array_filter($fields, fn ($value) => $value !== null));
            }
        }
        $item = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Repair log',
                content: new Content(new SpreadsheetKind, Spelling::kept(PartTree::of($parts))),
            );
        // Ids of its own; the tests want to know them.
        $this->save($item, $this->ines, Spelling::kept(PartTree::of($parts)));

        return $item->refresh();
    }

    /** @param array<string, mixed> $edits */
    private function edit(array $edits, ?User $editor = null, ?string $base = null): Saved
    {
        Date::setTestNow(Date::now()->addMinutes(2));
        $editor ??= $this->ines;
        $saved = $this->app
            ->make(SaveState::class)
            ->handle(
                $this->item,
                $editor,
                new Sent($base ?? $this->item->refresh()->root, null, "window-{$editor->id}-".$this->item->head, edits: $edits),
            );
        self::assertInstanceOf(Saved::class, $saved);

        return $saved;
    }

    private function shown(string $row, string $column, ?PartTree $tree = null): string
    {
        return Cell::show(($tree ?? $this->tree($this->item))->get($row)->fields[$column] ?? null);
    }

    public function test_edits_are_saved_and_results_come_back_with_the_answer(): void
    {
        $sent = [
            'base' => $this->item->root,
            'client' => 'w.1',
            'edits' => ['cells' => ['t1r1' => ['t1c1' => 2], 't1r2' => ['t1c2' => ['=', '[.t1c1]*10', 999]]]],
        ];
        $answer = $this->putJson(route('state.save', $this->item), $sent)->assertOk()->json();

        self::assertSame(
            ['=', '[.t1c1]*10', 11],
            $answer['edits']['cells']['t1r2']['t1c2'],
            'a result that is sent along counts for nothing',
        );
        self::assertSame(5.3, $answer['edits']['cells']['t1r4']['t1c1'][2]);
        self::assertSame(5.3, $answer['edits']['cells']['t2r1']['t2c1'][2]);
        self::assertArrayNotHasKey('t1r1', $answer['edits']['cells'], 'what was sent does not come back');
        self::assertSame('5.3', $this->shown('t2r1', 't2c1'));
        $this->assertVerified();
    }

    public function test_how_it_will_be_leads_to_what_changes_in_another_tab(): void
    {
        $this->travel(5)->minutes();
        $parts = array_map(
            fn (Part $part): Part => match ($part->id) {
                't1r1' => $part->with('t1c0', 'Kettle'),
                't2r1' => $part->with('t2c0', 'Nell'),
                default => $part,
            },
            $this->tree($this->item)->parts,
        );
        $this->save($this->item, $this->ines, PartTree::of($parts));
        $head = $this->item->refresh()->head;
        $plan = (string) $this->get(route('restore', [$this->item, $head - 1]))->assertOk()->getContent();
        preg_match_all('/name="pick\[\]" value="(\d+)" form="restore"\s+checked/', $plan, $ticked);
        $sent = ['seen' => $head, 'lines' => substr_count($plan, 'name="pick[]"'), 'pick' => $ticked[1]];
        $page = (string) $this->post(route('restore.seen', [$this->item, $head - 1]), $sent)->assertOk()->getContent();
        self::assertSame(1, preg_match_all('/href="([^"]+)#part-(t\dr1)[^"]*"\s+data-elsewhere/', $page, $leads));
        self::assertStringContainsString('id="part-'.($leads[2][0] === 't1r1' ? 't2r1' : 't1r1'), $page);
        parse_str((string) parse_url(html_entity_decode($leads[1][0]), PHP_URL_QUERY), $asked);
        $this->post(route('restore.seen', [$this->item, $head - 1, ...$asked]), $sent)
            ->assertOk()
            ->assertSee("id=\"part-{$leads[2][0]}", false);
    }

    public function test_rows_columns_and_tabs_come_move_and_go(): void
    {
        $this->edit([
            'placed' => [
                ['newr', 'row', 'tab1', 't1r1', ['t1c0' => 'Kettle', 't1c1' => 1]],
                ['newc', 'column', 'tab1', 't1c0', ['width' => 60, 'format' => '|0.0']],
                ['t1r3', null, 'tab1', 't1r0'],
                ['newt', 'tab', '', 'tab1', ['name' => 'More', 'frozen' => 0]],
                ['mcol', 'column', 'newt', null, ['width' => 0, 'format' => '']],
                ['mrow', 'row', 'newt', 'mcol', []],
            ],
            'removed' => ['t1r2'],
        ]);
        $tree = $this->tree($this->item);
        self::assertSame(['t1c0', 'newc', 't1c1', 't1c2', 't1r0', 't1r3', 't1r1', 'newr', 't1r4'], $tree->children()['tab1']);
        self::assertSame(['tab1', 'newt', 'tab2'], $tree->children()['']);
        self::assertSame('4', $this->shown('t1r4', 't1c1'));
        self::assertSame(
            'SUM(C2:C3)',
            Formula::spell((string) Cell::formula($tree->get('t1r4')->fields['t1c1']), 't1r4', new CellPlaces($tree)),
            'what is left of the range stands together',
        );
    }

    public function test_edits_that_do_not_fit_are_refused_with_all_problems_and_nothing_is_lost(): void
    {
        $edits = [
            'cells' => ['t1r1' => ['nope' => 1, 't1c1' => ['x']]],
            'placed' => [['bad id', 'row', 'tab1', null, []], ['okid', 'row', 'nowhere', null, []]],
        ];
        $this->putJson(route('state.save', $this->item), ['base' => $this->item->root, 'client' => 'w', 'edits' => $edits])
            ->assertStatus(422)
            ->assertJsonCount(2, 'problems');
        unset($edits['placed']);
        $this->putJson(route('state.save', $this->item), ['base' => $this->item->root, 'client' => 'w', 'edits' => $edits])
            ->assertStatus(422)
            ->assertJsonCount(2, 'problems');
        $this->putJson(route('state.save', $this->item), ['base' => $this->item->root, 'client' => 'w', 'edits' => 'no'])->assertStatus(
            422,
        );
        $document = $this->document($this->shelf, $this->ines, 'one');
        $this->putJson(route('state.save', $document), ['base' => $document->root, 'client' => 'w', 'edits' => []])->assertStatus(422);
        self::assertSame(2, $this->item->refresh()->head);
    }

    public function test_two_people_merge_by_cell_and_a_cell_that_both_changed_is_held_back(): void
    {
        $base = $this->item->root;
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 2], 't1r2' => ['t1c2' => 3]]], $this->tobi);
        $saved = $this->edit(['cells' => ['t1r1' => ['t1c2' => 7], 't1r2' => ['t1c2' => 4]]], $this->ines, $base);

        self::assertTrue($saved->merged);
        self::assertSame(
            ['2', '7', '3', '15', '5.3'],
            array_map(fn (array $cell) => $this->shown(...$cell), [
                ['t1r1', 't1c1'],
                ['t1r1', 't1c2'],
                ['t1r2', 't1c2'],
                ['t1r4', 't1c2'],
                ['t1r4', 't1c1'],
            ]),
        );
        self::assertCount(1, $saved->held, 'the results that both had from different values are no meeting');
        $held = HeldEdit::query()->firstOrFail();
        $this->get(route('held', [$this->item, $held]))
            ->assertOk()
            ->assertSee('“Tip” of “Lamp”')
            ->assertSeeInOrder(['<h2 id="mine">', '4', '<h2 id="theirs">', '3'], false);
        $this->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])->assertRedirect();
        self::assertSame(['4', '16'], [$this->shown('t1r2', 't1c2'), $this->shown('t1r4', 't1c2')]);
        $this->assertVerified();
    }

    public function test_a_row_put_in_while_another_writes_a_formula_bends_no_formula(): void
    {
        $base = $this->item->root;
        $this->edit(['placed' => [['newr', 'row', 'tab1', 't1r0', ['t1c0' => 'Kettle', 't1c1' => 10]]]], $this->tobi);
        $this->edit(['cells' => ['t1r3' => ['t1c2' => ['=', '[t1r1.t1c1]+1']]]], $this->ines, $base);
        $tree = $this->tree($this->item);

        self::assertSame(
            ['2.8', 'B3+1'],
            [
                $this->shown('t1r3', 't1c2'),
                Formula::spell((string) Cell::formula($tree->get('t1r3')->fields['t1c2']), 't1r3', new CellPlaces($tree)),
            ],
        );
    }

    public function test_what_changed_shows_edits_apart_from_what_followed(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $this->edit(['removed' => ['t1r2']], $this->ines);
        $page = $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 4]))->assertOk();

        $page
            ->assertSee('Typed “18” over “1.8” in “Kg” of “Toaster”')
            ->assertSee('Removed the row “Lamp”')
            ->assertSee('“Kg” of “Total” came out as “20.2” instead of “5.1”');
        $page->assertSee('+16.2 (+900 %)')->assertSee('is-moved-on', false);
        $this->get(
            route('history', ['item' => $this->item, 'from' => 2, 'to' => 4, 'show' => 'formulas', 'rows' => 'all', 'tab' => 'tab1']),
        )
            ->assertOk()
            ->assertSee('=SUM(B2:B3)')
            ->assertSee('=SUM(B2:B4)');
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 4, 'view' => 'was']))
            ->assertOk()
            ->assertSee('Not the present state')
            ->assertSee('5.1');
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 4, 'view' => 'who']))
            ->assertOk()
            ->assertSee('Tobi, 4 May 2026');
        $this->get(route('lines', ['item' => $this->item, 'from' => 2, 'to' => 4, 'start' => 1]))
            ->assertOk()
            ->assertSee('Toaster')
            ->assertDontSee('<html', false);
        $this->getJson(route('causes', ['item' => $this->item, 'row' => 't2r1', 'column' => 't2c1', 'from' => 2, 'to' => 4]))
            ->assertOk()
            ->assertJsonPath('cells.0.cell', 't1r1/t1c1')
            ->assertJsonPath('cells.0.is', '18');
    }

    public function test_who_brings_something_back_has_not_written_it(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $this->edit(['cells' => array_fill_keys(['t1r1', 't1r2', 't1r3', 't1r4'], ['t1c0' => null, 't1c1' => null, 't1c2' => null])]);
        $this->post(route('restore.store', [$this->item, 3]), ['seen' => 4])->assertRedirect();
        $authors = new SheetAuthors(
            $this->item->refresh(),
            Version::query()->where('number', 5)->firstOrFail(),
            $this->app->make(States::class),
        );

        self::assertSame(
            ['Tobi', 'Ines'],
            [$authors->of('t1r1', 't1c1')->user?->firstName(), $authors->of('t1r1', 't1c2')->user?->firstName()],
        );
        self::assertSame('Tobi, 4 May 2026', $authors->of('t1r1', 't1c1')->words);
    }

    public function test_who_puts_back_a_row_or_a_column_that_was_removed_has_not_written_it(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $stood = $this->tree($this->item);
        $nell = $this->person('Nell Warwick');
        $this->shelf->memberships()->create(['user_id' => $nell->id, 'role' => Role::Editor]);
        foreach (['t1r1', 't1c1'] as $part) {
            $this->edit(['removed' => [$part]], $nell);
            // Undone, with one cell of it changed.
            $back = PartTree::of(array_map(fn (Part $each) => $each->id === 't1r1' ? $each->with('t1c2', 'Nell’s') : $each, $stood->parts));
            $this->save($this->item->refresh(), $nell, $back);
            $authors = new SheetAuthors(
                $this->item->refresh(),
                $this->item->versions()->orderByDesc('number')->firstOrFail(),
                $this->app->make(States::class),
            );
            self::assertSame(
                ['Tobi', 'Nell'],
                [$authors->of('t1r1', 't1c1')->user?->firstName(), $authors->of('t1r1', 't1c2')->user?->firstName()],
                $part,
            );
            self::assertSame('Ines', $authors->of('t1r2', 't1c1')->user?->firstName(), $part);
        }
    }

    public function test_what_stands_after_a_take_out_is_its_writers_of_two_who_share_a_name_too(): void
    {
        $other = $this->person('Tobias Brandt');
        $other->update(['name' => 'Tobi Brandt']);
        $this->shelf->memberships()->create(['user_id' => $other->id, 'role' => Role::Editor]);
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $other);
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 20], 't1r2' => ['t1c1' => 9]]], $this->tobi);
        $this->post(route('take-out.store', $this->item), ['from' => 3, 'to' => 4, 'by' => $this->tobi->id, 'seen' => 4])->assertRedirect();
        $authors = new SheetAuthors(
            $this->item->refresh(),
            Version::query()->where('number', 5)->firstOrFail(),
            $this->app->make(States::class),
        );
        self::assertSame(
            ['18', $other->id, $this->ines->id],
            [$this->shown('t1r1', 't1c1'), $authors->of('t1r1', 't1c1')->user?->id, $authors->of('t1r2', 't1c1')->user?->id],
        );

        DB::enableQueryLog();
        $authors->counts($this->tree($this->item));
        self::assertCount(0, array_filter(DB::getQueryLog(), fn (array $query) => str_contains($query['query'], 'touches')));
    }

    public function test_touches_are_kept_by_the_cell_and_results_touch_nothing(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $touched = DB::table('touches')->where(['item_id' => $this->item->id, 'number' => 3])->pluck('part')->all();

        self::assertEqualsCanonicalizing(['t1r1', 't1r1/t1c1'], $touched);
    }

    public function test_a_cell_tells_its_values_through_moves_and_comes_back_alone(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18, 't1c2' => 9]]], $this->tobi);
        $this->edit(['order' => ['tab1' => ['t1r0', 't1r3', 't1r2', 't1r1', 't1r4']]]);
        $this->edit(['cells' => ['t1r1' => ['t1c1' => null]]]);
        $page = $this->get(route('cell', [$this->item, 't1r1', 't1c1']))->assertOk();
        $page->assertSeeInOrder(['“Kg” of', 'B4', 'Emptied it', '18', 'Typed over “1.8”', '1.8']);
        $page->assertSee('polyline', false);

        $this->post(route('cell.restore', [$this->item, 't1r1', 't1c1', 3]), ['seen' => 5])->assertRedirect();
        self::assertSame(['18', '9', '21.3'], [$this->shown('t1r1', 't1c1'), $this->shown('t1r1', 't1c2'), $this->shown('t1r4', 't1c1')]);
        $this->post(route('cell.restore', [$this->item, 't1r1', 't1c1', 3]), ['seen' => 6])->assertSessionHasErrors('seen');
        $this->get(route('part', [$this->item, 't1r1']))->assertOk()->assertSee('“Kg”: 1.8 → 18');
        $this->get(route('part', [$this->item, 't1c1']))->assertOk()->assertSee('4 versions changed it');
        $this->get(route('part', [$this->item, 'tab1']))->assertOk();
        $this->get(route('cell', [$this->item, 'nope', 't1c1']))->assertNotFound();
    }

    public function test_the_cell_of_a_formula_tells_the_results_that_came_by_themselves(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $this->edit(['cells' => ['t1r1' => ['t1c2' => 9]]], $this->tobi);
        $this->edit(['removed' => ['t1r2']]);
        $this->edit(['cells' => ['t1r4' => ['t1c1' => ['=', 'SUM([t1r1.t1c1]:[t1r3.t1c1])*2']]]], $this->tobi);
        $this->edit(['cells' => ['t1r3' => ['t1c1' => 5]]]);
        $page = $this->get(route('cell', [$this->item, 't1r4', 't1c1']))->assertOk();
        // From 5.1 to 21.3, 20.2, 40.4 and 46: two versions wrote the formula.
        $page->assertSeeInOrder([
            'B4',
            'and 3 results came by themselves',
            '46',
            'Came by itself',
            'Why did it move?',
            'as it is now',
            '40.4',
            'Tobi Brandt',
            '20.2',
            'Came by itself',
            '21.3',
            'Came by itself',
            '5.1',
            'Ines Oduya',
        ]);
        self::assertSame(1, substr_count((string) $page->getContent(), 'as it is now'));
        self::assertSame('46', $this->shown('t1r4', 't1c1'));
        $why = $this->getJson(route('causes', [$this->item, 't1r4', 't1c1', 'from' => 6, 'to' => 7]))->assertOk()->json('cells');
        self::assertSame([['t1r3/t1c1', '2.2', '5']], array_map(fn (array $cell) => [$cell['cell'], $cell['was'], $cell['is']], $why));
    }

    public function test_picked_rows_and_cells_come_back_with_the_ranges_that_followed_them(): void
    {
        $this->edit(['removed' => ['t1r3'], 'cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        self::assertSame('19.1', $this->shown('t1r4', 't1c1'));
        $plan = $this->get(route('restore', [$this->item, 2]))->assertOk();
        $plan->assertSee('The row “Radio”')->assertSee('now “18”')->assertSee('Sums of columns')->assertSeeInOrder(['Kg', '19.1', '5.1']);
        // The first line is the cell, the second the row.
        preg_match_all('/name="pick\[\]" value="(\d+)"/', (string) $plan->getContent(), $lines);
        self::assertCount(2, $lines[1]);
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 3, 'lines' => 2, 'pick' => [$lines[1][1]]])->assertRedirect();
        $tree = $this->tree($this->item);
        self::assertSame(
            ['18', '21.3', 'SUM(B2:B4)'],
            [
                $this->shown('t1r1', 't1c1'),
                $this->shown('t1r4', 't1c1'),
                Formula::spell((string) Cell::formula($tree->get('t1r4')->fields['t1c1']), 't1r4', new CellPlaces($tree)),
            ],
        );
        $this->assertVerified();
    }

    public function test_one_persons_edits_are_taken_out_and_the_rest_stays(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18], 't1r2' => ['t1c1' => 11]]], $this->tobi);
        $this->edit(['cells' => ['t1r3' => ['t1c1' => 3]]], $this->ines);
        $this->post(route('take-out.store', $this->item), ['from' => 2, 'to' => 4, 'by' => $this->tobi->id, 'seen' => 4])->assertRedirect();

        self::assertSame(
            ['1.8', '1.1', '3', '5.9'],
            [$this->shown('t1r1', 't1c1'), $this->shown('t1r2', 't1c1'), $this->shown('t1r3', 't1c1'), $this->shown('t1r4', 't1c1')],
        );
    }

    public function test_one_persons_edits_are_taken_out_of_one_tab_alone(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18], 't2r1' => ['t2c0' => 'Tobi']]], $this->tobi);
        $this->edit(['cells' => ['t1r3' => ['t1c1' => 3]]]);
        $asked = ['item' => $this->item, 'from' => 2, 'to' => 4, 'by' => $this->tobi->id, 'tab' => 'tab1'];
        $this->get(route('take-out', $asked))
            ->assertOk()
            ->assertSee('Of which tab?')
            ->assertSee('“1.8” in “Kg” of “Toaster”')
            ->assertDontSee('now “Tobi”');
        $this->post(route('take-out.store', $asked), ['seen' => 4])->assertRedirect();

        self::assertSame(
            ['1.8', '3', '5.9', 'Tobi'],
            [$this->shown('t1r1', 't1c1'), $this->shown('t1r3', 't1c1'), $this->shown('t1r4', 't1c1'), $this->shown('t2r1', 't2c0')],
        );
    }

    public function test_a_blanked_tab_asks_for_a_look_until_it_is_meant_or_brought_back(): void
    {
        $this->edit([
            'placed' => array_map(
                fn (int $at) => [
                    "more{$at}",
                    'row',
                    'tab1',
                    $at === 1 ? 't1r4' : 'more'.($at - 1),
                    ['t1c0' => "Row {$at}", 't1c1' => $at],
                ],
                range(1, 12),
            ),
        ]);
        $rows = array_values(
            array_filter(
                $this->tree($this->item)->children()['tab1'],
                fn (string $id) => str_contains($id, 'r') && ! str_starts_with($id, 't1c'),
            ),
        );
        $this->edit(['cells' => array_fill_keys($rows, ['t1c0' => null, 't1c1' => null, 't1c2' => null])], $this->tobi);
        $version = Version::query()->where('number', 4)->firstOrFail();
        self::assertSame('blanked', $version->unusual[0]['type'] ?? null);
        $this->get(route('shelf', $this->shelf))->assertSee('cells were deleted at once')->assertSee('It was meant');
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4]))->assertSee('cells were deleted at once');

        $this->post(route('meant', [$this->item, 4]))->assertRedirect();
        $this->get(route('shelf', $this->shelf))->assertDontSee('cells were deleted at once');
        Version::query()->where('number', 4)->update(['meant_user_id' => null]);
        $this->post(route('restore.store', [$this->item, 3]), ['seen' => 4])->assertRedirect();
        $this->get(route('shelf', $this->shelf))->assertDontSee('cells were deleted at once');
        self::assertSame('5.1', $this->shown('t1r4', 't1c1'));
    }

    public function test_a_file_that_was_taken_out_and_edited_comes_back_as_edits(): void
    {
        $this->edit([
            'placed' => [['emp1', 'row', 'tab1', 't1r4', []], ['emp2', 'row', 'tab1', 'emp1', []]],
            'cells' => ['t1r1' => ['t1c1' => ['*', 'b|0.00', 1.8]]],
        ]);
        $csv = (string) $this->get(route('download', [$this->item, 3, 'csv']))->assertOk()->getContent();
        self::assertSame("Item,Kg,Tip\r\nToaster,1.80,2\r\nLamp,1.1,0\r\nRadio,2.2,5\r\nTotal,5.1,7\r\n", $csv);
        $this->post(route('item.file.store', $this->item), [
            'tab' => 'tab1',
            'file' => UploadedFile::fake()->createWithContent('log.csv', $csv),
        ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);

        $edited = str_replace(['Lamp,1.1', "Radio,2.2,5\r\n"], ['Lamp,1.4', "Kettle,1,0\r\nRadio,2.2,5\r\n"], $csv);
        $this->get(route('item.file', $this->item))->assertOk();
        $this->post(route('item.file.store', $this->item), [
            'tab' => 'tab1',
            'file' => UploadedFile::fake()->createWithContent('log.csv', $edited),
        ])->assertRedirect();
        $tree = $this->tree($this->item);
        self::assertSame(
            ['1.4', '6.4', '6.4'],
            [$this->shown('t1r2', 't1c1'), $this->shown('t1r4', 't1c1'), $this->shown('t2r1', 't2c1')],
            'the formula is still there and reads the row that came',
        );
        self::assertSame(['*', 'b|0.00', 1.8], $tree->get('t1r1')->fields['t1c1'], 'a look is in no plain file');
        self::assertTrue($tree->has('emp2'));
        self::assertSame(1, count(array_filter($tree->children()['tab1'], fn (string $id) => $id[0] === 'p')), 'one row is new');
        $this->assertVerified();

        $xlsx = (string) $this->get(route('download', [$this->item, 4, 'xlsx']))->assertOk()->getContent();
        $this->post(route('item.file.store', $this->item), [
            'file' => UploadedFile::fake()->createWithContent('log.xlsx', $xlsx),
        ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);
        $this->post(route('item.file.store', $this->item), [
            'file' => UploadedFile::fake()->createWithContent('x.md', '# no'),
        ])->assertSessionHasErrors('file');
    }

    public function test_a_file_with_commas_before_decimals_is_numbers_and_comes_again_as_what_is_there(): void
    {
        $file = fn (string $csv = "Stall;Price\nFish;412,50\nLamps;1.204,75\n") => [
            'file' => UploadedFile::fake()->createWithContent('stalls.csv', $csv),
        ];
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Stalls', ...$file()])->assertRedirect();
        $made = Item::query()->where('title', 'Stalls')->firstOrFail();
        self::assertSame(
            "Stall,Price\r\nFish,412.50\r\nLamps,\"1,204.75\"\r\n",
            (string) $this->get(route('download', [$made, 1, 'csv']))->assertOk()->getContent(),
        );
        $this->post(route('item.file.store', $made), $file())->assertSessionHasErrors([
            'file' => 'The file holds what is there already. Nothing was changed.',
        ]);
        $this->post(route('item.file.store', $made), $file("Stall;Price\nFish;412,50\nLamps;1.204,5\n"))->assertSessionHasNoErrors();
        $this->get(route('history', $made->refresh()))->assertSee('Typed “1204.5” over “1204.75” in “Price” of “Lamps”');
    }

    public function test_workbooks_come_in_and_go_out_with_formulas_formats_and_tabs(): void
    {
        $this->edit([
            'cells' => ['t1r1' => ['t1c1' => ['*', 'bc|#,##0.00', 1.8]], 't1r2' => ['t1c0' => '=cmd()']],
            'fields' => ['t1c2' => ['format' => 'r|0%', 'width' => 210]],
        ]);
        foreach (['xlsx' => FileFormat::Xlsx, 'ods' => FileFormat::Ods] as $ending => $format) {
            $bytes = (string) $this->get(route('download', [$this->item, 3, $ending]))->assertOk()->getContent();
            $this->post(route('shelf.make', $this->shelf), [
                'title' => "From {$ending}",
                'file' => UploadedFile::fake()->createWithContent("log.{$ending}", $bytes),
            ])->assertRedirect();
            $made = Item::query()
                ->where('title', "From {$ending}")
                ->firstOrFail();
            $spelled = Spelling::spelled($this->tree($made));
            $places = new CellPlaces($spelled);
            self::assertSame(['Log', 'Notes'], array_values($places->tabs));
            [$log, $notes] = array_keys($places->tabs);
            $cell = fn (string $tab, int $row, int $column) => $spelled->get($places->rows[$tab][$row])->fields[
                $places->columns[$tab][$column]
            ] ?? null;
            self::assertSame('SUM(B2:B4)', Cell::formula($cell($log, 4, 1)), $ending);
            self::assertSame('Log!B5', Cell::formula($cell($notes, 1, 1)), $ending);
            self::assertSame('5.1', Cell::show($cell($notes, 1, 1)), $ending);
            // The library writes no number formats into ODS.
            self::assertSame(
                [$ending === 'ods' ? 'bc' : 'bc|#,##0.00', 1.8],
                [Cell::look($cell($log, 1, 1)), Cell::bare($cell($log, 1, 1))],
                $ending,
            );
            self::assertSame('=cmd()', Cell::bare($cell($log, 2, 0)), 'a text stays a text');
            self::assertNotEmpty($format->reader()->read($bytes, new FormatLimits)->tree->parts);
        }
        self::assertStringContainsString(
            "'=cmd()",
            (string) $this->get(route('download', [$this->item, 3, 'csv', 'tab' => 'tab1']))->getContent(),
            'harmless in CSV',
        );
        self::assertStringContainsString(
            'Ines',
            (string) $this->get(route('download', [$this->item, 3, 'tsv', 'tab' => 'tab2']))->getContent(),
        );
        $this->get(route('download', [$this->item, 3, 'odt']))->assertNotFound();
    }

    #[TestWith(['xlsx'])]
    #[TestWith(['ods'])]
    #[TestWith(['csv'])]
    public function test_what_went_out_and_comes_in_unedited_changes_nothing(string $format): void
    {
        $look = fn (string $look, string|float $value): array => ['*', $look, $value];
        $this->save(
            $this->item,
            $this->ines,
            Spelling::kept(
                PartTree::of([
                    new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
                    new Part('c1', 'column', 1, ['width' => 140, 'format' => '']),
                    new Part('c2', 'column', 1, ['width' => 0, 'format' => '|#,##0.00']),
                    new Part('c3', 'column', 1, ['width' => 0, 'format' => '|0.0']),
                    new Part('c4', 'column', 1, ['width' => 0, 'format' => '']),
                    new Part('rhead', 'row', 1, [
                        'c1' => $look('b', 'Item'),
                        'c2' => $look('b', 'Price'),
                        'c3' => $look('b', 'Share'),
                        'c4' => $look('b', 'Rate'),
                    ]),
                    new Part('rone', 'row', 1, ['c1' => 'Toaster', 'c2' => 1234.5, 'c3' => ['=', 'B2/10'], 'c4' => $look('|0%', 0.12)]),
                    new Part('rtwo', 'row', 1, [
                        'c1' => $look('i', '=not one'),
                        'c2' => 12,
                        'c3' => ['=', 'B3*2'],
                        'c4' => $look('|0.00', 1.5),
                    ]),
                    new Part('rthree', 'row', 1, [
                        'c1' => '-4',
                        'c2' => -4,
                        'c3' => ['=', 'SUM(B2:B3)'],
                        'c4' => $look('b|#,##0.00', 1234.5),
                    ]),
                ]),
            ),
        );
        $before = $this->tree($this->item->refresh());
        $bytes = (string) $this->get(route('download', [$this->item, $this->item->head, $format]))->assertOk()->getContent();
        if ($format === 'csv') {
            self::assertSame(
                "Item,Price,Share,Rate\r\nToaster,1234.5,123.45,12%\r\n'=not one,12,24,1.50\r\n-4,-4,1246.5,\"1,234.50\"\r\n",
                $bytes,
            );
        }
        $this->post(route('item.file.store', $this->item), [
            'file' => UploadedFile::fake()->createWithContent("log.{$format}", $bytes),
            'tab' => 'tab1',
        ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);
        self::assertTrue($before->equals($this->tree($this->item->refresh())));
    }

    public function test_a_workbook_of_too_many_cells_is_not_begun_and_the_page_says_what_to_do(): void
    {
        $this->item = $this->sheet(['Wide' => implode("\n", array_fill(0, 1000, implode('|', array_fill(0, 151, '1'))))]);
        $this->get(route('download', [$this->item, 2, 'ods']))
            ->assertRedirect()
            ->assertSessionHasErrors([
                'format' => 'This version has 151,304 cells; ODS is made of 150,000 at most. Take its tabs one by one as CSV or TSV.',
            ]);
        $this->get(route('download', [$this->item, 2, 'csv']))->assertOk();
    }

    public function test_a_comparison_is_taken_along_and_a_tab_copied_out(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18]]], $this->tobi);
        $html = (string) $this->get(route('comparison', [$this->item, 2, 3, 'html']))->assertOk()->getContent();
        self::assertStringContainsString('Typed “18” over “1.8”', $html);
        self::assertStringContainsString('Tobi Brandt', $html);
        $xlsx = (string) $this->get(route('comparison', [$this->item, 2, 3, 'xlsx']))->assertOk()->getContent();
        $values = array_merge(
            ...array_map(
                fn (Part $part) => array_values($part->fields),
                FileFormat::Xlsx->reader()->read($xlsx, new FormatLimits)->tree->parts,
            ),
        );
        self::assertContains('Tobi Brandt', $values);

        $this->get(route('copy', [$this->item, 3]))->assertOk()->assertSee('Only “Notes”');
        $this->post(route('copy.store', [$this->item, 3]), [
            'title' => 'Notes alone',
            'shelf' => $this->shelf->key,
            'tab' => 'tab2',
        ])->assertRedirect();
        $copy = Item::query()->where('title', 'Notes alone')->firstOrFail();
        self::assertSame(['tab2'], $this->tree($copy)->children()['']);
        self::assertSame(
            '#REF!',
            Cell::show($this->tree($copy)->get('t2r1')->fields['t2c1']),
            'what it read of the other tab is not there',
        );
        $this->assertVerified();
    }

    public function test_a_large_table_is_saved_and_compared_by_the_rows_that_changed_as_if_all_of_it_was_read(): void
    {
        $lines = array_map(fn (int $row) => "Item {$row}|{$row}", range(1, 4500));
        $this->item = $this->sheet(['Small' => "Who|What\nInes|1", 'Large' => "Item|Kg\n".implode("\n", $lines)]);
        self::assertFalse($this->item->formulas);
        $base = $this->item->root;
        $tree = $this->tree($this->item);
        $at = fn (string $row): int => (int) $tree->position($row);
        $edits = [
            'cells' => ['t2r4000' => ['t2c1' => 7], 't2r17' => ['t2c0' => null]],
            'at' => ['t2r4000' => $at('t2r4000'), 't2r17' => $at('t2r17')],
        ];
        $before = $this->reads();
        $this->edit($edits, $this->tobi);
        $short = $this->item->refresh()->only('root', 'head');
        self::assertGreaterThan(3, $this->reads() - $before);
        self::assertLessThan(100, $this->reads() - $before, 'chunks read');
        $version = Version::query()->with('user')->where('number', 3)->where('item_id', $this->item->id)->firstOrFail();
        $touches = fn (): array => DB::table('touches')
            ->where(['item_id' => $this->item->id, 'number' => 3])
            ->orderBy('part')
            ->get(['part', 'what', 'position'])
            ->map(fn (object $touch) => (array) $touch)
            ->all();
        [$facts, $touched] = [$version->facts, $touches()];
        self::assertSame('typed_over', $facts['code']);
        self::assertSame($at('t2r4000'), array_column($touched, 'position', 'part')['t2r4000/t2c1'] ?? null);

        // The long way gives the same.
        DB::table('touches')->where(['item_id' => $this->item->id, 'number' => 3])->delete();
        DB::table('handed_roots')->delete();
        DB::table('sendings')->delete();
        $version->delete();
        $this->item->update(['root' => $base, 'head' => 2, 'formulas' => true]);
        unset($edits['at']);
        $this->edit($edits, $this->tobi);
        self::assertSame($short, $this->item->refresh()->only('root', 'head'));
        self::assertEquals(
            [$facts, $touched],
            [Version::query()->where('number', 3)->where('item_id', $this->item->id)->firstOrFail()->facts, $touches()],
        );

        $this->edit(['removed' => ['t2r100'], 'placed' => [['nrow', 'row', 'tab2', 't2r4200', ['t2c0' => 'New one']]]]);
        $page = $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 4]))->assertOk();
        $page->assertSeeInOrder([
            '16 rows the same',
            'Item 17',
            '82 rows the same',
            'Item 100',
            '3,899 rows the same',
            '4000',
            '200 rows the same',
            'New one',
            '300 rows the same',
        ]);
        $page->assertSee('Typed “7” over “4000” in “Kg” of “Item 4000” in “Large”');
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 4, 'rows' => 'all']))->assertOk()->assertSee('4,352 more');
        $this->get(route('restore', [$this->item, 2]))->assertOk()->assertSee('4,500 rows');
        foreach ([true, false] as $formulas) {
            // With formulas all of it is read, without them the rows in sight.
            $this->item->update(['formulas' => $formulas]);
            $this->get(route('history', ['item' => $this->item, 'from' => 4, 'to' => 4, 'view' => 'was', 'tab' => 'tab2']))
                ->assertOk()
                ->assertSee('Item 149')
                ->assertDontSee('Item 151')
                ->assertSee('4,351 more');
            $this->get(route('lines', ['item' => $this->item, 'from' => 2, 'to' => 4, 'view' => 'who', 'tab' => 'tab2', 'start' => 3990]))
                ->assertOk()
                ->assertSeeInOrder(['4000', 'Item 4000', '4001'])
                ->assertSee('Tobi, 4 May 2026');
            $this->get(route('cell', [$this->item, 't2r4000', 't2c1']))->assertOk()->assertSee('B4000')->assertSee('“Kg” of');
            $this->get(route('cell', [$this->item, 't2r100', 't2c1']))->assertOk()->assertSee('gone now')->assertSee('Removed the row');
        }

        // A number that stands out of its column is found as ever, without reading the columns beside it.
        $place = fn (string $row): array => [$row => (int) $this->tree($this->item)->position($row)];
        foreach (
            [
                ['t2r300', 301, null],
                ['t2r300', 4400, null],
                ['t2r300', 44000, 'out_of_range'],
                ['t2r301', -301, 'sign_flipped'],
                ['t2r4300', 43000, 'magnitude'],
            ] as [$row, $number, $type]
        ) {
            $this->item->update(['formulas' => false]);
            $this->edit(['cells' => [$row => ['t2c1' => $number]], 'at' => $place($row)]);
            $newest = Version::query()
                ->where(['item_id' => $this->item->id, 'number' => $this->item->refresh()->head])
                ->firstOrFail();
            self::assertSame(
                [$type, $type === null ? null : "{$row}/t2c1"],
                [$newest->unusual[0]['type'] ?? null, $newest->unusual[0]['part'] ?? null],
                "{$number}",
            );
            $this->edit(['cells' => [$row => ['t2c1' => (int) substr($row, 3)]], 'at' => $place($row)]);
        }

        // What is not where it is said to be, or is no value, is told as ever.
        $this->edit(['cells' => ['t2r4000' => ['t2c1' => 8]], 'at' => ['t2r4000' => 12]]);
        self::assertSame('8', $this->shown('t2r4000', 't2c1'));
        $answer = $this->putJson(route('state.save', $this->item), [
            'base' => $this->item->refresh()->root,
            'client' => 'x',
            'edits' => [
                'cells' => ['t2r4000' => ['t2c1' => ['x'], 'nope' => 1]],
                'at' => ['t2r4000' => (int) $this->tree($this->item)->position('t2r4000')],
            ],
        ]);
        $answer->assertStatus(422)->assertJsonCount(2, 'problems');
        $formula = $this->putJson(route('state.save', $this->item), [
            'base' => $this->item->refresh()->root,
            'client' => 'x',
            'edits' => [
                'cells' => ['t2r4000' => ['t2c1' => ['=', '1+1']]],
                'at' => ['t2r4000' => (int) $this->tree($this->item)->position('t2r4000')],
            ],
        ])->assertOk();
        self::assertSame(2, $formula->json('edits.cells.t2r4000.t2c1.2'));
        self::assertTrue($this->item->refresh()->formulas);
        $this->assertVerified();
    }

    public function test_rows_that_come_into_a_large_table_are_put_in_as_if_all_of_it_was_read(): void
    {
        $lines = array_map(fn (int $row) => "Item {$row}|{$row}", range(1, 4_200));
        $this->item = $this->sheet(['Small' => "Who|What\nInes|1", 'Large' => "Item|Kg\n".implode("\n", $lines)]);
        $seed = random_int(1, 99_999);
        mt_srand($seed);
        for ($round = 0; $round < 12; $round++) {
            $tree = $this->tree($this->item->refresh());
            $rows = array_values(array_filter($tree->subtree('tab2'), fn (Part $part) => $part->role === 'row'));
            $edits = ['cells' => [], 'placed' => [], 'at' => []];
            foreach (range(1, mt_rand(1, 3)) as $of) {
                // Behind the last column, behind rows next to each other, at the end, and behind one that is written over.
                $behind = [-1, mt_rand(0, 3), 100 + $of, count($rows) - 1, mt_rand(0, count($rows) - 1)][mt_rand(0, 4)];
                $after = $behind < 0 ? 't2c1' : $rows[$behind]->id;
                $position = (int) $tree->position($after) + 1;
                foreach (in_array($position, $edits['at'], true) ? [] : range(1, mt_rand(1, 3)) as $each) {
                    $edits['placed'][] = [
                        ($id = "new{$round}of{$of}x{$each}"),
                        'row',
                        'tab2',
                        $after,
                        ['t2c0' => "New {$each}", 't2c1' => mt_rand(0, 9)],
                    ];
                    $edits['at'][$id] = $position;
                    $after = $id;
                }
                foreach (mt_rand(0, 1) === 0 ? [$rows[max(0, $behind)]->id, $rows[mt_rand(0, count($rows) - 1)]->id] : [] as $id) {
                    $edits['cells'][$id] = ['t2c0' => 'Other '.mt_rand(0, 99)];
                    $edits['at'][$id] = (int) $tree->position($id);
                }
            }
            $long = Edits::apply($tree, array_diff_key($edits, ['at' => true]), new SpreadsheetKind, Limits::for(new SpreadsheetKind))
                ->tree ?? self::fail();
            $before = $this->reads();
            $this->edit($edits, $this->tobi);
            self::assertLessThan(250, $this->reads() - $before, "chunks read SEED={$seed}");
            self::assertSame(
                $this->app->make(States::class)->keep($long),
                $this->item->refresh()->root,
                "SEED={$seed} ".json_encode($edits),
            );
        }
        // What was here once may be elsewhere, and what is said to come behind something else goes the long way.
        foreach ([['t2r7', 't2r9', $tree->position('t2r9')], ['fresh', 't2r9', 12]] as [$id, $after, $position]) {
            $edits = ['placed' => [[$id, 'row', 'tab2', $after, ['t2c0' => 'Once more']]], 'at' => [$id => (int) $position + 1]];
            $long = Edits::apply(
                $this->tree($this->item->refresh()),
                ['placed' => $edits['placed']],
                new SpreadsheetKind,
                Limits::for(new SpreadsheetKind),
            )->tree ?? self::fail();
            $this->edit($edits, $this->tobi);
            self::assertSame($this->app->make(States::class)->keep($long), $this->item->refresh()->root, $id);
        }
        $this->assertVerified();
    }

    public function test_cells_of_a_large_table_are_brought_back_as_if_all_of_it_was_read(): void
    {
        $this->item = $this->sheet([
            'Large' => "Item|Kg\n".implode("\n", array_map(fn (int $row) => "Item {$row}|{$row}", range(1, 4_200))),
        ]);
        [$then, $was] = [$this->item->refresh()->head, $this->item->root];
        $edited = [
            't1r20' => ['t1c0' => 'Other', 't1c1' => 1],
            't1r21' => ['t1c0' => null],
            't1r4000' => ['t1c1' => 2_000],
            't1r4200' => ['t1c0' => 'Last'],
        ];
        $this->edit(['cells' => $edited, 'placed' => [['newrow', 'row', 'tab1', 't1r7', ['t1c0' => 'New one']]]]);
        [$old, $now] = [$this->app->make(States::class)->tree($was), $this->tree($this->item->refresh())];
        $back = TreeCompare::of($old, $now)->invert();
        $keys = ['edited:t1r20/t1c1', 'edited:t1r21/t1c0', 'edited:t1r4000/t1c1', 'edited:t1r4200/t1c0'];
        $root = $this->item->root;
        foreach ([$keys, [$keys[0], $keys[1]], [$keys[3]], [...$keys, 'removed:newrow']] as $picked) {
            $version = Version::query()
                ->with('user')
                ->where(['item_id' => $this->item->id, 'number' => $then])
                ->firstOrFail()
                ->setRelation('item', $this->item);
            $before = $this->reads();
            self::assertNotNull(
                $this->app
                    ->make(RestoreVersion::class)
                    ->handle($this->item->refresh(), $version, $this->ines, $this->item->head, picked: $picked),
            );
            self::assertLessThan(count($picked) > 4 ? 999 : 100, $this->reads() - $before);
            self::assertSame(
                $this->app->make(States::class)->keep($back->pick($now, $picked)->changes->apply($now)->orFail()),
                $this->item->refresh()->root,
                implode(' ', $picked),
            );
            $seen = Version::query()
                ->with('user')
                ->where(['item_id' => $this->item->id, 'root' => $root])
                ->firstOrFail()
                ->setRelation('item', $this->item);
            $this->app->make(RestoreVersion::class)->handle($this->item->refresh(), $seen, $this->ines, $this->item->head);
            self::assertSame($root, $this->item->refresh()->root);
        }
        $this->assertVerified();
    }

    public function test_a_large_sheet_whose_formulas_went_shows_its_past_and_is_found_as_if_they_were_there(): void
    {
        config(['attic.large' => 3]);
        $this->edit(['cells' => ['t1r1' => ['t1c0' => 'Kettle']]]);
        $this->edit(['cells' => ['t1r2' => ['t1c1' => 3.1], 't1r4' => ['t1c2' => ['=', 'SUM([t1r1.t1c2]:[t1r3.t1c2])*2']]]]);
        $with = $this->item->refresh()->head;
        $this->edit(['cells' => ['t1r4' => ['t1c1' => 5, 't1c2' => 7], 't2r1' => ['t2c1' => 5]]]);
        self::assertFalse($this->item->refresh()->formulas);

        $cells = function (array $asked): array {
            $page = (string) $this->get(route('history', [$this->item, ...$asked]))->assertOk()->getContent();
            preg_match_all('~<td data-cell="t1r4/t1c[12]"[^>]*>(.*?)</td>~', $page, $found);

            return $found[1];
        };
        foreach ([['from' => $with, 'to' => $with + 1, 'view' => 'was'], ['from' => 1, 'to' => $with, 'view' => 'who']] as $asked) {
            self::assertSame(['=SUM(B2:B4)', '=SUM(C2:C4)*2'], $cells([...$asked, 'show' => 'formulas']));
            self::assertSame(['7.1', '14'], $cells($asked));
        }
        $this->edit(['removed' => ['t1r3']]);
        $this->get(route('cell', [$this->item, 't1r4', 't1c2']))->assertOk()->assertSee('=SUM(C2:C4)*2')->assertDontSee('#REF!');

        self::assertSame(1, $this->app->make(LetGo::class)->handle($this->item, [$with - 1]));
        $spelled = fn (): array => array_column((new LifeBlocks($this->item))->of('t1r4'), 'spelled', 'text');
        $kept = $spelled();
        self::assertContains('=SUM(C2:C4)*2', $kept);
        Artisan::call('attic:lives', ['--anew' => true]);
        self::assertSame($spelled(), $kept);
    }

    public function test_a_formula_that_came_and_went_is_told_as_it_was_read(): void
    {
        $this->edit(['placed' => [['t1new', 'row', 'tab1', 't1r4', ['t1c1' => ['=', '[t1r1.t1c1]+[t1r2.t1c1]']]]]]);
        $this->edit(['removed' => ['t1new']]);
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 4]))->assertOk()->assertSee('=B2+B3')->assertDontSee('[t1r1');
        $this->get(route('find', ['q' => 'B2+B3']))->assertOk()->assertSee('<mark>B2+B3</mark>', false)->assertDontSee('[t1r1');
    }

    public function test_an_address_with_a_part_shows_the_tab_that_it_is_in(): void
    {
        $this->edit(['cells' => ['t1r1' => ['t1c1' => 18], 't2r1' => ['t2c0' => 'Nell']]]);
        $this->edit(['removed' => ['t2r1']]);
        $shown = function (string $part, array $more): string {
            $address = HistoryAddress::at($this->item->refresh(), 2, $this->item->head, $part, $more);
            preg_match('/data-lined="[^"]*[;?]tab=(\w+)/', (string) $this->get($address)->assertOk()->getContent(), $found);

            return $found[1] ?? '';
        };
        foreach ([[], ['view' => 'was'], ['view' => 'who']] as $more) {
            self::assertSame('tab1', $shown('', $more));
            self::assertSame('tab2', $shown('t2c1', $more));
            self::assertSame('tab2', $shown('t2r1/t2c0', $more));
            self::assertSame('tab1', $shown('t2r1/t2c0', [...$more, 'tab' => 'tab1']));
            self::assertSame('tab1', $shown('nowhere', $more));
        }
        self::assertSame('tab2', $shown('t2r1', []));
    }

    public function test_a_new_spreadsheet_has_somewhere_to_write_and_opens(): void
    {
        $this->post(route('shelf.make', $this->shelf), ['kind' => 'spreadsheet'])->assertRedirect();
        $made = Item::query()->where('title', 'A spreadsheet without a name')->firstOrFail();
        self::assertCount(51, $this->tree($made)->parts);
        $this->get(route('item', $made))->assertOk()->assertSee('data-sheet', false)->assertSee('data-parts', false);
        $state = $this->getJson(route('state', ['item' => $this->item, 'since' => $this->item->root]))->assertOk()->json();
        self::assertSame([], $state['edits']);
        self::assertCount(14, $this->getJson(route('state', $this->item))->json('content'));
        $this->post(route('shelf.make', $this->shelf), ['kind' => 'dataset'])->assertSessionHasErrors('kind');
    }

    public function test_cells_of_a_large_sheet_land_on_what_others_wrote_meanwhile_without_reading_it(): void
    {
        $sheet = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'spreadsheet',
                'Large',
                content: new Content(
                    new SpreadsheetKind,
                    PartTree::of([
                        new Part('tab1', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
                        new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
                        new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
                        ...array_map(
                            fn (int $at) => new Part(sprintf('r%05d', $at), 'row', 1, ['cone' => $at, 'ctwo' => "text {$at}"]),
                            range(1, 4_200),
                        ),
                    ]),
                ),
                keepIds: true,
            );
        $base = $sheet->root;
        $other = $this->person('Nell Other');
        $this->shelf->memberships()->create(['user_id' => $other->id, 'role' => Role::Editor]);
        $save = fn (User $who, string $from, string $client, array $cells): TestResponse => $this->actingAs($who)
            ->putJson(route('state.save', $sheet), [
                'base' => $from,
                'client' => $client,
                'edits' => [
                    'cells' => $cells,
                    'at' => array_combine(array_keys($cells), array_map(fn (string $row) => 2 + (int) substr($row, 1), array_keys($cells))),
                ],
            ])
            ->assertOk();
        $save($this->ines, $base, 'i.1', ['r00100' => ['cone' => 1_000], 'r04000' => ['ctwo' => 'Ines']]);
        $before = $this->reads();
        $answer = $save($other, $base, 'n.1', ['r02000' => ['ctwo' => 'Nell']]);
        self::assertGreaterThan(3, $this->reads() - $before);
        self::assertLessThan(100, $this->reads() - $before);
        // What the other wrote comes with the answer, and the window goes on from what it sent.
        self::assertEquals(['cells' => ['r00100' => ['cone' => 1_000], 'r04000' => ['ctwo' => 'Ines']]], $answer->json('edits'));
        $tree = fn (): PartTree => app(States::class)->tree($sheet->refresh()->root);
        self::assertSame(
            [1_000, 'Nell', 'Ines'],
            [$tree()->get('r00100')->fields['cone'], $tree()->get('r02000')->fields['ctwo'], $tree()->get('r04000')->fields['ctwo']],
        );
        self::assertSame('text 4000', app(States::class)->tree((string) $answer->json('sent'))->get('r04000')->fields['ctwo']);
        $save($other, (string) $answer->json('sent'), 'n.2', ['r02001' => ['ctwo' => 'Nell again']]);
        self::assertSame('Nell again', $tree()->get('r02001')->fields['ctwo']);
        // In the same row, and where rows came and went, it is merged as ever.
        $save($this->ines, $base, 'i.9', ['r02000' => ['cone' => 5]]);
        self::assertSame([5, 'Nell'], array_values($tree()->get('r02000')->fields));
        $this->actingAs($other)
            ->putJson(route('state.save', $sheet), [
                'base' => $sheet->root,
                'client' => 'n.5',
                'edits' => ['removed' => ['r00001'], 'placed' => [['rnew01', 'row', 'tab1', null, ['cone' => 9]]]],
            ])
            ->assertOk();
        $save($this->ines, $base, 'i.10', ['r03000' => ['ctwo' => 'Late']]);
        self::assertSame(['Late', 9], [$tree()->get('r03000')->fields['ctwo'], $tree()->get('rnew01')->fields['cone']]);
        self::assertNull($tree()->find('r00001'));
        $this->assertVerified();
    }

    /** How many chunks were read so far. */
    private function reads(): int
    {
        return $this->app->make(SqliteChunkStore::class)->reads;
    }
}
