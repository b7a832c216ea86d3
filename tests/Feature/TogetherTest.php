<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use Symfony\Component\HttpFoundation\Response;

/** Several people write at once: nobody is refused, nothing is swallowed, and every word keeps its author. */
final class TogetherTest extends FeatureCase
{
    private User $ines;

    private User $nell;

    private Shelf $shelf;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->nell = $this->person('Nell Warwick');
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->nell, Role::Editor]]);
        $this->item = $this->document($this->shelf, $this->ines, 'Test every socket.', 'Sign the log.');
        Date::setTestNow(Date::now()->addHour());
    }

    public function test_a_root_that_was_answered_is_a_base_also_when_its_version_has_grown_on(): void
    {
        $base = $this->item->root;
        // Ines types; Nell, from the state before, merges, and is answered a root that Ines at once leaves behind.
        $ines = $this->put_($this->ines, $base, $this->paragraphs('Test every socket. One', 'Sign the log.'))->json('root');
        $nell = $this->put_($this->nell, $base, $this->paragraphs('Test every socket.', 'Sign the log. Now'))->json('root');
        for ($at = 0; $at < 5; $at++) {
            Date::setTestNow(Date::now()->addSeconds(2));
            $ines = $this->put_($this->ines, $ines, $this->change($ines, 0, " i{$at}"))->assertOk()->json('root');
            $nell = $this->put_($this->nell, $nell, $this->change($nell, 1, " n{$at}"))->assertOk()->json('root');
        }
        self::assertSame(['Test every socket. One i0 i1 i2 i3 i4', 'Sign the log. Now n0 n1 n2 n3 n4'], $this->texts($this->item));
        // A laptop that slept for most of two months merges still.
        Date::setTestNow(Date::now()->addDays(59));
        Artisan::call('attic:tidy');
        $this->put_($this->nell, $nell, $this->change($nell, 1, ' late'))->assertOk();
        self::assertStringEndsWith('late', $this->texts($this->item)[1]);
        $this->assertVerified();
    }

    public function test_what_is_remembered_of_roots_is_little_and_is_forgotten(): void
    {
        $root = $this->item->root;
        for ($at = 0; $at < 30; $at++) {
            Date::setTestNow(Date::now()->addSecond());
            $root = $this->put_($this->ines, $root, $this->change($root, 0, " {$at}"), ['client' => "w.{$at}"])->json('root');
        }
        self::assertSame(
            [29, 1],
            [
                DB::table('handed_roots')->where('item_id', $this->item->id)->count(),
                DB::table('sendings')->where('item_id', $this->item->id)->where('window', 'w')->count(),
            ],
            'one row for each state that a version grew out of, one a window',
        );
        Date::setTestNow(Date::now()->addDays(61));
        Artisan::call('attic:tidy');
        self::assertSame([0, 0], [DB::table('handed_roots')->count(), DB::table('sendings')->count()]);
        $this->assertVerified();
    }

    public function test_a_base_that_nobody_knows_can_be_merged_from_the_last_version_that_both_know(): void
    {
        $unknown = str_repeat('ab', 20);
        $this->save($this->item, $this->nell, $this->paragraphs('Test every socket.', 'Sign the log. Twice.'));
        $this->put_($this->ines, $unknown, $this->paragraphs('Test each socket.', 'Sign the log.'))
            ->assertStatus(409)
            ->assertJsonPath('problems.0.code', 'unknown_base');
        $this->put_($this->ines, $unknown, $this->paragraphs('Test each socket.', 'Sign the log.'), ['from' => 2])->assertOk();
        self::assertSame(['Test each socket.', 'Sign the log. Twice.'], $this->texts($this->item));
    }

    public function test_what_can_not_be_saved_can_be_kept_as_a_new_item(): void
    {
        $address = $this->actingAs($this->ines)
            ->postJson(route('state.aside', $this->item), ['content' => $this->wire($this->paragraphs('Mine alone.'))])
            ->assertCreated()
            ->json('address');
        $made = Item::query()->latest('id')->firstOrFail();
        self::assertSame([route('item', $made), 'Bench rules, as Ines wrote it', 'document'], [$address, $made->title, $made->kind]);
        self::assertSame(['Mine alone.'], $this->texts($made));
        $this->postJson(route('state.aside', $this->item), ['content' => 'nonsense'])->assertStatus(422);
        $this->assertVerified();
    }

    public function test_two_edits_that_were_held_back_both_wait(): void
    {
        $sheet = $this->sheet();
        $base = $sheet->root;
        $edit = fn (User $user, string $from, string $value) => $this->actingAs($user)
            ->putJson(route('state.save', $sheet), [
                'base' => $from,
                'client' => 'w'.$user->id.'.'.md5($value),
                'edits' => ['cells' => ['row1' => ['colu' => $value]]],
            ])
            ->assertOk();
        $first = $edit($this->ines, $base, 'BEE-ONE')->json('root');
        $edit($this->nell, $base, 'AAA-FIRST')->assertJson(['held' => 1]);
        $edit($this->ines, $first, 'BEE-TWO');
        $edit($this->nell, $first, 'AAA-SECOND')->assertJson(['held' => 1]);
        self::assertSame(
            ['AAA-FIRST', 'AAA-SECOND'],
            HeldEdit::query()->orderBy('id')->get()->map(fn (HeldEdit $held) => $held->meeting()->mine[0]->fields['colu'])->all(),
        );
    }

    public function test_going_on_in_what_is_held_back_stays_one_edit_with_all_its_words(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Engrave a letter under each shade.', 'Sign the log.'));
        $sent = $this->put_($this->ines, $base, $this->paragraphs('Write two numbers on all lamps.', 'Sign the log.'))
            ->assertJson(['held' => 1])
            ->json('sent');
        $this->put_($this->ines, $sent, $this->paragraphs('Write two red numbers on all lamps.', 'Sign the log.'))->assertJson([
            'held' => 1,
        ]);
        self::assertSame('Engrave a letter under each shade.', $this->texts($this->item)[0]);
        self::assertSame(
            ['Write two red numbers on all lamps.'],
            HeldEdit::query()
                ->get()
                ->map(
                    fn (HeldEdit $held) => $held
                        ->meeting()
                        ->meeting?->with($held->meeting()->meeting->mine)
                        ->text(),
                )
                ->all(),
        );
    }

    public function test_an_edit_of_somebody_who_can_not_come_waits_for_an_owner(): void
    {
        $base = $this->item->root;
        $this->put_($this->ines, $base, $this->paragraphs('Test no socket.', 'Sign the log.'));
        $this->put_($this->nell, $base, $this->paragraphs('Test each socket.', 'Sign the log.'))->assertJson(['held' => 1]);
        $held = HeldEdit::query()->firstOrFail();
        $this->actingAs($this->ines)->get(route('held', [$this->item, $held]))->assertNotFound();
        $this->get(route('shelf', $this->shelf))->assertDontSee('held back');

        $this->shelf->memberships()->where('user_id', $this->nell->id)->update(['role' => 'viewer']);
        $this->get(route('shelf', $this->shelf))->assertSee('An edit of Nell’s is held back');
        $this->actingAs($this->ines->refresh())->get(route('held', [$this->item, $held]))->assertOk()->assertSee('Take Nell’s');
        $this->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])->assertRedirect();
        self::assertSame('Test each socket.', $this->texts($this->item)[0]);
    }

    public function test_a_word_belongs_to_whoever_typed_it_when_its_paragraph_is_split_joined_or_moved(): void
    {
        $this->save($this->item, $this->ines, $this->paragraphs('Alpha bravo charlie delta.', 'Sign the log.', 'Echo foxtrot golf hotel.'));
        // Nell presses Enter in the first, joins the third to the second, and writes a little.
        $parts = $this->paragraphs('Alpha bravo', 'Sign the log. Echo foxtrot golf hotel.', 'gone')->parts;
        $this->save(
            $this->item,
            $this->nell,
            PartTree::of([$parts[0], new Part('pnew', 'paragraph', 0, ['text' => RichText::plain('charlie nell1 delta.')]), $parts[1]]),
        );
        $html = (string) $this->actingAs($this->ines)
            ->get(route('history', [$this->item, 'from' => $this->item->refresh()->head, 'to' => $this->item->head, 'view' => 'who']))
            ->assertOk()
            ->getContent();
        preg_match_all('/title="written by ([^"]*)">([^<]*)</', $html, $found);
        self::assertSame(
            [
                ['Ines Oduya', 'Alpha bravo'],
                ['Ines Oduya', 'charlie'],
                ['Nell Warwick', ' nell1 '],
                ['Ines Oduya', 'delta.'],
                ['Ines Oduya', 'Sign the log. Echo foxtrot golf hotel.'],
            ],
            array_map(null, $found[1], $found[2]),
        );
        // Nobody is said to have removed or written what only is elsewhere now.
        $changed = (string) $this->get(
            route('history', [$this->item, 'from' => $this->item->head - 1, 'to' => $this->item->head]),
        )->getContent();
        self::assertStringContainsString('class="came by-2" title="brought here by Nell Warwick"', $changed);
        self::assertDoesNotMatchRegularExpression('/<ins[^>]*>[^<]*hotel/', $changed);
    }

    public function test_a_word_belongs_to_whoever_typed_it_when_its_paragraph_is_joined_while_others_write_in_both(): void
    {
        $this->save($this->item, $this->ines, $this->paragraphs('Alpha bravo charlie delta.', 'Echo foxtrot golf hotel.'));
        $base = $this->item->refresh()->root;
        $tobi = $this->person('Tobi Brandt');
        $this->shelf->memberships()->create(['user_id' => $tobi->id, 'role' => 'editor']);
        $this->save($this->item, $tobi, $this->paragraphs('Alpha tobi1 bravo charlie delta.', 'Echo foxtrot tobi2 golf hotel.'), $base);
        // Nell, who has not seen that, joins the second to the first.
        $this->save(
            $this->item,
            $this->nell,
            PartTree::of([$this->paragraphs('Alpha bravo charlie delta. Echo foxtrot golf hotel.')->parts[0]]),
            $base,
        );
        self::assertSame('Alpha tobi1 bravo charlie delta. Echo foxtrot golf hotel.', $this->texts($this->item)[0]);
        $html = (string) $this->actingAs($this->ines)
            ->get(route('history', [$this->item, 'from' => $this->item->refresh()->head, 'to' => $this->item->head, 'view' => 'who']))
            ->assertOk()
            ->getContent();
        self::assertStringContainsString('title="written by Ines Oduya">bravo charlie delta. Echo foxtrot golf hotel.<', $html);
        self::assertStringNotContainsString('written by Nell', $html);
    }

    public function test_a_paragraph_whose_content_comes_under_another_id_is_that_paragraph_still(): void
    {
        $this->save($this->item, $this->ines, $this->paragraphs('Alpha bravo charlie.', 'Delta echo foxtrot.', 'Golf hotel india.'));
        // Deleting the first with Home, Shift+Down, Delete joins the second into it.
        $this->save(
            $this->item,
            $this->nell,
            PartTree::of([
                new Part('p001', 'paragraph', 0, ['text' => RichText::plain('Delta echo foxtrot.')]),
                $this->paragraphs('', '', 'Golf hotel india.')->parts[2],
            ]),
        );
        self::assertSame(['p002', 'p003'], array_column($this->tree($this->item)->parts, 'id'));
        $this->actingAs($this->ines)->get(route('list', $this->item))->assertSee('Removed “Alpha bravo charlie”');
        // Cut and pasted at the end under a new id: it moved.
        $this->save(
            $this->item,
            $this->nell,
            PartTree::of([
                $this->paragraphs('', '', 'Golf hotel india.')->parts[2],
                new Part('pasted1', 'paragraph', 0, ['text' => RichText::plain('Delta echo foxtrot.')]),
            ]),
        );
        self::assertSame(['p003', 'p002'], array_column($this->tree($this->item)->parts, 'id'));
        $this->get(route('list', $this->item))->assertSeeText('Moved “Golf hotel india” up');
    }

    public function test_a_sort_is_one_thing_in_the_list_the_plan_and_the_marks(): void
    {
        $item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Log');
        $rows = fn (array $values): array => array_map(
            fn (int $value): Part => new Part(sprintf('row%02d', $value), 'row', 1, ['colu' => $value, 'name' => "Lamp {$value}"]),
            array_values($values),
        );
        $sheet = fn (array $values): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
            new Part('colu', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('name', 'column', 1, ['width' => 0, 'format' => '']),
            ...$rows($values),
            new Part('rsum', 'row', 1, [
                'colu' => [
                    '=',
                    'SUM([row'.sprintf('%02d', $values[0]).'.colu]:[row'.sprintf('%02d', $values[count($values) - 1]).'.colu])',
                ],
            ]),
        ]);
        $mixed = array_map(fn (int $at): int => 1 + $at * 7 % 40, range(0, 39));
        $this->save($item, $this->ines, $sheet($mixed));
        $sorted = $mixed;
        sort($sorted);
        // The formula is sent as it was; its range follows.
        $tree = $sheet($sorted);
        $this->save($item, $this->nell, PartTree::of([...array_slice($tree->parts, 0, -1), $sheet($mixed)->get('rsum')]));
        self::assertSame(820, Cell::result($this->tree($item)->get('rsum')->fields['colu']));
        $page = $this->actingAs($this->ines)->get(route('history', [$item, 'from' => 2, 'to' => 3]))->assertOk();
        $page
            ->assertSee('Sorted “One” by')
            ->assertDontSee('came out as')
            ->assertSee('rows that only changed places are not marked')
            ->assertDontSee('was-moved');
        self::assertSame(1, substr_count((string) $this->get(route('restore', [$item, 2]))->getContent(), 'name="pick[]"'));
    }

    private function sheet(): Item
    {
        $item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Log');
        $this->save(
            $item,
            $this->ines,
            PartTree::of([
                new Part('tab1', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
                new Part('colu', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('row1', 'row', 1, ['colu' => 'start']),
            ]),
        );

        return $item->refresh();
    }

    /** The state at a root with more behind one paragraph. */
    private function change(string $root, int $at, string $more): PartTree
    {
        $parts = $this->app->make(States::class)->tree($root)->parts;
        $parts[$at] = $parts[$at]->with('text', RichText::plain($parts[$at]->richText()->text().$more));

        return PartTree::of(array_values($parts));
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function put_(User $user, string $base, PartTree $tree, array $more = []): TestResponse
    {
        return $this->actingAs($user)->putJson(
            route('state.save', $this->item),
            ['base' => $base, 'content' => $this->wire($tree)] + $more + ['client' => 'w'.$user->id.'.'.substr(md5($base), 0, 6)],
        );
    }
}
