<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kinds\Dataset\Following\Follow;
use App\Kinds\Dataset\Following\TakeInSteps;
use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\SourceStep;
use App\Models\User;
use App\Models\Version;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Nobody's name is on what they did not do, at a time when they did not do it: a dataset takes in each step of its source as it was. */
final class FollowingTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $nell;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->nell] = [
            $this->person('Ines Oduya'),
            $this->person('Tobi Brandt'),
            $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Open days', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->nell, Role::Editor]]);
        $this->actingAs($this->ines);
    }

    private function follows(Item $source, ?string $tab): Item
    {
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => encrypt(['item' => $source->key, 'tab' => $tab, 'version' => null]),
            'title' => 'Follows',
        ])->assertSessionHasNoErrors();

        return Item::query()->where('kind', 'dataset')->latest('id')->firstOrFail();
    }

    /** @param list<string> $benches */
    private function rota(array $benches): PartTree
    {
        return PartTree::of([
            new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rhead', 'row', 1, ['cone' => 'Bench']),
            ...array_map(fn (string $bench, int $at) => new Part("r{$at}one", 'row', 1, ['cone' => $bench]), $benches, array_keys($benches)),
        ]);
    }

    /** @return list<string> versions after the first: time and person */
    private function told(Item $dataset): array
    {
        return array_values(
            $dataset
                ->refresh()
                ->versions()
                ->with('user')
                ->where('number', '>', 1)
                ->orderBy('number')
                ->get()
                ->map(fn (Version $version) => $version->saved_at->format('H:i:s ').$version->user->firstName())
                ->all(),
        );
    }

    /** @param list<string> $questions */
    private function form(array $questions, ?Item $form = null): Item
    {
        $form ??= $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'form', 'Book');
        $this->save(
            $form,
            $this->ines,
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'First']),
                ...array_map(
                    fn (string $id): Part => new Part($id, 'question', 1, [
                        'type' => 'short',
                        'text' => RichText::plain("Question {$id}"),
                        'required' => false,
                    ]),
                    $questions,
                ),
            ]),
        );

        return $form;
    }

    /** @param array<string, string> $values */
    private function answers(array $values): PartTree
    {
        return PartTree::of(
            array_map(
                fn (string $id, string $value): Part => new Part($id, 'answer', 0, ['label' => $id, 'value' => $value]),
                array_keys($values),
                $values,
            ),
        );
    }

    public function test_what_grows_within_its_minute_is_one_step_and_others_are_others(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->tobi, 'spreadsheet', 'Rota');
        $this->save($sheet, $this->tobi, $this->rota(['Wood']));
        $dataset = $this->follows($sheet, 'tabone');
        $at = function (string $time, User $who, string ...$benches) use ($sheet): void {
            Date::setTestNow("2026-06-01 {$time}");
            $this->app
                ->make(SaveState::class)
                ->handle($sheet->refresh(), $who, new Sent($sheet->root, $this->rota(array_values($benches)), $who->name.$time));
        };
        $at('09:00:00', $this->tobi, 'Wood', 'Cloth');
        $at('09:00:20', $this->tobi, 'Wood', 'Cloth', 'Heat');
        $at('09:00:30', $this->nell, 'Wood', 'Cloth', 'Heat', 'Sound');
        $at('09:00:40', $this->tobi, 'Wood', 'Cloth', 'Heat', 'Sound', 'Bikes');
        $at('09:05:00', $this->tobi, 'Wood', 'Cloth', 'Heat', 'Sound', 'Bikes', 'Lamps');
        self::assertSame(['09:00:20 Tobi', '09:00:30 Nell', '09:00:40 Tobi', '09:05:00 Tobi'], $this->told($dataset));
        self::assertSame(array_slice($this->told($sheet), 1), $this->told($dataset));
        $this->assertVerified();
    }

    public function test_a_draft_of_a_form_changes_nothing_and_what_is_published_does(): void
    {
        $form = $this->form(['qone', 'qtwo']);
        $live = $this->publish($form, $this->ines);
        $this->app->make(TakeEntry::class)->handle($form, $live, $this->nell, $this->answers(['qone' => 'A lamp', 'qtwo' => 'Ada']));
        $dataset = $this->follows($form, null);
        $root = $dataset->root;
        $this->form(['qone'], $form);
        $this->get(route('item', $dataset))->assertOk()->assertSee('Ada');
        self::assertSame($root, $dataset->refresh()->root);
        Date::setTestNow('2026-06-01 10:00:00');
        $this->publish($form, $this->ines);
        self::assertSame(['10:01:00 Ines'], $this->told($dataset));
        self::assertSame(
            ['sent', 'qone'],
            array_column(array_filter($this->tree($dataset)->parts, fn (Part $part) => $part->role === 'field'), 'id'),
        );
    }

    public function test_whatever_the_way_there_the_same_form_gives_the_same_dataset(): void
    {
        $question = fn (string $id, string $words, string $type = 'short'): Part => new Part($id, 'question', 1, [
            'type' => $type,
            'text' => RichText::plain($words),
            'required' => false,
        ]);
        $choice = fn (string $id, string $label): Part => new Part($id, 'choice', 2, ['label' => $label, 'other' => false]);
        $page = new Part('pone', 'page', 0, ['title' => 'First']);
        $form = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'form', 'Book');
        $this->save(
            $form,
            $this->ines,
            PartTree::of([
                $page,
                $question('qname', 'Name'),
                $question('qkind', 'Kind', 'one'),
                $choice('cone', 'Wood'),
                $choice('ctwo', 'Cloth'),
            ]),
        );
        $live = $this->publish($form, $this->ines);
        $dataset = $this->follows($form, null);
        $this->put(route('field.save', [$dataset, 'new']), [
            'base' => $dataset->refresh()->root,
            'name' => 'Both',
            'type' => 'text',
            'expression' => '[Name] ~ " " ~ [Kind]',
        ])->assertSessionHasNoErrors();
        $this->app
            ->make(TakeEntry::class)
            ->handle(
                $form,
                $live,
                $this->nell,
                PartTree::of([
                    new Part('qname', 'answer', 0, ['label' => 'Name', 'value' => 'Ada']),
                    new Part('qkind', 'answer', 0, ['label' => 'Kind', 'choices' => ['cone'], 'said' => ['Wood']]),
                ]),
            );
        // A question and a choice are called otherwise, one is new between them, one is asked otherwise, and they are in another order.
        $this->save(
            $form,
            $this->ines,
            PartTree::of([
                $page,
                $question('qkind', 'Trade', 'one'),
                $choice('ctwo', 'Cloth'),
                $choice('cone', 'Timber'),
                $question('qnew', 'How many', 'number'),
                $question('qname', 'Called', 'long'),
            ]),
        );
        $this->publish($form, $this->ines);
        $tree = $this->tree($dataset->refresh());
        $fields = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'field'));
        self::assertSame(['Sent on', 'Trade', 'How many', 'Called', 'Both'], array_map(fn (Part $field) => $field->string('name'), $fields));
        self::assertSame([['Cloth', 'Timber'], 'number'], [$fields[1]->strings('choices'), $fields[2]->string('type')]);
        $record = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'record'))[0];
        self::assertSame(['Ada', 'Timber'], [$record->fields['qname'], $record->fields['qkind']]);
        self::assertSame(['Ada Timber'], Records::of($tree)->column($fields[4]->id));
        // Another one that follows it from now on only is the same.
        $other = $this->tree($this->follows($form, null));
        self::assertTrue(
            PartTree::of(array_values(array_filter($tree->parts, fn (Part $part) => $part->string('expression') === '')))->equals($other),
        );
        // What it is and is called, its questions say.
        $this->put(route('field.save', [$dataset, 'qnew']), [
            'base' => $dataset->root,
            'name' => 'How many',
            'type' => 'text',
            'sure' => 1,
        ])->assertSessionHasErrors('base');
        $this->put(route('field.save', [$dataset, 'new']), [
            'base' => $dataset->root,
            'name' => 'Own',
            'type' => 'text',
        ])->assertSessionHasErrors('base');
        $this->get(route('field.edit', [$dataset, 'new']))->assertDontSee('empty if values are typed in');
        $this->assertVerified();
    }

    public function test_a_form_that_keeps_no_steps_gives_none_to_what_follows_it(): void
    {
        $form = $this->form(['qone']);
        $live = $this->publish($form, $this->ines);
        $form->update(['keeps_entries' => false]);
        $this->post(route('dataset.look', $this->shelf), ['from' => $form->key])
            ->assertOk()
            ->assertSee('All 3 people on “Open days” will be able to read these answers')
            ->assertSee('no step between');
        $dataset = $this->follows($form, null);
        $entry
            = $this->app->make(TakeEntry::class)->handle($form, $live, $this->nell, $this->answers(['qone' => 'A lamp'])) ?? self::fail();
        foreach (['A kettle', 'A secret', 'A drill'] as $at => $words) {
            Date::setTestNow("2026-06-01 1{$at}:00:00");
            $this->actingAs($this->tobi)
                ->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'a' => ['qone' => $words]])
                ->assertSessionHasNoErrors();
        }
        $dataset->refresh();
        self::assertSame(
            'A drill',
            array_values(array_filter($this->tree($dataset)->parts, fn (Part $part) => $part->role === 'record'))[0]->fields['qone'],
        );
        foreach ($dataset->versions as $version) {
            foreach (['A kettle', 'A secret'] as $words) {
                self::assertStringNotContainsString(
                    $words,
                    (string) json_encode([$this->app->make(States::class)->tree($version->root)->parts, $version->facts]),
                );
            }
        }
        $this->get(route('list', $dataset))->assertDontSee('A secret');
        $this->assertVerified();
    }

    public function test_entries_are_taken_in_by_who_did_it_and_a_change_that_waits_when_it_was_agreed_to(): void
    {
        $form = $this->form(['qone']);
        $live = Publishing::query()->findOrFail($this->publish($form, $this->ines)->id);
        $dataset = $this->follows($form, null);
        Date::setTestNow('2026-06-01 10:00:00');
        $entry
            = $this->app->make(TakeEntry::class)->handle($form, $live, $this->nell, $this->answers(['qone' => 'A lamp'])) ?? self::fail();
        $this->app->make(TakeEntry::class)->handle($form, $live, $this->tobi, $this->answers(['qone' => 'A coat']));
        $this->shelf->update(['asks_entries' => true]);
        $this->shelf->memberships()->where('user_id', $this->tobi->id)->update(['publishes' => true]);
        Date::setTestNow('2026-06-01 11:00:00');
        $this->actingAs($this->nell)->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'a' => ['qone' => 'A kettle']]);
        self::assertSame(['10:00:00 Nell', '10:00:00 Tobi'], $this->told($dataset));
        Date::setTestNow('2026-06-01 12:00:00');
        $this->actingAs($this->ines)
            ->put(route('proposal.answer', [$entry, Proposal::query()->firstOrFail()]), ['answer' => 'accepted', 'seen' => 1])
            ->assertSessionHasNoErrors();
        Date::setTestNow('2026-06-01 13:00:00');
        $this->delete(route('entry.delete', $entry))->assertRedirect();
        Date::setTestNow('2026-06-01 14:00:00');
        $this->actingAs($this->tobi)->put(route('entry.undelete', $entry))->assertRedirect();
        self::assertSame(['10:00:00 Nell', '10:00:00 Tobi', '12:00:00 Nell', '13:00:00 Ines', '14:00:00 Tobi'], $this->told($dataset));
        $records = array_values(array_filter($this->tree($dataset)->parts, fn (Part $part) => $part->role === 'record'));
        self::assertSame(
            [['entry00001', 'A kettle'], ['entry00002', 'A coat']],
            array_map(fn (Part $record) => [$record->id, $record->fields['qone']], $records),
        );
        $this->assertVerified();
    }

    public function test_a_large_one_is_queued_taken_in_in_order_and_a_step_that_was_half_done_is_done_once(): void
    {
        Queue::fake();
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->tobi, 'spreadsheet', 'Rota');
        $benches = array_map(fn (int $at): string => "Bench {$at}", range(1, 4_100));
        $this->save($sheet, $this->tobi, $this->rota($benches));
        $dataset = $this->follows($sheet, 'tabone');
        foreach (['09:00:00' => $this->nell, '10:00:00' => $this->tobi, '11:00:00' => $this->nell] as $time => $who) {
            Date::setTestNow("2026-06-01 {$time}");
            $benches[] = "More {$time}";
            $this->app->make(SaveState::class)->handle($sheet->refresh(), $who, new Sent($sheet->root, $this->rota($benches), $time));
        }
        Queue::assertPushed(TakeInSteps::class);
        self::assertSame([], $this->told($dataset));
        $steps = SourceStep::query()->orderBy('id')->get();
        self::assertCount(3, $steps);
        $this->app->make(Follow::class)->handle($dataset);
        self::assertSame(['09:00:00 Nell', '10:00:00 Tobi', '11:00:00 Nell'], $this->told($dataset));
        // It was stopped right before the last step was crossed off.
        SourceStep::query()->insert($steps->last()?->getAttributes() ?? []);
        $this->app->make(Follow::class)->handle($dataset->refresh());
        self::assertSame([4, 0], [$dataset->refresh()->head, SourceStep::query()->count()]);
        $this->assertVerified();
    }

    public function test_what_meets_a_follower_refuses_nobody_who_writes_in_its_source(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->tobi, 'spreadsheet', 'Rota');
        $this->save($sheet, $this->tobi, $this->rota(['Wood']));
        $dataset = $this->follows($sheet, 'tabone');
        $chunk = DB::table('chunks')->whereRaw('hex(address) = ?', [strtoupper($dataset->root)])->value('id');
        DB::update('UPDATE chunks SET address = randomblob(20) WHERE id = ?', [$chunk]);
        $this->save($sheet, $this->tobi, $this->rota(['Wood', 'Cloth']));
        self::assertSame([1, 1], [$dataset->refresh()->head, SourceStep::query()->count()]);
        // Mended, it takes in what waited with the next step.
        DB::update("UPDATE chunks SET address = X'{$dataset->root}' WHERE id = ?", [$chunk]);
        $this->save($sheet, $this->nell, $this->rota(['Wood', 'Cloth', 'Heat']));
        self::assertSame([3, 0], [$dataset->refresh()->head, SourceStep::query()->count()]);
    }
}
