<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Publishing\AskToPublish;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Date;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Draft and published: publishing, asking, answering, restoring, and one block brought back. */
final class PublishingTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $jun;

    private Shelf $shelf;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->jun] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Jun Castell')];
        $this->shelf = $this->shelf('Website', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->jun, Role::Viewer]]);
        $this->item = $this->page($this->shelf, $this->tobi, 'Open on Saturdays');
        $this->actingAs($this->ines);
    }

    public function test_publishing_shows_what_readers_will_see_change_and_marks_the_version(): void
    {
        $this->get(route('publish', [$this->item, 2]))->assertOk()->assertSee('Readers see nothing yet')->assertSee('Publish 2');
        $this->post(route('publish.store', [$this->item, 2]), ['note' => 'The first page'])->assertRedirect();
        $this->get(route('item', $this->item))->assertSeeTextInOrder(['live is', '2'])->assertSee('data-draft hidden', false);
        $this->save($this->item, $this->tobi, $this->column('Open on Sundays', 'Ring twice'));
        $this->get(route('item', $this->item))->assertSeeTextInOrder(['draft', '3', 'live is', '2']);
        $this->get(route('publish', [$this->item, 3]))
            ->assertSee('Readers see 2 changes')
            ->assertSee('<ins', false)
            ->assertSeeText('Ring twice');
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 3]))->assertSee('since it went live');
        $this->publish($this->item, $this->ines);
        self::assertSame([1, 2], $this->item->publishings()->orderBy('id')->pluck('count')->all());
        $this->get(route('list', [$this->item, 'only' => 'published']))
            ->assertSeeText('Ines published it as no. 1: “The first page”')
            ->assertSeeText('Ines published it as no. 2')
            ->assertDontSee('Made');
        self::assertSame(
            [[2, 'Published as no. 1'], [3, 'Published as no. 2']],
            $this->getJson(route('ribbon', $this->item))->json('published'),
        );
        $this->post(route('publish.store', [$this->item, 3]))->assertRedirect(route('publish', [$this->item, 3]));
        self::assertSame(2, $this->item->publishings()->count());
    }

    public function test_a_title_goes_live_when_it_is_published_and_published_states_are_held_against_each_other(): void
    {
        $this->publish($this->item, $this->ines);
        $was = $this->item->refresh()->title;
        $this->putJson(route('item.rename', $this->item), ['title' => 'Where to find us'])->assertOk();
        self::assertSame($was, $this->item->refresh()->live?->title);
        $this->get(route('publish', [$this->item, 3]))
            ->assertSee('Readers see one change')
            ->assertSeeText('Called it “Where to find us” instead of');
        $this->post(route('publish.store', [$this->item, 3]))->assertRedirect();
        self::assertSame('Where to find us', $this->item->refresh()->live->title);
        $this->save($this->item, $this->tobi, $this->column('A draft in between'));
        $this->save($this->item, $this->ines, $this->column('Open on Sundays', 'Ring twice'));
        $this->publish($this->item, $this->ines);
        $this->get(route('list', [$this->item, 'only' => 'published']))
            ->assertSeeText('Ring twice')
            ->assertSee('Readers see it for the first time')
            ->assertDontSee('A draft in between')
            ->assertSee(route('history', ['item' => $this->item, 'from' => 3, 'to' => 5]));
        $this->getJson(route('line', [$this->item, 5, 'since' => 3]))->assertJsonPath(
            'lines.5.sentence',
            fn (string $sentence): bool => str_contains($sentence, 'Ring twice') && ! str_contains($sentence, 'in between'),
        );
        $this->getJson(route('line', [$this->item, 5, 'since' => 'x']))->assertStatus(422);
    }

    public function test_what_is_published_is_what_was_asked_for_while_the_draft_goes_on(): void
    {
        $this->shelf->update(['asks' => true]);
        $this->actingAs($this->tobi)->get(route('publish', [$this->item, 2]))->assertSee('Ask to publish 2');
        $this->post(route('publish.store', [$this->item, 2]), ['note' => 'Please look'])->assertRedirect();
        $this->save($this->item, $this->tobi, $this->column('Something else'));
        self::assertSame(3, $this->item->refresh()->head);
        $wish = $this->item->publishings()->firstOrFail();
        $this->get(route('wish', [$this->item, $wish]))->assertSee('It waits for the yes')->assertSee('Take the wish back');
        $this->actingAs($this->ines)
            ->get(route('shelf', $this->shelf))
            ->assertSeeText('Tobi asks to publish 2')
            ->assertSeeText('Please look');
        $this->get(route('publish', [$this->item, 2]))->assertRedirect(route('wish', [$this->item, $wish]));
        $this->put(route('wish.answer', [$this->item, $wish]), ['answer' => 'published', 'note' => 'With pleasure'])->assertRedirect();
        self::assertSame(2, $this->item->refresh()->live?->version->number);
        $this->actingAs($this->jun)->get(route('item', $this->item))->assertSee('Open on Saturdays')->assertDontSee('Something else');
        $this->actingAs($this->tobi)->get(route('shelf', $this->shelf))->assertSeeText('Ines said yes: 2 is live');
        $this->get(route('wish', [$this->item, $wish]))
            ->assertSeeText('Tobi asked to publish it: “Please look”')
            ->assertSeeText('Ines said yes to Tobi, and it went live as no. 1: “With pleasure”');
        $this->get(route('shelf', $this->shelf))->assertDontSee('Ines said yes');
        $this->get(route('list', $this->item))->assertSeeText('Ines said yes to Tobi');
    }

    public function test_a_no_needs_a_word_and_the_asker_is_told(): void
    {
        $wish = $this->wish();
        $this->put(route('wish.answer', [$this->item, $wish]), ['answer' => 'refused'])->assertSessionHasErrors('note');
        self::assertSame(PublishingState::Waiting, $wish->refresh()->state);
        $this->put(route('wish.answer', [$this->item, $wish]), [
            'answer' => 'refused',
            'note' => 'Not the door',
        ])->assertSessionDoesntHaveErrors();
        self::assertNull($this->item->refresh()->live_id);
        $this->actingAs($this->tobi)
            ->get(route('shelf', $this->shelf))
            ->assertSeeText('Ines said not yet to 2')
            ->assertSeeText('Not the door');
        $this->get(route('list', $this->item))->assertSeeText('Ines said not yet to Tobi: “Not the door”');
        $this->put(route('wish.answer', [$this->item, $wish]), ['answer' => 'withdrawn'])->assertSessionHasErrors('answer');
    }

    public function test_who_says_yes_may_edit_first(): void
    {
        $wish = $this->wish();
        $this->save($this->item, $this->ines, $this->column('Open on Saturdays, ring twice'));
        $this->post(route('publish.store', [$this->item, 3]), ['note' => 'With the bell'])->assertRedirect();
        self::assertSame([PublishingState::Edited, 3], [$wish->refresh()->state, $this->item->refresh()->live?->version->number]);
        $this->actingAs($this->tobi)->get(route('shelf', $this->shelf))->assertSeeText('Ines edited 2 and published that');
        $this->get(route('list', $this->item))->assertSeeText('Ines edited what Tobi asked for, and published that instead');
    }

    public function test_of_two_answers_the_second_comes_too_late(): void
    {
        $wish = $this->wish();
        $this->put(route('wish.answer', [$this->item, $wish]), ['answer' => 'published'])->assertSessionDoesntHaveErrors();
        $this->put(route('wish.answer', [$this->item, $wish]), ['answer' => 'refused', 'note' => 'No'])->assertSessionHasErrors('answer');
        self::assertSame(PublishingState::Published, $wish->refresh()->state);
    }

    public function test_another_wish_takes_the_place_of_the_one_that_waits(): void
    {
        $first = $this->wish();
        $this->save($this->item, $this->tobi, $this->column('Later words'));
        $this->actingAs($this->tobi)->post(route('publish.store', [$this->item, 3]))->assertRedirect();
        self::assertSame([PublishingState::Withdrawn, 1], [$first->refresh()->state, $this->item->publishings()->waiting()->count()]);
        $this->post(route('publish.store', [$this->item, 3]))->assertSessionHasErrors('note');
        self::assertSame(1, $this->item->publishings()->waiting()->count());
    }

    public function test_nobody_publishes_their_own_words_alone_where_a_yes_is_needed_whatever_waits(): void
    {
        $wish = $this->wish();
        $this->shelf->update(['asks' => true, 'drafts' => 'everyone']);
        $this->shelf->memberships()->where('user_id', $this->tobi->id)->update(['publishes' => true]);
        $this->save($this->item, $this->ines, $this->column('My own words'));
        $this->actingAs($this->ines->refresh())->get(route('publish', [$this->item, 3]))->assertSee('Ask to publish 3');
        $this->post(route('publish.store', [$this->item, 3]))->assertRedirect();
        self::assertNull($this->item->refresh()->live_id);
        self::assertSame([PublishingState::Withdrawn, 1], [$wish->refresh()->state, $this->item->publishings()->waiting()->count()]);
        // Who wrote none of it may say yes at once, with a wish or without.
        $this->save($this->item, $this->tobi, $this->column('My own words, corrected'));
        $this->shelf->memberships()->where('user_id', $this->jun->id)->update(['publishes' => true]);
        $this->actingAs($this->jun)->post(route('publish.store', [$this->item, 4]));
        self::assertSame(4, $this->item->refresh()->live?->version->number);
    }

    public function test_a_clock_that_goes_back_leaves_the_order_of_what_was_published(): void
    {
        $first = $this->publish($this->item, $this->ines);
        Date::setTestNow('2026-05-01 08:00:00');
        $second = $this->publish($this->item, $this->ines, 1);
        self::assertTrue($second->decided_at >= $first->decided_at && $first->refresh()->ended_at >= $first->decided_at);
    }

    public function test_the_only_one_who_may_publish_needs_nobodys_yes(): void
    {
        $this->shelf->update(['asks' => true]);
        $this->post(route('publish.store', [$this->item, 2]))->assertRedirect();
        self::assertSame(2, $this->item->refresh()->live?->version->number);
    }

    public function test_a_published_version_grows_no_further(): void
    {
        $this->publish($this->item, $this->tobi);
        Date::setTestNow(Date::now()->addSecond());
        $this->actingAs($this->tobi)
            ->putJson(route('state.save', $this->item), [
                'base' => $this->item->refresh()->root,
                'client' => 'window-'.$this->tobi->id,
                'content' => $this->wire($this->column('Open on Mondays')),
            ])
            ->assertOk();
        self::assertSame(3, $this->item->refresh()->head);
        $this->actingAs($this->jun)->get(route('item', $this->item))->assertSee('Open on Saturdays')->assertDontSee('Mondays');
    }

    public function test_a_restore_lands_as_a_draft_unless_it_is_published_as_well(): void
    {
        $this->save($this->item, $this->tobi, $this->column('All of it gone'));
        $this->publish($this->item, $this->ines);
        $this->save($this->item, $this->tobi, $this->column('A draft of my own'));
        $this->get(route('restore', [$this->item, 2]))
            ->assertSeeText('It becomes a draft: readers go on seeing 3')
            ->assertSee('Restore and publish');
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 4])->assertSessionHas(
            'said',
            'Restored 2 as draft 5. Readers don’t see it yet: they go on seeing 3.',
        );
        self::assertSame([5, 3], [$this->item->refresh()->head, $this->item->live?->version->number]);
        $this->post(route('restore.store', [$this->item, 4]), ['seen' => 5, 'publish' => '1'])->assertSessionHas(
            'said',
            'Restored 4 as 6, and published it. Nothing was overwritten.',
        );
        self::assertSame([6, 6], [$this->item->refresh()->head, $this->item->live?->version->number]);
        self::assertSame(['A draft of my own'], array_values(array_filter($this->texts($this->item))));
        $this->actingAs($this->tobi)->get(route('restore', [$this->item, 2]))->assertOk()->assertDontSee('Restore and publish');
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6, 'publish' => '1'])->assertForbidden();
        self::assertSame(6, $this->item->refresh()->head);
        $this->assertVerified();
    }

    public function test_taking_it_offline_hides_it_from_readers_and_keeps_all_of_it(): void
    {
        $this->publish($this->item, $this->ines);
        $this->delete(route('unpublish', $this->item))->assertRedirect();
        $this->get(route('list', $this->item))->assertSeeText('Ines took it offline');
        $this->get(route('item', $this->item))->assertSeeText('nothing is live');
        $this->actingAs($this->jun)->get(route('item', $this->item))->assertNotFound();
        self::assertSame(2, $this->item->refresh()->head);
    }

    public function test_one_block_comes_back_where_it_stood_through_all_its_moves(): void
    {
        $two = fn (array $left, array $right): PartTree => PartTree::of([
            new Part('s001', 'section', 0, ['title' => 'When', 'background' => 'plain']),
            new Part('c001', 'column', 1, ['width' => 8]), ...array_values(array_map($this->block(...), $left)),
            new Part('c002', 'column', 1, ['width' => 4]), ...array_values(array_map($this->block(...), $right)),
        ]);
        $this->save($this->item, $this->tobi, $two(['b001', 'b002'], ['b003']));
        $this->save($this->item, $this->tobi, $two(['b001'], ['b002', 'b003']));
        $this->get(route('part', [$this->item, 'b002']))->assertSeeText('Moved it from left to right')->assertSeeText('Added');
        $this->post(route('part.restore', [$this->item, 'b002', 3]), ['seen' => 4])->assertSessionDoesntHaveErrors();
        self::assertSame(['c001', 'c002'], [$this->tree($this->item)->parent('b002'), $this->tree($this->item)->parent('b003')]);
    }

    public function test_a_block_whose_column_is_gone_asks_where_it_goes(): void
    {
        $this->save(
            $this->item,
            $this->tobi,
            PartTree::of([
                ...$this->column('Open on Saturdays')->parts,
                new Part('c002', 'column', 1, ['width' => 4]),
                $this->block('b009'),
            ]),
        );
        $this->save($this->item, $this->tobi, $this->column('Open on Saturdays'));
        $this->post(route('part.restore', [$this->item, 'b009', 3]), ['seen' => 4])->assertRedirect(
            route('part.where', [$this->item, 'b009', 3]),
        );
        self::assertSame(4, $this->item->refresh()->head);
        $this->get(route('part.where', [$this->item, 'b009', 3]))
            ->assertSeeText('With its column')
            ->assertSeeText('The single column, below “Open on Saturdays”');
        // Of a plan that somebody else has overtaken nothing comes back.
        $this->post(route('part.restore', [$this->item, 'b009', 3]), ['seen' => 3, 'into' => 'c001'])->assertSessionHasErrors('into');
        self::assertSame(4, Item::query()->whereKey($this->item->id)->value('head'));
        $this->post(route('part.restore', [$this->item, 'b009', 3]), ['seen' => 4, 'into' => 'nowhere'])->assertSessionHasErrors('into');
        $this->post(route('part.restore', [$this->item, 'b009', 3]), ['seen' => 4, 'into' => 'c001'])->assertSessionDoesntHaveErrors();
        self::assertSame('c001', $this->tree($this->item)->parent('b009'));
        $this->post(route('part.restore', [$this->item, 'b009', 3]), ['seen' => 5, 'into' => 'c002'])->assertSessionDoesntHaveErrors();
        self::assertSame(['c002', 's001'], [$this->tree($this->item)->parent('b009'), $this->tree($this->item)->parent('c002')]);
        $this->get(route('part.where', [$this->item, 'b009', 3]))->assertNotFound();
        $this->assertVerified();
    }

    public function test_a_page_goes_out_and_comes_in_as_files(): void
    {
        $html = $this->get(route('download', [$this->item, 2, 'html']))->assertOk()->assertDownload()->getContent();
        self::assertStringContainsString('<p>Open on Saturdays</p>', (string) $html);
        $this->get(route('download', [$this->item, 2, 'md']))->assertOk();
        $file = UploadedFile::fake()->createWithContent('page.html', str_replace('Saturdays', 'Sundays', (string) $html));
        $this->post(route('shelf.make', $this->shelf), ['kind' => 'page', 'title' => 'From a file', 'file' => $file])->assertRedirect();
        $made = Item::query()->where('title', 'From a file')->firstOrFail();
        self::assertSame(['page', ['Open on Sundays']], [$made->kind, array_values(array_filter($this->texts($made)))]);
        $markdown = UploadedFile::fake()->createWithContent('page.md', "# When\n\nOpen on Saturdays\n\n> Ring twice\n");
        $this->post(route('item.file.store', $this->item), ['seen' => 2, 'file' => $markdown])->assertRedirect();
        self::assertSame(['section', 'column', 'rich_text', 'call_out'], array_column($this->tree($this->item)->parts, 'role'));
        self::assertSame('b001', $this->tree($this->item)->parts[2]->id, 'what is the same keeps its id');
    }

    public function test_a_setting_that_two_people_changed_is_held_back_and_both_are_shown(): void
    {
        $with = fn (string $label): PartTree => PartTree::of([
            ...$this->column('Words')->parts,
            new Part('b009', 'button', 2, ['label' => $label, 'target' => '/a']),
        ]);
        $this->save($this->item, $this->ines, $with('Book'));
        $base = $this->item->refresh()->root;
        $this->save($this->item, $this->ines, $with('Come'));
        $this->save($this->item, $this->tobi, $with('Go'), $base);
        $held = HeldEdit::query()->firstOrFail();
        $this->actingAs($this->tobi)
            ->get(route('held', [$this->item, $held]))
            ->assertSeeTextInOrder(['Yours', 'Label', 'Go', 'Ines’s, as it stands', 'Label', 'Come']);
        $this->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])->assertRedirect();
        self::assertSame('Go', $this->tree($this->item)->get('b009')->string('label'));
    }

    private function wish(): Publishing
    {
        return $this->app
            ->make(AskToPublish::class)
            ->handle($this->item->versions()->where('number', 2)->firstOrFail()->setRelation('item', $this->item), $this->tobi, null);
    }

    private function block(string $id): Part
    {
        return new Part($id, 'rich_text', 2, ['style' => 'plain', 'text' => RichText::plain("Text {$id}")]);
    }
}
