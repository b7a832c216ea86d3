<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\MakeItem;
use App\Actions\TakeEntry;
use App\Models\Drafts;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Entry\AnswerText;
use Symfony\Component\HttpFoundation\Response;

/** A yes to changes of entries, and their history switched off and on. */
final class EntriesYesTest extends FeatureCase
{
    private User $owner;

    private User $writer;

    private User $other;

    private User $approver;

    private Shelf $shelf;

    private Item $form;

    private Item $entry;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->owner, $this->writer, $this->other, $this->approver] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Jun Castell'), $this->person('Nell Warwick')];
        $this->shelf = $this->shelf('Open days', [[$this->owner, Role::Owner], [$this->writer, Role::Editor], [$this->other, Role::Editor], [$this->approver, Role::Editor]]);
        $this->shelf->memberships()->where('user_id', $this->approver->id)->update(['publishes' => true]);
        $this->form = $this->app->make(MakeItem::class)->handle($this->shelf, $this->owner, 'form', 'Book a repair');
        $this->save($this->form, $this->owner, PartTree::of([
            new Part('pone', 'page', 0, ['title' => 'First']),
            new Part('qname', 'question', 1, ['type' => 'short', 'text' => RichText::plain('Your name'), 'required' => false]),
            new Part('qday', 'question', 1, ['type' => 'date', 'text' => RichText::plain('When'), 'required' => false]),
        ]));
        $live = $this->publish($this->form, $this->owner);
        $this->entry = $this->app->make(TakeEntry::class)->handle($this->form, $live, null, $this->answers('Ada Quill', '2026-05-03'));
    }

    private function answers(string $name, string $day): PartTree
    {
        return PartTree::of([new Part('qname', 'answer', 0, ['label' => 'Your name', 'value' => $name]), new Part('qday', 'answer', 0, ['label' => 'When', 'value' => ['d', $day]])]);
    }

    /** @return TestResponse<Response> */
    private function change(User $who, string $name, string $day = '2026-05-03', ?string $base = null): TestResponse
    {
        return $this->actingAs($who)->put(route('entry.save', $this->entry), ['base' => $base ?? $this->entry->refresh()->root, 'a' => ['qname' => $name, 'qday' => $day]]);
    }

    private function asks(): void
    {
        $this->actingAs($this->owner)->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1, 'asks_entries' => 1])->assertSessionHasNoErrors();
        $this->shelf->refresh();
    }

    private function named(): string
    {
        return AnswerText::of($this->tree($this->entry->refresh())->get('qname'));
    }

    public function test_a_change_waits_and_others_see_what_was_agreed_to(): void
    {
        $this->change($this->writer, 'Ada Quille');
        $this->asks();
        $this->change($this->writer, 'Bea Rook')->assertSessionHas('said', 'Saved as 3. It waits for a yes: until then others go on seeing 2.');
        // Who wrote it and who says yes see it; the other editor sees what was agreed to, in every place.
        foreach ([$this->writer, $this->approver, $this->owner] as $who) {
            $this->actingAs($who)->get(route('item', $this->entry))->assertOk()->assertSee('Bea Rook');
            $this->get(route('entries', $this->form))->assertSee('a change waits')->assertSee('Ada Quille')->assertDontSee('Bea Rook');
        }
        $this->actingAs($this->other);
        $version = $this->entry->refresh()->head;
        foreach ([route('item', $this->entry), route('history', $this->entry), route('list', $this->entry), route('ribbon', $this->entry), route('entries', $this->form), route('entries', ['item' => $this->form, 'sort' => 'changed']), route('entries.sums', $this->form), route('entries.download', [$this->form, 'csv']), route('entries.waiting', $this->form), route('part', [$this->entry, 'qname'])] as $screen) {
            $this->get($screen)->assertDontSee('Bea Rook')->assertDontSee('a change waits');
        }
        $this->get(route('entries.changes', ['item' => $this->form, 'by' => $this->writer->id]))->assertOk()->assertDontSee('Bea Rook');
        $this->get(route('history', ['item' => $this->entry, 'from' => 1, 'to' => $version]))->assertNotFound();
        $this->get(route('line', [$this->entry, $version]))->assertNotFound();
        $this->get(route('download', [$this->entry, $version, 'json']))->assertNotFound();
        $this->get(route('history', ['item' => $this->entry, 'from' => 1, 'to' => 2]))->assertOk()->assertSee('Ada Quille');
        $this->get(route('restore', [$this->entry, 1]))->assertForbidden()->assertSee('waits for a yes');
        $this->get(route('wish', [$this->entry, Publishing::query()->waiting()->firstOrFail()]))->assertForbidden();
        $this->assertVerified();
    }

    public function test_who_may_say_yes_sees_the_comparison_and_then_everybody_sees_it(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $wish = Publishing::query()->waiting()->firstOrFail();
        $this->actingAs($this->writer)->get(route('wish', [$this->entry, $wish]))->assertOk()->assertDontSee('value="published"', false);
        $this->put(route('wish.answer', [$this->entry, $wish]), ['answer' => 'published'])->assertForbidden();
        $this->actingAs($this->approver)->get(route('wish', [$this->entry, $wish]))->assertOk()->assertSee('Others see one change')->assertSee('Ada')->assertSee('Bea');
        $this->put(route('wish.answer', [$this->entry, $wish]), ['answer' => 'published'])->assertSessionHas('said', 'Agreed to: everybody sees 2 now.');
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Bea Rook');
        $this->get(route('entries', $this->form))->assertSee('Bea Rook')->assertDontSee('Ada Quill');
        $this->get(route('list', $this->entry))->assertOk()->assertSee('A change that was agreed to')->assertSee('Made the entry');
    }

    public function test_not_yet_is_told_with_its_reason_and_going_back_needs_no_yes(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $wish = Publishing::query()->waiting()->firstOrFail();
        $this->actingAs($this->approver)->put(route('wish.answer', [$this->entry, $wish]), ['answer' => 'refused'])->assertSessionHasErrors('note');
        $this->put(route('wish.answer', [$this->entry, $wish]), ['answer' => 'refused', 'note' => 'Ask her first']);
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Ada Quill')->assertDontSee('Bea Rook');
        $this->actingAs($this->writer)->get(route('entries.waiting', $this->form))->assertSee('Nell said not yet to your change to entry 1')->assertSee('Ask her first');
        $this->get(route('wish', [$this->entry, $wish]))->assertSee('restore what everybody sees');
        $this->get(route('entries.waiting', $this->form))->assertDontSee('Ask her first');
        $this->post(route('restore.store', [$this->entry, 1]), ['seen' => 2])->assertSessionHasNoErrors();
        self::assertSame(0, Publishing::query()->waiting()->count());
        self::assertSame('Ada Quill', $this->named());
        $this->actingAs($this->other)->post(route('restore.store', [$this->entry, 1]), ['seen' => 3])->assertSessionHasErrors('seen');
    }

    public function test_many_are_agreed_to_together(): void
    {
        $this->asks();
        $second = $this->app->make(TakeEntry::class)->handle($this->form, Publishing::query()->findOrFail($this->form->refresh()->live_id), null, $this->answers('Cleo Marsh', '2026-05-04'));
        $this->change($this->writer, 'Bea Rook');
        $this->entry = $second;
        $this->change($this->writer, 'Dora Finch');
        $wishes = Publishing::query()->waiting()->pluck('id')->all();
        self::assertCount(2, $wishes);
        $this->actingAs($this->writer)->post(route('entries.waiting.yes', $this->form), ['wishes' => $wishes])->assertForbidden();
        $this->actingAs($this->approver)->post(route('entries.waiting.yes', $this->form), [])->assertSessionHasErrors('wishes');
        $this->get(route('entries.waiting', $this->form))->assertSee('Waiting 2')->assertSee('Bea Rook')->assertSee('Dora Finch');
        $this->get(route('shelf', $this->shelf))->assertSee('2 changes wait for a yes');
        $this->post(route('entries.waiting.yes', $this->form), ['wishes' => $wishes])->assertSessionHas('said', 'Said yes to 2 changes.');
        $this->actingAs($this->other)->get(route('entries', $this->form))->assertSee('Bea Rook')->assertSee('Dora Finch');
        $this->actingAs($this->approver)->post(route('entries.waiting.yes', $this->form), ['wishes' => $wishes])->assertSessionHas('said', 'None of them waits any more.');
    }

    public function test_another_editor_changes_what_they_see_and_both_wait_together(): void
    {
        $this->asks();
        $agreed = $this->entry->root;
        $this->change($this->writer, 'Bea Rook');
        $this->change($this->other, 'Ada Quill', '2026-06-01', $agreed);
        self::assertSame(['Bea Rook', '2026-06-01'], [$this->named(), AnswerText::of($this->tree($this->entry)->get('qday'))]);
        self::assertSame([PublishingState::Withdrawn, PublishingState::Waiting], Publishing::query()->where('item_id', $this->entry->id)->where('state', '!=', PublishingState::Published)->orderBy('id')->pluck('state')->all());
    }

    public function test_who_alone_says_yes_needs_nobody_elses(): void
    {
        $this->shelf->memberships()->where('user_id', $this->approver->id)->update(['publishes' => false]);
        $this->asks();
        $this->change($this->owner, 'Bea Rook');
        self::assertSame(0, Publishing::query()->waiting()->count());
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Bea Rook');
        $this->change($this->writer, 'Dora Finch');
        $this->actingAs($this->other)->delete(route('entry.delete', $this->entry))->assertForbidden();
        $this->actingAs($this->owner)->delete(route('entry.delete', $this->entry))->assertRedirect();
    }

    public function test_a_shelf_that_shows_drafts_to_everybody_shows_what_waits(): void
    {
        $this->asks();
        $this->shelf->update(['drafts' => Drafts::Everyone]);
        $this->change($this->writer, 'Bea Rook');
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Bea Rook')->assertSee('waits for a yes');
    }

    public function test_asking_ends_when_nothing_waits_and_then_all_see_the_newest(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $this->actingAs($this->owner)->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1])->assertSessionHasErrors('asks_entries');
        self::assertTrue($this->shelf->refresh()->asks_entries);
        $wish = Publishing::query()->waiting()->firstOrFail();
        $this->actingAs($this->approver)->put(route('wish.answer', [$this->entry, $wish]), ['answer' => 'refused', 'note' => 'No']);
        $this->actingAs($this->owner)->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1])->assertSessionHasNoErrors();
        $this->actingAs($this->other)->get(route('entries', $this->form))->assertSee('Bea Rook');
        $this->asks();
        $this->change($this->writer, 'Dora Finch');
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Bea Rook')->assertDontSee('Dora Finch');
        $this->actingAs($this->owner)->delete(route('unpublish', $this->entry))->assertNotFound();
        $this->put(route('public', $this->entry), ['open' => 1])->assertNotFound();
    }

    public function test_history_off_keeps_what_stood_before_and_what_stands_now(): void
    {
        $this->change($this->writer, 'Bea Rook');
        $this->actingAs($this->owner)->put(route('entries.keep', $this->form), ['keep' => 0])->assertSessionHas('said');
        $this->get(route('list', $this->form))->assertSee('Switched the history of the entries off');
        foreach ([route('entries', $this->form), route('item', $this->entry), route('history', $this->entry)] as $screen) {
            $this->get($screen)->assertSee('no change is kept');
        }
        $this->change($this->writer, 'Cleo Marsh');
        $this->change($this->other, 'Dora Finch')->assertSessionHas('said', 'Saved. No history is kept: what stood there before is gone.');
        $this->change($this->writer, 'Enid Vale', '2026-07-01');
        self::assertSame([3, 'Enid Vale'], [$this->entry->refresh()->head, $this->named()]);
        $versions = $this->entry->versions()->orderBy('number')->get();
        self::assertSame(['Ada Quill', 'Bea Rook', 'Enid Vale'], $versions->map(fn ($version) => AnswerText::of($this->app->make(States::class)->tree($version->root)->get('qname')))->all());
        self::assertSame($this->writer->id, $versions[2]?->user_id);
        $this->actingAs($this->other)->get(route('list', $this->entry))->assertSee('While no history was kept:');
        // A restore is one step of its own, and can be taken back.
        $this->post(route('restore.store', [$this->entry, 1]), ['seen' => 3])->assertSessionHasNoErrors();
        self::assertSame([4, 'Ada Quill'], [$this->entry->refresh()->head, $this->named()]);
        $this->actingAs($this->owner)->put(route('entries.keep', $this->form), ['keep' => 1]);
        $this->get(route('entries', $this->form))->assertDontSee('no change is kept');
        $this->change($this->writer, 'Fay Lindon');
        $this->change($this->writer, 'Greta Moss');
        self::assertSame(6, $this->entry->refresh()->head);
        $this->assertVerified();
    }

    public function test_no_restore_turns_the_switch(): void
    {
        $this->actingAs($this->owner)->put(route('entries.keep', $this->form), ['keep' => 0]);
        $head = $this->form->refresh()->head;
        $this->save($this->form, $this->owner, PartTree::of([new Part('pone', 'page', 0, ['title' => 'Only'])]));
        $this->actingAs($this->writer)->post(route('restore.store', [$this->form, 2]), ['seen' => $this->form->refresh()->head])->assertSessionHasNoErrors();
        self::assertFalse($this->form->refresh()->keeps_entries);
        self::assertSame($head + 2, $this->form->head);
        $this->put(route('entries.keep', $this->form), ['keep' => 1])->assertForbidden();
    }
}
