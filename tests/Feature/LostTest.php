<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\DeleteForGood;
use App\Making\CopyOut;
use App\Making\MakeItem;
use App\Models\Comment;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use App\Store\WhatIsKept;
use App\View\Keeping\MovePlan;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

/** Lost & found: what is deleted is out of the way, whole, and comes back as it was. */
final class LostTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $rafi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->rafi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Rafi Sand')];
        $this->shelf = $this->shelf('Office', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->rafi, Role::Viewer]]);
    }

    public function test_a_document_goes_is_looked_at_and_comes_back_with_all_that_it_had(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One', 'Two');
        $this->app->make(MarkMilestone::class)->handle($this->version($item), $this->tobi, 'The first');
        $this->actingAs($this->rafi)->get(route('item.delete', $item))->assertForbidden();
        $this->delete(route('item.destroy', $item))->assertForbidden();
        $this->actingAs($this->tobi)->get(route('item.menu', $item))->assertSee('Delete…');
        $this->get(route('item.delete', $item))->assertOk()->assertSee('Nothing else hangs on it.');
        $this->delete(route('item.destroy', $item))->assertRedirect(route('shelf', $this->shelf));
        // It is nowhere but in Lost & found.
        $this->get(route('shelf', $this->shelf))->assertDontSee('Bench rules</a>', false);
        $this->get(route('lost', $this->shelf))
            ->assertSee('Bench rules')
            ->assertSee('by Tobi')
            ->assertSee('One · Two')
            ->assertSee('Bring back')
            ->assertDontSee('Delete for good');
        $this->get(route('lost.all'))->assertSee('Bench rules')->assertSee('Office');
        $this->get(route('lost', [$this->shelf, 'find' => 'nch RU']))->assertSee('one item');
        $this->get(route('lost', [$this->shelf, 'kind' => 'page']))->assertSee('Nothing that was deleted is called that.');
        // Who only reads does not meet it.
        $this->actingAs($this->rafi)->get(route('lost', $this->shelf))->assertForbidden();
        $this->get(route('item', $item))->assertNotFound();
        $this->get(route('history', $item))->assertNotFound();
        $this->get(route('lost.all'))->assertOk()->assertDontSee('Bench rules');
        // It is looked at with its whole history, and nothing changes it.
        $this->actingAs($this->tobi)->get(route('item', $item))->assertOk()->assertSee('Tobi deleted this')->assertSee('Bring it back');
        foreach (
            [
                route('history', $item),
                route('list', $item),
                route('download', [$item, 1, 'md']),
                route('copy', [$item, 2]),
                route('restore', [$item, 1]),
            ] as $at => $address
        ) {
            $at === 4 ? $this->get($address)->assertForbidden() : $this->get($address)->assertOk();
        }
        $this->putJson(route('state.save', $item), ['base' => $item->root, 'client' => 'window-1.1', 'content' => []])->assertForbidden();
        $this->put(route('item.rename', $item), ['title' => 'Other'])->assertForbidden();
        $this->put(route('milestone.mark', [$item, 1]), ['name' => 'Later'])->assertForbidden();
        // Back, with all that it had.
        $this->put(route('item.back', $item))->assertRedirect(route('item', $item));
        $item->refresh();
        self::assertSame(
            [['One', 'Two'], 2, null, ['The first']],
            [
                $this->texts($item),
                $item->head,
                $item->deleted_at,
                DB::table('milestones')->where('item_id', $item->id)->pluck('name')->all(),
            ],
        );
        $this->actingAs($this->rafi)->get(route('item', $item))->assertOk();
        $this->actingAs($this->ines)
            ->get(route('log', $this->shelf))
            ->assertSee('deleted “Bench rules”')
            ->assertSee('brought “Bench rules” back from Lost');
        self::assertSame(
            [[0, $this->tobi->id], [1, $this->tobi->id]],
            DB::table('removals')->orderBy('id')->get()->map(fn ($row) => [(int) $row->back, (int) $row->user_id])->all(),
        );
    }

    public function test_a_name_that_is_taken_meanwhile_is_told_apart(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One');
        $this->actingAs($this->tobi)->delete(route('item.destroy', $item));
        $this->document($this->shelf, $this->ines, 'Another');
        $this->put(route('item.back', $item))->assertSessionHas(
            'said',
            '“Bench rules” is back on “Office”, as “Bench rules (2)”, since another one is called so by now.',
        );
        self::assertSame('Bench rules (2)', $item->refresh()->title);
        // It comes to another shelf, too, where one may make things.
        $kitchen = $this->shelf('Kitchen', [[$this->tobi, Role::Editor]]);
        $locked = $this->shelf('Locked', [[$this->tobi, Role::Viewer]]);
        $this->delete(route('item.destroy', $item));
        $this->put(route('item.back', $item), ['shelf' => $locked->key])->assertForbidden();
        $this->put(route('item.back', $item), ['shelf' => $kitchen->key])->assertRedirect();
        self::assertSame([$kitchen->id, null], [$item->refresh()->shelf_id, $item->deleted_at]);
    }

    public function test_what_is_live_goes_from_its_address_and_comes_back_there(): void
    {
        $page = $this->page($this->shelf, $this->tobi, 'Open on Saturday');
        $this->publish($page, $this->ines);
        $this->open($page, 'hours');
        $this->get('/read/hours')->assertOk();
        // Who may not publish does not take away what readers see.
        $this->actingAs($this->tobi)->delete(route('item.destroy', $page))->assertForbidden();
        $this->get(route('item.menu', $page))->assertDontSee('Delete…');
        $this->actingAs($this->ines)->get(route('item.delete', $page))->assertSee('Everybody who has its public address');
        $this->delete(route('item.destroy', $page));
        foreach (['/read/hours', '/read/hours/timemap'] as $address) {
            $this->get($address)->assertNotFound();
        }
        $this->actingAs($this->rafi)->get(route('item', $page))->assertNotFound();
        $this->actingAs($this->tobi)->put(route('item.back', $page))->assertForbidden();
        $this->actingAs($this->ines)->post(route('publish.store', [$page, $page->head]))->assertForbidden();
        $this->put(route('item.back', $page));
        $this->get('/read/hours')->assertOk()->assertSee('Open on Saturday');
        $this->actingAs($this->rafi)->get(route('item', $page))->assertOk();
    }

    public function test_deleting_for_good_takes_the_name_an_owner_and_everything_but_what_others_hold(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Only here, and nowhere else at all');
        $copy = $this->app->make(CopyOut::class)->handle($this->version($item), $this->shelf, $this->tobi, 'Copy');
        $this->actingAs($this->ines)->get(route('item.ask-for-good', $item))->assertNotFound();
        $this->delete(route('item.destroy', $item));
        $this->actingAs($this->tobi)->get(route('item.ask-for-good', $item))->assertForbidden();
        $this->delete(route('item.for-good', $item), ['name' => 'Bench rules'])->assertForbidden();
        $this->actingAs($this->ines)
            ->get(route('item.ask-for-good', $item))
            ->assertSee('All 2 versions of it go')
            ->assertSee('One copy was made from it');
        $this->delete(route('item.for-good', $item), ['name' => 'Bench'])->assertSessionHasErrors('name');
        self::assertTrue($item->exists());
        $this->delete(route('item.for-good', $item), ['name' => ' bench RULES '])->assertRedirect(route('lost', $this->shelf));
        foreach ($this->tables('items') as [$table, $column]) {
            self::assertSame(0, DB::table($table)->where($column, $item->id)->count(), "{$table}.{$column}");
        }
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
        self::assertSame(['Only here, and nowhere else at all'], $this->texts($copy->refresh()));
        $this->get(route('item', $copy))->assertOk();
        $this->get(route('history', $copy))->assertOk();
        $this->get(route('log', [$this->shelf, 'about' => 'deleting']))->assertSee('deleted “Bench rules” for good, with 2 versions');
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }

    public function test_what_is_said_ruled_and_watched_of_it_goes_with_it_and_nothing_else_is_ruled_by_that(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One', 'Two');
        $other = $this->document($this->shelf, $this->tobi, 'Stays');
        $place = WhatIsKept::place()->values;
        $this->actingAs($this->ines)->post(route('talk.begin', $item), ['text' => 'Is it?'])->assertSessionHasNoErrors();
        $comment = Comment::query()->firstOrFail();
        $this->post(route('talk.say', [$item, $comment->thread]), [
            'deed' => 'edited',
            'of' => $comment->id,
            'text' => 'Is that so?',
        ])->assertSessionHasNoErrors();
        self::assertSame(1, Comment::query()->whereNotNull('of_id')->count());
        $this->post(route('keeping.say', $item), ['leave' => 60, 'most' => 10, 'do' => 'keep'])->assertSessionHasNoErrors();
        $this->put(route('watch.item', $item), ['how' => 'all'])->assertSessionHasNoErrors();
        $this->post(route('keeping.shelf.say', $this->shelf), ['leave' => 60, 'every' => 7, 'do' => 'keep'])->assertSessionHasNoErrors();
        $this->put(route('watch.shelf', $this->shelf), ['how' => 'marks'])->assertSessionHasNoErrors();
        $this->delete(route('item.destroy', $item));
        $this->delete(route('item.for-good', $item), ['name' => $item->title])->assertRedirect(route('lost', $this->shelf));
        self::assertSame(
            [0, 1, 1, []],
            [
                Comment::query()->count(),
                DB::table('keeping_rules')->count(),
                DB::table('watches')->count(),
                DB::select('PRAGMA foreign_key_check'),
            ],
        );
        self::assertSame([$place, 7], [WhatIsKept::place()->values, WhatIsKept::item($other)->values['every']]);
        $this->delete(route('shelf.destroy', $this->shelf));
        $this->delete(route('shelf.for-good', $this->shelf), ['name' => $this->shelf->name])->assertRedirect(route('lost.all'));
        self::assertSame(
            [0, 0, 0, []],
            [
                DB::table('keeping_rules')->count(),
                DB::table('watches')->count(),
                Item::query()->count(),
                DB::select('PRAGMA foreign_key_check'),
            ],
        );
        self::assertSame($place, WhatIsKept::place()->values);
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }

    /** A column that a CHECK of its table names says what a row is: emptied, it would be something else, or can't be. */
    public function test_no_row_becomes_another_thing_when_what_it_points_to_goes(): void
    {
        foreach (DB::select("SELECT name, sql FROM sqlite_master WHERE type = 'table'") as $table) {
            preg_match_all('/CHECK\s*(\((?:[^()]|(?1))*\))/', (string) $table->sql, $checks);
            $needed = array_column(DB::select("PRAGMA table_info({$table->name})"), 'notnull', 'name');
            foreach (DB::select("PRAGMA foreign_key_list({$table->name})") as $key) {
                // Nobody's account is deleted, and chunks are dropped by their own rules.
                $isSaid = array_filter($checks[1], fn (string $check) => preg_match("/\b{$key->from}\b/", $check) === 1) !== []
                && ! $needed[$key->from]
                && ! in_array($key->table, ['users', 'chunks'], true);
                self::assertSame(
                    $isSaid,
                    in_array("{$table->name}.{$key->from}", DeleteForGood::TELLS_WHAT_IT_IS, true),
                    "{$table->name}.{$key->from}",
                );
            }
        }
    }

    public function test_a_form_goes_with_its_entries_and_takes_no_answers(): void
    {
        [$form, $entry] = $this->answered();
        $this->actingAs($this->ines)->get(route('item.delete', $form))->assertSee('Its one entry goes with it.');
        $this->delete(route('item.destroy', $form));
        $this->get('/read/ask')->assertNotFound();
        $this->post('/read/ask', ['seen' => ['q001'], 'a' => ['q001' => 'Late']])->assertGone()->assertSee('Late');
        $this->post(route('answer.store', $form), ['seen' => ['q001'], 'a' => ['q001' => 'Late']])->assertForbidden();
        self::assertSame(1, $form->entries()->count());
        // Its entries are looked at, and stay as they are.
        $this->get(route('entries', $form))->assertOk()->assertSee('The kettle');
        $this->get(route('item', $entry))->assertOk();
        $this->delete(route('entry.delete', $entry))->assertForbidden();
        $this->put(route('item.back', $form));
        $this->post('/read/ask', ['seen' => ['q001'], 'a' => ['q001' => 'In time']])->assertOk();
        self::assertSame(2, $form->entries()->count());
        // For good, they go with it.
        $this->delete(route('item.destroy', $form))->assertRedirect();
        $this->delete(route('item.for-good', $form), ['name' => $form->title])->assertRedirect(route('lost', $this->shelf));
        self::assertSame(
            [0, []],
            [Item::query()->where('form_id', $form->id)->orWhere('id', $form->id)->count(), DB::select('PRAGMA foreign_key_check')],
        );
    }

    public function test_a_shelf_goes_with_all_that_stands_on_it_and_comes_back(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One');
        $before = $this->document($this->shelf, $this->tobi, 'Gone before');
        $page = $this->page($this->shelf, $this->ines, 'Open');
        $this->publish($page, $this->ines);
        $this->open($page, 'hours');
        $this->actingAs($this->ines)->delete(route('item.destroy', $before));
        $this->actingAs($this->tobi)->get(route('shelf.delete', $this->shelf))->assertForbidden();
        $this->delete(route('shelf.destroy', $this->shelf))->assertForbidden();
        $this->actingAs($this->ines)->get(route('shelf.delete', $this->shelf))->assertSee('the 2 items on it')->assertSee('Opening hours');
        $this->delete(route('shelf.destroy', $this->shelf))->assertRedirect(route('lost.all'));
        foreach ([route('shelf', $this->shelf), route('people', $this->shelf), route('log', $this->shelf)] as $address) {
            $this->get($address)->assertNotFound();
        }
        $this->get('/read/hours')->assertNotFound();
        $this->get(route('item', $item))->assertOk()->assertSee('Ines deleted the shelf “Office” with it');
        $this->putJson(route('state.save', $item), ['base' => $item->root, 'client' => 'window-1.1', 'content' => []])->assertForbidden();
        $this->actingAs($this->tobi)->get(route('lost.all'))->assertDontSee('Office');
        $this->put(route('shelf.back', $this->shelf))->assertNotFound();
        $this->actingAs($this->ines)->get(route('lost.all'))->assertSee('Office')->assertSee('2 items on it');
        $this->put(route('shelf.back', $this->shelf))->assertRedirect(route('shelf', $this->shelf));
        $this->get('/read/hours')->assertOk();
        $this->get(route('lost', $this->shelf))->assertSee('Bench rules');
        // For good.
        $this->delete(route('shelf.for-good', $this->shelf), ['name' => 'Office'])->assertNotFound();
        $this->delete(route('shelf.destroy', $this->shelf));
        $this->get(route('shelf.ask-for-good', $this->shelf))->assertSee('The 2 items on it go, and one that was deleted from it before');
        $this->delete(route('shelf.for-good', $this->shelf), ['name' => 'Other'])->assertSessionHasErrors('name');
        $this->delete(route('shelf.for-good', $this->shelf), ['name' => 'Office'])->assertRedirect();
        self::assertSame([0, 0, []], [Item::query()->count(), Version::query()->count(), DB::select('PRAGMA foreign_key_check')]);
    }

    public function test_a_shelf_is_made_named_ordered_and_put_away(): void
    {
        $this->actingAs($this->tobi)->get(route('shelf.new'))->assertOk();
        $this->post(route('shelf.store'), ['name' => ''])->assertSessionHasErrors('name');
        $this->post(route('shelf.store'), ['name' => 'Kitchen', 'about' => 'Cakes']);
        $kitchen = Shelf::query()->where('name', 'Kitchen')->firstOrFail();
        self::assertSame(['Office', 'Kitchen'], $this->tobi->shelves()->pluck('name')->all());
        $this->put(route('shelf.order', $kitchen), ['up' => '1']);
        self::assertSame(
            [['Kitchen', 'Office'], ['Office']],
            [$this->tobi->shelves()->pluck('name')->all(), $this->ines->shelves()->pluck('name')->all()],
        );
        $this->put(route('shelf.update', $kitchen), ['name' => 'Café kitchen', 'about' => 'Cakes', 'lost_days' => '30']);
        $this->get(route('shelf', $kitchen))->assertSee('Café kitchen')->assertSee('Cakes');
        $this->actingAs($this->rafi)->get(route('shelf.edit', $this->shelf))->assertOk()->assertDontSee('Delete this shelf');
        $this->put(route('shelf.update', $this->shelf), ['name' => 'Mine'])->assertForbidden();
        // Put away, it is looked at and not changed.
        $item = $this->document($kitchen, $this->tobi, 'Cake');
        $this->actingAs($this->tobi)->put(route('shelf.archive', $kitchen), ['away' => '1']);
        $this->get(route('item', $item))->assertOk()->assertSee('is put away');
        $this->putJson(route('state.save', $item), ['base' => $item->root, 'client' => 'window-1.1', 'content' => []])->assertForbidden();
        $this->post(route('shelf.make', $kitchen), ['kind' => 'document', 'title' => 'More'])->assertForbidden();
        $this->put(route('shelf.archive', $kitchen), ['away' => '0']);
        $this->post(route('shelf.make', $kitchen), ['kind' => 'document', 'title' => 'More'])->assertRedirect();
        // Whose address is not known to be theirs makes none.
        $this->rafi->update(['proved' => false]);
        $this->actingAs($this->rafi)->post(route('shelf.store'), ['name' => 'Mine'])->assertForbidden();
    }

    public function test_what_is_moved_has_the_people_and_the_rules_of_the_other_shelf_which_is_said_before(): void
    {
        $kitchen = $this->shelf('Kitchen', [[$this->tobi, Role::Owner]]);
        $item = $this->document($this->shelf, $this->tobi, 'One');
        $this->actingAs($this->rafi)->get(route('item.move', $item))->assertForbidden();
        // Two who are called alike are two, and who is let in no more sees it neither here nor there.
        $alike = User::factory()->createOne(['name' => 'Rafi Sand']);
        $kitchen->memberships()->create(['user_id' => $alike->id, 'role' => Role::Viewer]);
        $this->shelf
            ->memberships()
            ->create(['user_id' => User::factory()->createOne(['name' => 'Nell Gone', 'left_at' => now()])->id, 'role' => Role::Editor]);
        self::assertSame(
            [
                ['Ines Oduya', 'owner', null],
                ['Rafi Sand', 'viewer', null],
                ['Rafi Sand', null, 'viewer'],
                ['Tobi Brandt', 'editor', 'owner'],
            ],
            array_map(array_values(...), (new MovePlan($item, $kitchen))->people),
        );
        $this->actingAs($this->tobi)
            ->get(route('item.move', [$item, 'to' => $kitchen->key]))
            ->assertSee('Ines Oduya')
            ->assertSee('no longer sees it')
            ->assertSee('Rafi Sand');
        $this->actingAs($this->ines)
            ->put(route('item.moved', $item), ['to' => $kitchen->key])
            ->assertNotFound();
        $this->actingAs($this->tobi)
            ->put(route('item.moved', $item), ['to' => $kitchen->key])
            ->assertRedirect();
        self::assertSame($kitchen->id, $item->refresh()->shelf_id);
        $this->actingAs($this->ines)->get(route('item', $item))->assertNotFound();
        $this->get(route('log', $this->shelf))->assertSee('moved “Bench rules” to “Kitchen”');
        // Entries go with their form.
        [$form, $entry] = $this->answered();
        $kitchen->memberships()->create(['user_id' => $this->ines->id, 'role' => Role::Editor]);
        // What readers see goes there by somebody who may publish there.
        $this->actingAs($this->ines)->put(route('item.moved', $form), ['to' => $kitchen->key])->assertForbidden();
        $kitchen->memberships()->where('user_id', $this->ines->id)->update(['publishes' => true]);
        $this->put(route('item.moved', $form), ['to' => $kitchen->key])->assertRedirect();
        self::assertSame([$kitchen->id, $kitchen->id], [$form->refresh()->shelf_id, $entry->refresh()->shelf_id]);
        $this->get('/read/ask')->assertOk();
    }

    /** @return list<array{string, string}> columns that point to a table */
    private function tables(string $to): array
    {
        $columns = [];
        foreach (DB::select("SELECT name FROM sqlite_master WHERE type = 'table'") as $table) {
            foreach (DB::select("PRAGMA foreign_key_list({$table->name})") as $key) {
                $key->table === $to && $columns[] = [$table->name, $key->from];
            }
        }
        self::assertGreaterThan(15, count($columns));

        return $columns;
    }

    /** @return array{Item, Item} a form that everybody may answer at /read/ask, and its first entry */
    private function answered(): array
    {
        $tree = PartTree::of([
            new Part('set1', 'settings', 0, ['audience' => 'anyone']),
            new Part('page', 'page', 0, ['title' => '']),
            new Part('q001', 'question', 1, ['type' => 'short', 'text' => RichText::plain('What broke?')]),
        ]);
        $form = $this->app
            ->make(MakeItem::class)
            ->handle($this->shelf, $this->ines, 'form', 'Ask', content: new Content(Kinds::named('form'), $tree), keepIds: true);
        $this->publish($form, $this->ines);
        $this->open($form, 'ask');
        $this->post('/read/ask', ['seen' => ['q001'], 'a' => ['q001' => 'The kettle']])->assertOk();

        return [$form->refresh(), $form->entries()->firstOrFail()];
    }

    private function version(Item $item): Version
    {
        return $item->refresh()->versions()->where('number', $item->head)->firstOrFail()->setRelation('item', $item);
    }
}
