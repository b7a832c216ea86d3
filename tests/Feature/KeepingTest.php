<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\FreedBytes;
use App\Keeping\KeepByRules;
use App\Keeping\LetGo;
use App\Keeping\Rehearsed;
use App\Kinds\Spreadsheet\SheetAuthors;
use App\Making\CopyOut;
use App\Making\MakeItem;
use App\Making\Offered;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use App\Proposing\OpenLine;
use App\Restoring\RestoreVersion;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\Space;
use App\Store\States;
use App\Store\WhatIsKept;
use App\View\Authorship;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Keeping\Exemption;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\HashTree;
use PHPUnit\Framework\Attributes\Group;

/** Keeping rules: said in a sentence, rehearsed, done; what goes leaves a gap, and nobody’s name is on what they may not have written. */
#[Group('long')]
final class KeepingTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $this->shelf = $this->shelf('Office', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
    }

    public function test_a_shelf_keeps_no_history_of_kinds_that_it_names(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'First.');
        $page = $this->app->make(MakeItem::class)->handle($this->shelf, $this->tobi, 'page', 'Open');
        $words = fn (): array => $item
            ->versions()
            ->orderBy('number')
            ->get()
            ->map(fn (Version $version) => $this->app->make(States::class)->tree($version->root)->parts[0]->richText()->text())
            ->all();
        $this->actingAs($this->ines)
            ->put(route('keeping.shelf.kinds', $this->shelf), ['kinds' => ['entry']])
            ->assertSessionHasErrors('kinds.0');
        $this->put(route('keeping.shelf.kinds', $this->shelf), [
            'kinds' => array_values(array_diff(Offered::kinds(), ['document'])),
        ])->assertSessionHas('said', 'From now on no history is kept of documents on this shelf.');
        $this->get(route('log', [$this->shelf, 'about' => 'rules']))->assertSee('switched the history of documents off');
        $this->get(route('shelf', $this->shelf))->assertSee('no history is kept of documents')->assertDontSee('every change kept');
        foreach (
            [route('item', $item), route('history', $item), route('list', $item), route('keeping', $item), route('talk', $item)] as $screen
        ) {
            $this->get($screen)->assertSee('The history of documents on this shelf is switched off');
        }
        $this->get(route('item', $page))->assertDontSee('is switched off');
        $head = $item->refresh()->head;
        foreach ([[$this->tobi, 'Second.'], [$this->ines, 'Third.'], [$this->tobi, 'Fourth.']] as $at => [$person, $text]) {
            Date::setTestNow(now()->addHours($at + 1));
            $this->save($item->refresh(), $person, $this->text($item, $text));
        }
        self::assertSame(['First.', 'Fourth.'], array_slice($words(), -2));
        self::assertSame($head + 1, $item->refresh()->head);
        // A name for a moment stays, and what is written from then on leaves it alone.
        $this->app
            ->make(MarkMilestone::class)
            ->handle($item->versions()->where('number', $item->head)->firstOrFail(), $this->ines, 'Agreed');
        $this->save($item->refresh(), $this->tobi, $this->text($item, 'Fifth.'));
        $this->save($item->refresh(), $this->ines, $this->text($item, 'Sixth.'));
        self::assertSame(['First.', 'Fourth.', 'Sixth.'], array_slice($words(), -3));
        // Both wrote in one paragraph of one version: neither's name is on all of it, and taking out what one of them wrote would take out
        // the other's words, too.
        $number = $item->refresh()->head;
        self::assertEqualsCanonicalizing(
            [$this->ines->id, $this->tobi->id],
            [
                ...DB::table('touches')
                    ->where(['item_id' => $item->id, 'number' => $number])
                    ->pluck('user_id'),
                ...DB::table('shared_touches')
                    ->where(['item_id' => $item->id, 'number' => $number])
                    ->pluck('user_id'),
            ],
        );
        $edits = new SomebodysEdits($this->ines, $head, $number);
        self::assertSame(
            [[], 1],
            [$this->app->make(TakeOutEdits::class)->numbers($item, $edits), $this->app->make(TakeOutEdits::class)->mixed($item, $edits)],
        );
        $this->get(route('history', [$item, 'view' => 'who']))->assertSee('Ines or Tobi');
        // What goes to such a shelf is told so beforehand; where it is switched on, each change is kept again.
        $other = $this->shelf('Elsewhere', [[$this->ines, Role::Owner]]);
        $there = $this->document($other, $this->ines, 'Moved');
        $this->actingAs($this->ines)
            ->get(route('item.move', [$there, 'to' => $this->shelf->key]))
            ->assertSee('No history is kept of documents there');
        $this->put(route('keeping.shelf.kinds', $this->shelf), ['kinds' => Offered::kinds()])->assertSessionHas(
            'said',
            'A history is kept of everything on this shelf.',
        );
        $this->get(route('item', $item))->assertDontSee('is switched off');
        $head = $item->refresh()->head;
        $this->save($item->refresh(), $this->ines, $this->text($item, 'Seventh.'));
        $this->save($item->refresh(), $this->tobi, $this->text($item, 'Eighth.'));
        self::assertSame($head + 2, $item->refresh()->head);
        self::assertSame(['Sixth.', 'Seventh.', 'Eighth.'], array_slice($words(), -3));
        $this->assertVerified();
    }

    public function test_cells_are_told_as_whose_they_are_where_no_history_is_kept(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->tobi, 'spreadsheet', 'Sums');
        $rows = fn (int $one, int $two): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Sums', 'frozen' => 1]),
            new Part('col1', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('col2', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('row1', 'row', 1, ['col1' => $one, 'col2' => $two]),
        ]);
        $this->save($sheet, $this->tobi, $rows(1, 1));
        $this->actingAs($this->ines)->put(route('keeping.shelf.kinds', $this->shelf), [
            'kinds' => array_values(array_diff(Offered::kinds(), ['spreadsheet'])),
        ]);
        $this->save($sheet, $this->tobi, $rows(2, 1));
        $this->save($sheet, $this->ines, $rows(2, 3));
        $whose = fn (string $table): array => DB::table($table)
            ->where(['item_id' => $sheet->id, 'number' => $sheet->refresh()->head])
            ->orderBy('part')
            ->pluck('user_id', 'part')
            ->all();
        // The row is of both, its cells of one each.
        self::assertSame(
            [['row1' => $this->ines->id, 'row1/col1' => $this->tobi->id, 'row1/col2' => $this->ines->id], ['row1' => $this->tobi->id]],
            [$whose('touches'), $whose('shared_touches')],
        );
        $this->save($sheet, $this->ines, $rows(4, 3));
        self::assertSame($this->ines->id, $whose('touches')['row1/col1']);
        $this->assertVerified();
    }

    /** The item with other words in its first paragraph. */
    private function text(Item $item, string $words): PartTree
    {
        $parts = $this->app->make(States::class)->tree($item->root)->parts;

        return PartTree::of([$parts[0]->with('text', RichText::plain($words)), ...array_slice($parts, 1)]);
    }

    public function test_an_item_differs_from_its_shelf_and_that_from_the_place_in_what_they_say(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One');
        self::assertSame(
            'Leave a version behind after a minute of somebody’s writing. Keep everything for ever.',
            WhatIsKept::item($item)->said(),
        );
        $this->actingAs($this->ines)->get(route('keeping.place'))->assertForbidden();
        $this->ines->update(['keeps_place' => true]);
        $this->post(route('keeping.place.say'), ['leave' => 300, 'every' => 90, 'do' => 'keep'])->assertRedirect(route('keeping.place'));
        $this->get(route('keeping.place'))->assertOk();
        $this->actingAs($this->tobi)
            ->post(route('keeping.shelf.say', $this->shelf), ['leave' => 300, 'every' => 30, 'do' => 'keep'])
            ->assertForbidden();
        $this->actingAs($this->ines)->post(route('keeping.shelf.say', $this->shelf), [
            'leave' => 300,
            'every' => 30,
            'pace1' => 'daily',
            'days1' => 365,
            'pace2' => 'monthly',
            'do' => 'keep',
        ]);
        $this->post(route('keeping.say', $item), [
            'leave' => 0,
            'every' => 30,
            'pace1' => 'daily',
            'days1' => 365,
            'pace2' => 'monthly',
            'most' => 50,
            'do' => 'keep',
        ])->assertRedirect(route('keeping', $item));
        // What is the same as above it goes without saying, and moves with it.
        self::assertSame(['leave' => 0, 'most' => 50], WhatIsKept::item($item)->own);
        $this->post(route('keeping.shelf.say', $this->shelf), ['leave' => 300, 'every' => 7, 'do' => 'keep']);
        self::assertSame(['leave' => 0, 'every' => 7, 'then' => [], 'most' => 50, 'bytes' => null], WhatIsKept::item($item)->values);
        $this->post(route('keeping.say', $item), ['do' => 'above', 'leave' => 0]);
        self::assertSame(
            [[], 'Leave a version behind after five minutes of somebody’s writing. Keep everything for a week.'],
            [WhatIsKept::item($item)->own, WhatIsKept::item($item)->said()],
        );
        $this->post(route('keeping.say', $item), ['leave' => 17, 'do' => 'keep'])->assertSessionHasErrors('leave');
        $this->get(route('log', [$this->shelf, 'about' => 'rules']))->assertSee('changed what is kept of “Bench rules”');
        // A version grows for as long as the rules say.
        $head = $item->refresh()->head;
        foreach (['Two', 'Three'] as $text) {
            $this->save($item, $this->tobi, $this->paragraphs($text));
        }
        self::assertSame($head, $this->newestOf($item));
        // One a sitting, and one a publishing.
        $this->post(route('keeping.say', $item), [
            'leave' => WhatIsKept::SITTING,
            'every' => 7,
            'do' => 'keep',
        ])->assertSessionHasNoErrors();
        Date::setTestNow(Date::now()->addMinutes(20));
        $this->save($item, $this->tobi, $this->paragraphs('Four'));
        self::assertSame($head, $this->newestOf($item));
        Date::setTestNow(Date::now()->addHours(2));
        $this->save($item, $this->tobi, $this->paragraphs('Five'));
        self::assertSame($head + 1, $this->newestOf($item));
        $this->post(route('keeping.say', $item), ['leave' => WhatIsKept::PUBLISHING, 'every' => 7, 'do' => 'keep']);
        Date::setTestNow(Date::now()->addDays(2));
        $this->save($item, $this->tobi, $this->paragraphs('Six'));
        self::assertSame($head + 1, $this->newestOf($item));
        $this->save($item, $this->ines, $this->paragraphs('Seven'));
        self::assertSame($head + 2, $this->newestOf($item));
    }

    public function test_what_goes_is_rehearsed_and_what_something_rests_on_stays_and_says_why(): void
    {
        $item = $this->long(20);
        $page = $this->page($this->shelf, $this->ines, 'x');
        $this->app->make(MarkMilestone::class)->handle($this->version($item, 4), $this->tobi, 'Agreed');
        $this->actingAs($this->tobi)->put(route('version.pin', [$item, 6]), ['pin' => 1])->assertSessionHas('said');
        $this->app->make(CopyOut::class)->handle($this->version($item, 8), $this->shelf, $this->tobi, 'Copy');
        $this->app->make(RestoreVersion::class)->handle($item->refresh(), $this->version($item, 10), $this->ines, $item->head);
        $this->save($item, $this->tobi, $this->paragraphs('after it'));
        Date::setTestNow(Date::now()->addDays(40));
        $this->actingAs($this->ines)->post(route('keeping.say', $item), ['leave' => 60, 'every' => 30, 'do' => 'keep']);
        $rehearsed = new Rehearsed($item->refresh(), WhatIsKept::item($item));
        self::assertSame(
            [
                1 => Exemption::First,
                4 => Exemption::Milestone,
                6 => Exemption::Pinned,
                8 => Exemption::Copied,
                10 => Exemption::Restored,
                20 => Exemption::Restored,
                21 => Exemption::Newest,
                22 => Exemption::Newest,
            ],
            $rehearsed->stay,
        );
        $this->get(route('keeping', $item))
            ->assertOk()
            ->assertSee('14 of Tobi’s', false)
            ->assertSee('pinned')
            ->assertSee('milestones')
            ->assertSee('Let these 14 go')
            ->assertSee('as it is now');
        $takes = $this->app->make(Space::class)->of($item);
        self::assertGreaterThan(0, $takes['newest']);
        self::assertGreaterThan($takes['newest'], $takes['history']);
        $this->get(route('keeping.shelf', $this->shelf))->assertOk()->assertSee('14 versions would go');
        $this->actingAs($this->tobi)->get(route('keeping', $item))->assertOk()->assertDontSee('Let these 14 go');
        $this->post(route('keeping.now', $item))->assertForbidden();
        // Tried only.
        $this->actingAs($this->ines)->get(route('keeping', [$item, 'leave' => 60]))->assertSee('Everything is kept for ever');
        self::assertSame(22, Version::query()->where('item_id', $item->id)->count());
        Artisan::call('attic:keep', ['--rehearse' => true]);
        self::assertStringContainsString('Office / Bench rules: 14 of 22 versions would go.', Artisan::output());
        $freed = $this->app->make(FreedBytes::class)->of($rehearsed->ids());
        self::assertGreaterThan(0, $freed);
        $this->post(route('keeping.now', $item))->assertSessionHas('said', '14 versions went.');
        self::assertSame(
            [8, 14, 22, 8],
            [Version::query()->where('item_id', $item->id)->count(), $item->refresh()->gone, $item->head, $item->kept()],
        );
        // What was told comes back, once no window is on any of it.
        DB::table('handed_roots')->delete();
        DB::table('sendings')->delete();
        $before = $this->bytes();
        Artisan::call('attic:tidy', ['--at-once' => true]);
        self::assertEqualsWithDelta($freed, $before - $this->bytes(), max(1, $freed * 0.05));
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
        // Gaps are said, and lead to what is kept.
        $this->get(route('list', $item))
            ->assertSee('2 versions are no longer kept (Tobi)')
            ->assertSee('9 versions are no longer kept (Tobi)');
        $this->get(route('history', [$item, 'from' => 12, 'to' => 22]))->assertRedirect(
            route('history', [$item, 'from' => 10, 'to' => 22]),
        );
        $this->get(route('ribbon', $item))
            ->assertJsonPath('gaps.0', [4, '2 versions before it are no longer kept'])
            ->assertJsonPath('pins', [6]);
        foreach (
            [
                route('history', [$item, 'from' => 1, 'to' => 22]),
                route('history', $item),
                route('restore', [$item, 4]),
                route('take-out', [$item, 'from' => 1, 'to' => 22, 'by' => $this->tobi->id]),
            ] as $address
        ) {
            $this->get($address)->assertOk();
        }
        $this->get(route('log', [$this->shelf, 'about' => 'rules']))->assertSee('let 14 versions of “Bench rules” go');
        // Nobody gets a number again.
        $this->save($item, $this->tobi, $this->paragraphs('more'));
        self::assertSame(23, $item->refresh()->head);
        self::assertTrue($page->exists());
    }

    public function test_versions_go_while_others_write_between_two_gaps(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Begin');
        foreach (range(3, 9) as $number) {
            $this->save($item, $this->tobi, $this->paragraphs("As of {$number}"));
        }
        $this->app->make(MarkMilestone::class)->handle($this->version($item, 5), $this->ines, 'Held');
        $other = new \PDO('sqlite:'.$this->databasePath());
        DB::listen(function (QueryExecuted $query) use ($other): void {
            // Somebody else's writing, as soon as the first gap is closed.
            if (str_starts_with($query->sql, 'update "items" set "gone"')) {
                DB::afterCommit(fn () => $other->exec('UPDATE users SET remember_token = hex(randomblob(4))'));
            }
        });
        self::assertSame(4, $this->app->make(LetGo::class)->handle($item->refresh(), [3, 4, 6, 7]));
        self::assertSame([1, 2, 5, 8, 9], $item->versions()->orderBy('number')->pluck('number')->all());
        $this->assertVerified();
    }

    public function test_what_was_proposed_at_a_version_that_is_gone_is_looked_at_by_the_nearest_that_is_kept(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'one');
        $line = $this->app->make(OpenLine::class)->handle($item, $this->tobi);
        $this->save(
            $line,
            $this->tobi,
            PartTree::of([...$this->tree($line)->parts, new Part('more', 'paragraph', 0, ['text' => RichText::plain('more')])]),
        );
        foreach (['two', 'three', 'four', 'five'] as $text) {
            $this->save(
                $item,
                $this->ines,
                PartTree::of([
                    ...array_slice($this->tree($item)->parts, 0, 1),
                    new Part('next', 'paragraph', 0, ['text' => RichText::plain($text)]),
                ]),
            );
        }
        self::assertSame(1, $this->app->make(LetGo::class)->handle($item->refresh(), [($gone = $item->head - 2)]));
        $this->actingAs($this->ines)
            ->get(route('proposals', [$item, 'at' => $gone]))
            ->assertRedirect(route('proposals', ['item' => $item, 'at' => $gone - 1]));
    }

    public function test_pictures_go_with_the_versions_that_showed_them_and_no_others_do(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'one', 'two');
        $picture = fn (int $wide): Part => new Part("pic{$wide}", 'picture', 0, [
            'alt' => '',
            ...$this->actingAs($this->ines)
                ->postJson(route('picture.store', $item), ['picture' => UploadedFile::fake()->image('lamp.png', $wide, 4)])
                ->assertOk()
                ->json(),
        ]);
        [$shown, $gone, $again] = array_map($picture, [4, 5, 6]);
        $text = $this->tree($item)->parts;
        $this->save($item, $this->ines, PartTree::of([...$text, $shown, $gone, $again]));
        foreach (['More.', 'And more.', 'At last.'] as $more) {
            $this->save(
                $item,
                $this->ines,
                PartTree::of([...$text, $shown, new Part('more', 'paragraph', 0, ['text' => RichText::plain($more)])]),
            );
        }
        // No window is on those versions any more; in one that is open, a picture is put in and not saved for days, and one that they
        // showed is put in once more.
        Date::setTestNow(Date::now()->addDays(70));
        [$unsaved, $again] = [$picture(7), $picture(6)];
        Date::setTestNow(Date::now()->addDays(3));
        self::assertSame(2, $this->app->make(LetGo::class)->handle($item->refresh(), [2, 3]));
        self::assertEqualsCanonicalizing([4, 6, 7], DB::table('pictures')->where('item_id', $item->id)->pluck('width')->all());
        $this->save($item->refresh(), $this->ines, PartTree::of([...$this->tree($item)->parts, $unsaved, $again]));
        $this->assertVerified();
    }

    public function test_over_a_gap_all_are_named_who_may_have_written_a_word(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Begin');
        $this->save($item, $this->ines, $this->paragraphs('Begin alpha', 'Alone'));
        $this->save($item, $this->tobi, $this->paragraphs('Begin alpha bravo', 'Alone'));
        $this->save($item, $this->ines, $this->paragraphs('Begin alpha bravo charlie', 'Alone'));
        $this->save($item, $this->tobi, $this->paragraphs('Begin alpha bravo charlie', 'Alone tango'));
        foreach (['x', 'y'] as $more) {
            $this->save($item, $this->ines, $this->paragraphs('Begin alpha bravo charlie', 'Alone tango', $more));
        }
        $wrote = function () use ($item): array {
            $told = [];
            foreach (
                (new Authorship(
                    $item->refresh(),
                    $this->version($item, $item->head),
                    $this->tree($item),
                    $this->app->make(States::class),
                ))->spans('p001') as [$span, $who]
            ) {
                $told[] = [trim($span->text->text()), $who?->firstName()];
            }

            return $told;
        };
        self::assertSame([['Begin alpha', 'Ines'], ['bravo', 'Tobi'], ['charlie', 'Ines']], $wrote());
        // 3 goes, with “alpha”; 4 goes, with “bravo”: the next that is kept has both, and “charlie”.
        $this->actingAs($this->ines)
            ->delete(route('versions.delete', $item), ['from' => 3, 'to' => 4])
            ->assertSessionHasErrors('reason');
        $this->actingAs($this->tobi)
            ->delete(route('versions.delete', $item), ['from' => 3, 'to' => 4, 'reason' => 'Names of people'])
            ->assertForbidden();
        $this->actingAs($this->ines)
            ->delete(route('versions.delete', $item), ['from' => 3, 'to' => 4, 'reason' => 'Names of people'])
            ->assertSessionHas('said', '2 versions are deleted.');
        self::assertSame([['Begin', 'Ines'], ['alpha bravo charlie', 'Ines or Tobi']], $wrote());
        $this->get(route('history', [$item, 'from' => 2, 'to' => 5]))->assertOk()->assertSee('Ines Oduya or Tobi Brandt');
        $this->get(route('part', [$item, 'p001']))->assertOk()->assertSee('Ines Oduya or Tobi Brandt');
        // What only one of them touched stays that one’s.
        $this->get(route('part', [$item, 'p002']))->assertSee('Tobi Brandt')->assertDontSee('or Tobi Brandt in');
        $this->get(route('log', [$this->shelf, 'about' => 'rules']))->assertSee(
            'deleted 2 versions of “Bench rules” between 3 and 4: “Names of people”',
        );
        // Their edits are told apart no more, and so are not taken out one without the other.
        $this->get(route('take-out', [$item, 'from' => 1, 'to' => 7, 'by' => $this->tobi->id]))
            ->assertOk()
            ->assertSee('can’t be taken out');
        // The first and what something rests on do not go by hand either.
        $this->delete(route('versions.delete', $item), ['from' => 1, 'to' => 1, 'reason' => 'x'])->assertSessionHas(
            'said',
            'Nothing went: something rests on every one of them.',
        );
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }

    public function test_cells_over_a_gap_are_whose_they_were(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Log', 'first');
        $tree = fn (string $a, string $b): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('colb', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('row1', 'row', 1, array_filter(['cola' => $a, 'colb' => $b])),
        ]);
        foreach ([['a', ''], ['a', 'b'], ['c', 'b'], ['c', 'd'], ['c', 'e']] as $at => [$a, $b]) {
            $this->save($sheet, $at % 2 === 0 ? $this->ines : $this->tobi, $tree($a, $b));
        }
        $this->actingAs($this->ines)->delete(route('versions.delete', $sheet), ['from' => 3, 'to' => 4, 'reason' => 'x']);
        self::assertSame(2, $sheet->refresh()->gone);
        $who = new SheetAuthors($sheet, $this->version($sheet, 5), $this->app->make(States::class));
        self::assertSame(['Ines', 'Tobi'], [$who->of('row1', 'cola')->user?->firstName(), $who->of('row1', 'colb')->user?->firstName()]);
        $this->get(route('cell', [$sheet, 'row1', 'cola']))->assertOk()->assertSee('Ines Oduya');
        $this->get(route('history', [$sheet, 'from' => 1, 'to' => 6, 'view' => 'who']))->assertOk();
    }

    public function test_what_is_kept_as_a_difference_takes_what_it_rests_on_too(): void
    {
        $words = fn (int $at): string => "Paragraph {$at} says what is to be done with the lamp, the lead and the socket, and "
            .sha1((string) $at);
        $item = $this->document($this->shelf, $this->tobi, ...array_map($words, range(1, 40)));
        foreach (range(1, 4) as $turn) {
            $this->save(
                $item,
                $turn % 2 === 0 ? $this->tobi : $this->ines,
                $this->paragraphs("Turn {$turn}", ...array_map($words, range(2, 40))),
            );
        }
        $addresses = array_keys(
            iterator_to_array((new HashTree($this->app->make(ChunkStore::class)))->chunks((string) hex2bin($item->refresh()->root))),
        );
        $marks = implode(',', array_map(fn (int|string $address) => "x'".bin2hex((string) $address)."'", $addresses));
        $rests = (int) DB::select(
            "SELECT sum(length(data)) AS bytes FROM chunks WHERE id IN (WITH RECURSIVE needed (id) AS (SELECT id FROM chunks WHERE address IN ({$marks}) UNION SELECT base FROM chunks JOIN needed USING (id) WHERE base IS NOT NULL) SELECT id FROM needed)",
        )[0]->bytes;
        self::assertNotSame([], DB::select("SELECT 1 FROM chunks WHERE base IS NOT NULL AND address IN ({$marks})"));
        $takes = $this->app->make(Space::class)->of($item);
        self::assertSame($rests, $takes['newest']);
        self::assertLessThanOrEqual((int) DB::table('chunks')->sum(DB::raw('length(data)')), array_sum($takes));
    }

    public function test_the_oldest_go_where_a_history_takes_more_bytes_than_it_may(): void
    {
        Date::setTestNow('2026-03-02 09:00:00');
        $item = $this->document($this->shelf, $this->ines, 'One');
        mt_srand(5);
        for ($at = 0; $at < 60; $at++) {
            Date::setTestNow(Date::now()->addMinutes(5));
            $this->save(
                $item,
                $this->ines,
                $this->paragraphs('Version '.$at, bin2hex(implode('', array_map(fn () => chr(mt_rand(0, 255)), range(1, 4000))))),
            );
        }
        $this->app->make(MarkMilestone::class)->handle(
            Version::query()
                ->where(['item_id' => $item->id, 'number' => 5])
                ->firstOrFail(),
            $this->ines,
            'Kept in any case',
        );
        $this->actingAs($this->ines)
            ->post(route('keeping.say', $item), ['leave' => 60, 'bytes' => 123, 'do' => 'keep'])
            ->assertSessionHasErrors('bytes');
        $this->post(route('keeping.say', $item), ['leave' => 60, 'bytes' => 100_000, 'do' => 'keep'])->assertSessionHasNoErrors();
        $rules = WhatIsKept::item($item);
        self::assertSame(
            'Leave a version behind after a minute of somebody’s writing. Keep everything for ever. Keep them in 100 KB at most.',
            $rules->said(),
        );
        $this->get(route('keeping', $item))->assertOk()->assertSee('100 KB at most');
        $rehearsed = new Rehearsed($item, $rules);
        // What stays is the youngest, and what is exempt however old.
        self::assertGreaterThan(20, count($rehearsed->go));
        $young = array_values(array_diff(array_keys($rehearsed->stay), [1, 5]));
        self::assertSame(range($item->refresh()->head - count($young) + 1, $item->head), $young);
        $bytes = fn (): int => (int) DB::table('chunks')->sum(DB::raw('length(data)'));
        $freed = $this->app->make(FreedBytes::class)->of($rehearsed->ids());
        $before = $bytes();
        self::assertSame(count($rehearsed->go), (new KeepByRules($this->app->make(LetGo::class)))->handle($item, $this->ines));
        Date::setTestNow(Date::now()->addDays(90));
        Artisan::call('attic:tidy', ['--at-once' => true]);
        self::assertEqualsWithDelta($freed, $before - $bytes(), 0.05 * $freed);
        self::assertLessThanOrEqual(100_000 + 8_500, $bytes());
        // One more would not have fitted, and nothing else goes by saying it again.
        self::assertGreaterThan(100_000 - 8_500, $bytes());
        self::assertSame([], (new Rehearsed($item, $rules))->go);
    }

    public function test_a_history_of_small_changes_fits_into_its_bytes_and_thinned_twice_takes_less_each_time(): void
    {
        $words = fn (): string => implode(
            ' ',
            array_map(
                fn () => ['lamp', 'lead', 'socket', 'board', 'tester', 'owner', 'fuse', 'solder'][mt_rand(0, 7)].mt_rand(0, 999),
                range(1, 100),
            ),
        );
        mt_srand(7);
        $texts = array_map($words, range(1, 60));
        $item = $this->document($this->shelf, $this->ines, ...$texts);
        for ($at = 0; $at < 200; $at++) {
            Date::setTestNow(Date::now()->addMinutes(5));
            $texts[mt_rand(0, 59)] = $words();
            $this->save($item, $this->ines, $this->paragraphs(...$texts));
        }
        $thin = function (Item $item, Rehearsed $rehearsed): void {
            $freed = $this->app->make(FreedBytes::class)->of($rehearsed->ids());
            $before = $this->bytes();
            $this->app->make(LetGo::class)->handle($item, $rehearsed->go);
            Date::setTestNow(Date::now()->addDays(90));
            Artisan::call('attic:tidy', ['--at-once' => true]);
            self::assertGreaterThan(0, $freed);
            self::assertEqualsWithDelta($freed, $before - $this->bytes(), 0.05 * $freed);
        };
        // What lies between goes, and what is left is no further from each other than it was.
        foreach ([3, 2] as $each) {
            $kept = $item->refresh()->versions()->orderBy('number')->pluck('number')->all();
            $chosen = array_values(
                array_filter($kept, fn (int $at): bool => $at % $each !== 0 && $at < count($kept) - 2, ARRAY_FILTER_USE_KEY),
            );
            $rehearsed = new Rehearsed($item, WhatIsKept::item($item), $chosen);
            self::assertCount(count($chosen), $rehearsed->go);
            $thin($item, $rehearsed);
        }
        self::assertGreaterThan(100_000, $this->bytes());
        $this->actingAs($this->ines)
            ->post(route('keeping.say', $item), ['leave' => 60, 'bytes' => 100_000, 'do' => 'keep'])
            ->assertSessionHasNoErrors();
        $thin($item, new Rehearsed($item->refresh(), WhatIsKept::item($item)));
        self::assertLessThanOrEqual(100_000, $this->bytes());
        self::assertGreaterThan(60_000, $this->bytes());
        self::assertSame([], (new Rehearsed($item->refresh(), WhatIsKept::item($item)))->go);
    }

    public function test_words_that_were_split_off_are_said_to_be_whoever_s_may_have_written_them(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'The kettle stands in the back room', 'A lamp');
        $this->save(
            $item,
            $this->tobi,
            $this->paragraphs('The kettle stands in the back room, and whoever boils it last fills it for those who come after', 'A lamp'),
        );
        $this->save(
            $item,
            $this->ines,
            $this->paragraphs(
                'The kettle stands in the back room, and',
                'A lamp',
                'whoever boils it last fills it for those who come after',
            ),
        );
        $this->save(
            $item,
            $this->ines,
            $this->paragraphs(
                'The kettle stands in the back room, and',
                'A lamp!',
                'whoever boils it last fills it for those who come after',
            ),
        );
        $who = fn (): string => (string) $this->get(route('history', [$item, 'from' => 2, 'to' => 5, 'view' => 'who']))
            ->assertOk()
            ->getContent();
        $this->actingAs($this->ines);
        self::assertMatchesRegularExpression('/title="[^"]*by Tobi[^"]*"[^>]*>whoever boils/', $who());
        $this->delete(route('versions.delete', $item), ['from' => 3, 'to' => 3, 'reason' => 'Small'])->assertSessionHasNoErrors();
        self::assertSame(1, $item->refresh()->gone);
        self::assertMatchesRegularExpression('/title="[^"]*(Tobi Brandt or Ines|Ines Oduya or Tobi)[^"]*"[^>]*>whoever boils/', $who());
    }

    public function test_what_is_found_where_versions_are_gone_is_what_stands_in_those_that_are_kept(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'The kettle', 'The lamp');
        foreach (
            [
                ['A toaster', 'The lamp'],
                ['The kettle', 'A lead'],
                ['The kettle', 'The lamp'],
                ['A toaster', 'A lead'],
                ['The kettle'],
                ['The kettle', 'A fuse'],
            ] as $texts
        ) {
            $this->save($item, $this->ines, $this->paragraphs(...$texts));
        }
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Sums');
        $rows = fn (int $count): PartTree => PartTree::of([
            new Part('tab1', 'tab', 0, ['name' => 'June', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            ...array_map(fn (int $at): Part => new Part("row{$at}", 'row', 1, ['cola' => $at]), range(1, $count)),
            new Part('rsum', 'row', 1, ['cola' => ['=', 'SUM([row1.cola]:[row2.cola])']]),
            new Part('rall', 'row', 1, $count > 3 ? ['cola' => ['=', 'SUM([row1.cola]:[rsum.cola])']] : []),
        ]);
        foreach ([2, 4, 6, 7, 8] as $count) {
            $this->save($sheet, $this->ines, $rows($count));
        }
        $found = fn (Item $item): array => array_map(
            fn (Life $life): string => (string) json_encode($life),
            iterator_to_array((new LifeBlocks($item))->lives(), false),
        );
        foreach ([[$item, 3, 4], [$item, 5, 7], [$sheet, 3, 4]] as [$of, $from, $to]) {
            $this->actingAs($this->ines)->delete(route('versions.delete', $of), ['from' => $from, 'to' => $to, 'reason' => 'Small']);
            $as = $found($of);
            Artisan::call('attic:lives', ['--item' => $of->key]);
            self::assertEqualsCanonicalizing($found($of), $as);
            self::assertGreaterThan(0, $of->refresh()->gone);
        }
    }

    public function test_words_that_were_carried_from_the_version_before_hold_it_in_no_gap(): void
    {
        $words = array_map(fn (int $at): string => "word{$at}", range(1, 100));
        $item = $this->document($this->shelf, $this->ines, implode(' ', $words));
        foreach (range(1, 9) as $at) {
            // One more paragraph is split off each time.
            $pieces = [
                ...array_map(
                    fn (array $of): string => implode(' ', $of),
                    array_reverse(array_chunk(array_reverse(array_slice(array_reverse($words), 0, 10 * $at)), 10)),
                ),
            ];
            $this->save($item, $this->ines, $this->paragraphs(implode(' ', array_slice($words, 0, 100 - 10 * $at)), ...$pieces));
        }
        $this->actingAs($this->ines)->delete(route('versions.delete', $item), ['from' => 4, 'to' => 6, 'reason' => 'Small']);
        self::assertSame(
            [3],
            DB::table('carried')
                ->where(['item_id' => $item->id, 'number' => 7])
                ->distinct()
                ->pluck('source_number')
                ->all(),
        );
        $this->delete(route('versions.delete', $item), ['from' => 3, 'to' => 7, 'reason' => 'Small'])->assertSessionHasNoErrors();
        self::assertSame([1, 2, 8, 9, 10, 11], $item->versions()->orderBy('number')->pluck('number')->all());
        self::assertSame('Ines Oduya', $this->version($item, 8)->user->name);
        $this->get(route('history', [$item, 'from' => 2, 'to' => 11, 'view' => 'who']))->assertOk();
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }

    public function test_by_night_rules_are_kept_and_lost_things_go_when_their_shelf_says_so(): void
    {
        $item = $this->long(12);
        $lost = $this->document($this->shelf, $this->tobi, 'Old');
        $this->actingAs($this->ines)->delete(route('item.destroy', $lost));
        $this->put(route('shelf.update', $this->shelf), ['name' => 'Office', 'lost_days' => 10]);
        $this->post(route('keeping.shelf.say', $this->shelf), ['leave' => 60, 'every' => 7, 'do' => 'keep']);
        Artisan::call('attic:keep');
        self::assertSame([0, true], [$item->refresh()->gone, $lost->exists()]);
        Date::setTestNow(Date::now()->addDays(11));
        Artisan::call('attic:keep');
        self::assertSame([9, null], [$item->refresh()->gone, Item::query()->find($lost->id)]);
        $this->get(route('log', $this->shelf))->assertSee('went for good')->assertSee('The place');
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }

    /** A document of so many versions by one person. */
    private function long(int $versions): Item
    {
        $item = $this->document($this->shelf, $this->tobi, 'Line 2');
        for ($number = 3; $number <= $versions; $number++) {
            $this->save($item, $this->tobi, $this->paragraphs("Line {$number} ".hash('sha256', "line {$number}")));
        }

        return $item->refresh();
    }

    private function version(Item $item, int $number): Version
    {
        return $item->versions()->where('number', $number)->firstOrFail()->setRelation('item', $item);
    }

    /** @phpstan-impure */
    private function newestOf(Item $item): int
    {
        return $item->refresh()->head;
    }

    private function bytes(): int
    {
        return (int) DB::table('chunks')->sum(DB::raw('length(data)'));
    }
}
