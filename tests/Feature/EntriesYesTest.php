<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Models\Drafts;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\DB;
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
        [$this->owner, $this->writer, $this->other, $this->approver] = [
            $this->person('Ines Oduya'),
            $this->person('Tobi Brandt'),
            $this->person('Jun Castell'),
            $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Open days', [
            [$this->owner, Role::Owner],
            [$this->writer, Role::Editor],
            [$this->other, Role::Editor],
            [$this->approver, Role::Editor],
        ]);
        $this->shelf
            ->memberships()
            ->where('user_id', $this->approver->id)
            ->update(['publishes' => true]);
        $this->form = $this->app->make(MakeItem::class)->handle($this->shelf, $this->owner, 'form', 'Book a repair');
        $this->save($this->form, $this->owner, PartTree::of([
            new Part('pone', 'page', 0, ['title' => 'First']),
            new Part('qname', 'question', 1, ['type' => 'short', 'text' => RichText::plain('Your name'), 'required' => false]),
            new Part('qday', 'question', 1, ['type' => 'date', 'text' => RichText::plain('When'), 'required' => false]),
        ]));
        $live = $this->publish($this->form, $this->owner);
        $this->entry
            = $this->app->make(TakeEntry::class)->handle($this->form, $live, null, $this->answers('Ada Quill', '2026-05-03')) ?? self::fail();
    }

    private function answers(string $name, string $day): PartTree
    {
        return PartTree::of([
            new Part('qname', 'answer', 0, ['label' => 'Your name', 'value' => $name]),
            new Part('qday', 'answer', 0, ['label' => 'When', 'value' => ['d', $day]]),
        ]);
    }

    /** @return TestResponse<Response> */
    private function change(User $who, string $name, string $day = '2026-05-03', ?string $base = null): TestResponse
    {
        return $this->actingAs($who)->put(route('entry.save', $this->entry), [
            'base' => $base ?? $this->entry->refresh()->root,
            'a' => ['qname' => $name, 'qday' => $day],
        ]);
    }

    private function asks(): void
    {
        $this->actingAs($this->owner)
            ->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1, 'asks_entries' => 1])
            ->assertSessionHasNoErrors();
        $this->shelf->refresh();
    }

    private function named(): string
    {
        return AnswerText::of($this->tree($this->entry->refresh())->get('qname'));
    }

    public function test_a_change_waits_beside_the_entry_and_others_see_what_was_agreed_to(): void
    {
        $this->change($this->writer, 'Ada Quille');
        $this->asks();
        $this->change($this->writer, 'Bea Rook')->assertSessionHas(
            'said',
            'Your change waits for a yes. Until then everybody else sees the entry without it.',
        );
        self::assertSame([2, 'Ada Quille'], [$this->entry->refresh()->head, $this->named()]);
        $this->get(route('item', $this->entry))->assertOk()->assertSee('Bea Rook')->assertSee('Your change waits for a yes');
        // Those who say yes are told; what they edit is the entry without it.
        foreach ([$this->approver, $this->owner] as $who) {
            $this->actingAs($who)
                ->get(route('item', $this->entry))
                ->assertOk()
                ->assertSee('Tobi proposed a change')
                ->assertSee('Ada Quille')
                ->assertDontSee('Bea Rook');
            $this->get(route('entries', $this->form))->assertSee('a change waits')->assertSee('Ada Quille')->assertDontSee('Bea Rook');
            $this->get(route('entries.waiting', $this->form))->assertSee('Bea');
        }
        $this->actingAs($this->other);
        $proposal = Proposal::query()->waiting()->firstOrFail();
        foreach (
            [
                route('item', $this->entry),
                route('history', $this->entry),
                route('list', $this->entry),
                route('ribbon', $this->entry),
                route('entries', $this->form),
                route('entries', ['item' => $this->form, 'sort' => 'changed']),
                route('entries.sums', $this->form),
                route('entries.download', [$this->form, 'csv']),
                route('entries.waiting', $this->form),
                route('part', [$this->entry, 'qname']),
            ] as $screen
        ) {
            $this->get($screen)->assertOk()->assertDontSee('Bea')->assertDontSee('a change waits');
        }
        $this->get(route('entries.changes', ['item' => $this->form, 'by' => $this->writer->id]))->assertOk()->assertDontSee('Bea Rook');
        $this->get(route('proposal', [$this->entry, $proposal]))->assertNotFound();
        $this->put(route('proposal.answer', [$this->entry, $proposal]), ['answer' => 'accepted', 'seen' => 2])->assertNotFound();
        $this->assertVerified();
    }

    public function test_who_may_say_yes_sees_the_change_and_then_everybody_sees_it_under_its_author(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $proposal = Proposal::query()->waiting()->firstOrFail();
        $this->actingAs($this->writer)
            ->get(route('proposal', [$this->entry, $proposal]))
            ->assertOk()
            ->assertDontSee('value="accepted"', false);
        $this->put(route('proposal.answer', [$this->entry, $proposal]), ['answer' => 'accepted', 'seen' => 1])->assertForbidden();
        $this->actingAs($this->approver)
            ->get(route('proposal', [$this->entry, $proposal]))
            ->assertOk()
            ->assertSee('Ada Quill')
            ->assertSee('Bea Rook');
        $this->put(route('proposal.answer', [$this->entry, $proposal]), ['answer' => 'accepted', 'seen' => 1])->assertSessionHas(
            'said',
            'Agreed to: it is version 2, and everybody sees it now.',
        );
        self::assertSame($this->writer->id, $this->entry->versions()->where('number', 2)->value('user_id'));
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Bea Rook');
        $this->get(route('entries', $this->form))->assertSee('Bea Rook')->assertDontSee('Ada Quill');
        $this->get(route('list', $this->entry))->assertOk()->assertSee('Nell accepted ')->assertSee('Made the entry');
        $this->assertVerified();
    }

    public function test_a_yes_to_ones_own_edit_agrees_to_nobody_elses(): void
    {
        $this->asks();
        $agreed = $this->entry->root;
        $this->change($this->writer, 'Bea Rook');
        // Nell may say yes, but not to her own; hers waits apart, and neither brings the other along.
        $this->change($this->approver, 'Ada Quill', '2026-06-01', $agreed);
        self::assertSame(2, Proposal::query()->waiting()->count());
        self::assertSame($agreed, $this->entry->refresh()->root);
        $hers = Proposal::of($this->approver, $this->entry) ?? self::fail();
        $this->actingAs($this->owner)
            ->put(route('proposal.answer', [$this->entry, $hers]), ['answer' => 'accepted', 'seen' => 1])
            ->assertSessionHasNoErrors();
        self::assertSame(['Ada Quill', '2026-06-01'], [$this->named(), AnswerText::of($this->tree($this->entry)->get('qday'))]);
        $his = Proposal::of($this->writer, $this->entry) ?? self::fail();
        $this->actingAs($this->approver)
            ->put(route('proposal.answer', [$this->entry, $his]), ['answer' => 'accepted', 'seen' => 1])
            ->assertSessionHasErrors(['answer' => 'The entry was changed or removed in the meantime. Look at it once more.']);
        $this->put(route('proposal.answer', [$this->entry, $his]), ['answer' => 'accepted', 'seen' => 2])->assertSessionHasNoErrors();
        self::assertSame(['Bea Rook', '2026-06-01'], [$this->named(), AnswerText::of($this->tree($this->entry)->get('qday'))]);
    }

    public function test_what_was_answered_with_not_yet_is_in_nothing_that_is_edited_next(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $proposal = Proposal::query()->waiting()->firstOrFail();
        $this->actingAs($this->approver)
            ->put(route('proposal.answer', [$this->entry, $proposal]), ['answer' => 'declined', 'seen' => 1])
            ->assertSessionHasErrors('word');
        $this->put(route('proposal.answer', [$this->entry, $proposal]), ['answer' => 'declined', 'seen' => 1, 'word' => 'Ask her first']);
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertSee('Ada Quill')->assertDontSee('Bea Rook');
        $this->actingAs($this->writer)
            ->get(route('entries.waiting', $this->form))
            ->assertSee('Nell said not yet to your change to entry 1')
            ->assertSee('Ask her first');
        $this->get(route('item', $this->entry))->assertSee('One change that was not taken in')->assertDontSee('Bea Rook');
        $this->get(route('proposal', [$this->entry, $proposal]))->assertSee('Bea Rook')->assertSee('Propose it again');
        $this->get(route('entries.waiting', $this->form))->assertDontSee('Ask her first');
        $this->change($this->writer, 'Ada Quill', '2026-06-01');
        $this->actingAs($this->owner)->put(route('proposal.answer', [$this->entry, Proposal::query()->waiting()->firstOrFail()]), [
            'answer' => 'accepted',
            'seen' => 1,
        ]);
        self::assertSame(['Ada Quill', '2026-06-01'], [$this->named(), AnswerText::of($this->tree($this->entry)->get('qday'))]);
        $this->actingAs($this->writer)->post(route('proposal.again', [$this->entry, $proposal]))->assertSessionHasNoErrors();
        self::assertSame(1, Proposal::query()->waiting()->count());
        $this->actingAs($this->other)->post(route('proposal.again', [$this->entry, $proposal]))->assertNotFound();
    }

    public function test_going_on_with_ones_own_change_is_one_change(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $own = Proposal::of($this->writer, $this->entry) ?? self::fail();
        $send = fn (string $name, string $day) => $this->actingAs($this->writer)->put(route('entry.save', $this->entry), [
            'base' => $this->entry->refresh()->root,
            'proposal' => (Proposal::of($this->writer, $this->entry) ?? self::fail())->id,
            'a' => ['qname' => $name, 'qday' => $day],
        ]);
        $send('Bea Rook', '2026-06-01');
        self::assertSame(
            [[ProposalState::Withdrawn], [ProposalState::Waiting]],
            Proposal::query()->orderBy('id')->get()->map(fn (Proposal $each) => [$each->state])->all(),
        );
        $this->actingAs($this->approver)
            ->get(route('proposal', [$this->entry, Proposal::of($this->writer, $this->entry)]))
            ->assertSee('Bea Rook')
            ->assertSee('1 June');
        // Back to what everybody sees: nothing is left to be asked.
        $send('Ada Quill', '2026-05-03')->assertSessionHas('said', 'Your change is taken back. The entry stays as it is.');
        self::assertSame(0, Proposal::query()->waiting()->count());
        $this->actingAs($this->approver)
            ->put(route('proposal.answer', [$this->entry, $own]), ['answer' => 'accepted', 'seen' => 1])
            ->assertSessionHasErrors('answer');
    }

    public function test_many_are_agreed_to_together(): void
    {
        $this->asks();
        $second = $this->app
            ->make(TakeEntry::class)
            ->handle(
                $this->form,
                Publishing::query()->findOrFail($this->form->refresh()->live_id),
                null,
                $this->answers('Cleo Marsh', '2026-05-04'),
            ) ?? self::fail();
        $this->change($this->writer, 'Bea Rook');
        $this->change($this->other, 'Gus Pell');
        $this->entry = $second;
        $this->change($this->writer, 'Dora Finch');
        $ticked = Proposal::query()->waiting()->pluck('id')->all();
        self::assertCount(3, $ticked);
        $this->actingAs($this->writer)->post(route('entries.waiting.yes', $this->form), ['proposals' => $ticked])->assertForbidden();
        $this->actingAs($this->approver)->post(route('entries.waiting.yes', $this->form), [])->assertSessionHasErrors('proposals');
        $this->get(route('entries.waiting', $this->form))->assertSee('Waiting 3')->assertSee('Bea')->assertSee('Dora');
        $this->get(route('shelf', $this->shelf))->assertSee('3 changes wait for a yes');
        // Two of them change the same answer: the second is looked at by itself.
        $this->post(route('entries.waiting.yes', $this->form), ['proposals' => $ticked])->assertSessionHas(
            'said',
            'Said yes to 2 changes. One meets what was written since: look at it by itself.',
        );
        $this->actingAs($this->other)
            ->get(route('entries', $this->form))
            ->assertSee('Bea Rook')
            ->assertSee('Dora Finch')
            ->assertDontSee('Gus');
        $this->actingAs($this->approver)
            ->get(route('proposal', [Item::query()->where('number', 1)->whereNotNull('form_id')->firstOrFail(), $ticked[1]]))
            ->assertSee('a yes takes its place');
        $this->assertVerified();
    }

    public function test_every_road_to_a_state_waits_for_the_yes(): void
    {
        $this->change($this->writer, 'Bea Rook');
        $this->change($this->other, 'Bea Rook', '2026-06-01');
        $this->asks();
        [$root, $head] = [$this->entry->refresh()->root, $this->entry->head];
        $this->actingAs($this->writer)
            ->post(route('restore.store', [$this->entry, 1]), ['seen' => $head])
            ->assertSessionHas('said', 'Your change waits for a yes. Until then everybody else sees the entry without it.')
            ->assertRedirect(route('proposal', [$this->entry, Proposal::of($this->writer, $this->entry)]));
        $this->get(route('restore', [$this->entry, 1]))->assertOk()->assertSee('waits for a yes');
        $this->post(route('take-out', ['item' => $this->entry, 'from' => 1, 'to' => $head, 'by' => $this->writer->id]), [
            'seen' => $head,
        ])->assertSessionHasNoErrors();
        $this->post(route('part.restore', [$this->entry, 'qname', 1]), ['seen' => $head])->assertSessionHasNoErrors();
        $this->post(route('entries.changes.out', ['item' => $this->form, 'by' => $this->other->id]), [
            'entries' => [$this->entry->key],
        ])->assertSessionHasNoErrors();
        self::assertSame([$root, $head, 4], [$this->entry->refresh()->root, $this->entry->head, Proposal::query()->waiting()->count()]);
        $this->assertVerified();
    }

    public function test_who_alone_says_yes_needs_nobody_elses(): void
    {
        $this->shelf->memberships()->where('user_id', $this->approver->id)->update(['publishes' => false]);
        $this->asks();
        $this->change($this->owner, 'Bea Rook');
        self::assertSame(0, Proposal::query()->waiting()->count());
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
        $this->actingAs($this->other)->get(route('item', $this->entry))->assertDontSee('Bea Rook')->assertSee('Tobi proposed a change');
        $this->get(route('proposal', [$this->entry, Proposal::query()->waiting()->firstOrFail()]))
            ->assertOk()
            ->assertSee('Bea Rook')
            ->assertDontSee('value="accepted"', false);
    }

    public function test_asking_ends_when_nothing_waits(): void
    {
        $this->asks();
        $this->change($this->writer, 'Bea Rook');
        $this->actingAs($this->owner)
            ->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1])
            ->assertSessionHasErrors('asks_entries');
        self::assertTrue($this->shelf->refresh()->asks_entries);
        $this->actingAs($this->approver)->put(route('proposal.answer', [$this->entry, Proposal::query()->waiting()->firstOrFail()]), [
            'answer' => 'declined',
            'seen' => 1,
            'word' => 'No',
        ]);
        $this->actingAs($this->owner)
            ->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1])
            ->assertSessionHasNoErrors();
        $this->actingAs($this->other)->get(route('entries', $this->form))->assertSee('Ada Quill')->assertDontSee('Bea Rook');
        $this->change($this->other, 'Cleo Marsh');
        self::assertSame('Cleo Marsh', $this->named());
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
        self::assertSame(
            ['Ada Quill', 'Bea Rook', 'Enid Vale'],
            $versions->map(fn ($version) => AnswerText::of($this->app->make(States::class)->tree($version->root)->get('qname')))->all(),
        );
        self::assertSame($this->writer->id, $versions[2]?->user_id);
        // All that it takes in is told as whose it is.
        $this->actingAs($this->other)->get(route('list', $this->entry))->assertSee('While no history was kept:');
        self::assertEqualsCanonicalizing(
            [$this->writer->id],
            DB::table('touches')
                ->where(['item_id' => $this->entry->id, 'number' => 3])
                ->pluck('user_id')
                ->unique()
                ->values()
                ->all(),
        );
        $this->change($this->other, 'Enid Vale', '2026-08-01');
        self::assertSame(
            ['qday' => $this->other->id, 'qname' => $this->writer->id],
            DB::table('touches')
                ->where(['item_id' => $this->entry->id, 'number' => 3])
                ->orderBy('part')
                ->pluck('user_id', 'part')
                ->all(),
        );
        $this->get(route('list', $this->entry))->assertSee('While no history was kept, by Tobi and Jun: ');
        // A yes on top of it is kept as little as what needs none.
        $this->shelf->update(['asks_entries' => true]);
        $this->change($this->approver, 'Flo Marsh', '2026-08-01');
        $this->actingAs($this->owner)
            ->put(route('proposal.answer', [$this->entry, Proposal::query()->waiting()->firstOrFail()]), [
                'answer' => 'accepted',
                'seen' => 3,
            ])
            ->assertSessionHasNoErrors();
        $this->shelf->update(['asks_entries' => false]);
        self::assertSame([3, 'Flo Marsh'], [$this->entry->refresh()->head, $this->named()]);
        self::assertSame(
            ['qday' => $this->other->id, 'qname' => $this->approver->id],
            DB::table('touches')
                ->where(['item_id' => $this->entry->id, 'number' => 3])
                ->orderBy('part')
                ->pluck('user_id', 'part')
                ->all(),
        );
        $this->actingAs($this->other);
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
        $this->actingAs($this->writer)
            ->post(route('restore.store', [$this->form, 2]), ['seen' => $this->form->refresh()->head])
            ->assertSessionHasNoErrors();
        self::assertFalse($this->form->refresh()->keeps_entries);
        self::assertSame($head + 2, $this->form->head);
        $this->put(route('entries.keep', $this->form), ['keep' => 1])->assertForbidden();
    }
}
