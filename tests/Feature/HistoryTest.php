<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Store\Chunks\SqliteChunkStore;
use App\Store\States;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Store\ChunkStore;

final class HistoryTest extends FeatureCase
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
        $this->item = $this->document(
            $this->shelf,
            $this->ines,
            'Walk the room together.',
            'Check the plug and lead first.',
            'Sign the log.',
        );
        $this->save(
            $this->item,
            $this->tobi,
            $this->paragraphs('Walk the whole room together.', 'Check the plug and lead first.', 'Sign the log.'),
        );
        $this->save(
            $this->item,
            $this->ines,
            $this->paragraphs('Walk the whole room together, twice.', 'Check the plug and lead first.', 'Sign the log.'),
        );
        $this->save(
            $this->item,
            $this->tobi,
            PartTree::of([
                ...$this->tree($this->item)->parts,
                new Part('p009', 'paragraph', 0, ['text' => RichText::plain('Ring the bell.')]),
            ]),
        );
        $tree = $this->tree($this->item);
        $this->save($this->item, $this->tobi, PartTree::of([$tree->parts[2], $tree->parts[0], $tree->parts[3]]));
        $this->actingAs($this->ines);
    }

    public function test_the_list_says_what_changed_with_who_and_in_which_version(): void
    {
        $page = $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6]))->assertOk();
        $page
            ->assertSee('4 changes')
            ->assertSee('Removed “Check the plug and lead first”')
            ->assertSee('Moved “Sign the log” up')
            ->assertSee('Added “Ring the bell”');
        $page->assertSeeInOrder(['Added 2 words in', 'Tobi', 'Ines', 'in 3 and 4']);
    }

    public function test_each_word_is_told_by_who_wrote_it(): void
    {
        $html = (string) $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6]))->getContent();
        self::assertMatchesRegularExpression('~<ins class="by-2" title="added by Tobi Brandt">whole </ins>~', $html);
        self::assertMatchesRegularExpression('~<ins class="by-1" title="added by Ines Oduya">, twice</ins>~', $html);
    }

    /** The words of a history page as pieces, each with the colour of who wrote it. */
    private function written(int $to, string $more = ''): string
    {
        $html = (string) $this->get(route('history', [$this->item, 'from' => 2, 'to' => $to, 'view' => 'who']).$more)
            ->assertOk()
            ->getContent();
        preg_match_all('~<span class="written by-(\d)( is-quiet)?"([^>]*)>([^<]*)</span>~', $html, $pieces, PREG_SET_ORDER);
        self::assertNotSame([], $pieces);

        return implode('|', array_map(fn (array $piece) => "{$piece[1]}{$piece[2]}:{$piece[4]}", $pieces));
    }

    public function test_a_state_is_told_by_who_wrote_each_word_last(): void
    {
        self::assertSame('1:Walk the |2:whole |1:room together.|1:Check the plug and lead first.|1:Sign the log.', $this->written(3));
        self::assertSame('1:Sign the log.|1:Walk the |2:whole |1:room together, twice.|2:Ring the bell.', $this->written(6));
        self::assertStringContainsString('1 is-quiet:Walk the |2:whole ', $this->written(6, "&by={$this->tobi->id}"));
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6, 'view' => 'who']))
            ->assertSeeInOrder(['Version 6, by who wrote each word last', 'Ines', '8 words', 'Tobi', '4 words'])
            ->assertSee('written by Tobi Brandt');
    }

    public function test_who_brings_something_back_has_not_written_it(): void
    {
        $this->actingAs($this->tobi)->post(route('restore.store', [$this->item, 2]), ['seen' => 6])->assertSessionHasNoErrors();
        self::assertSame('1:Walk the room together.|1:Check the plug and lead first.|1:Sign the log.', $this->written(7));
        $this->post(route('restore.undo', [$this->item, 7]))->assertSessionHasNoErrors();
        self::assertSame('1:Sign the log.|1:Walk the |2:whole |1:room together, twice.|2:Ring the bell.', $this->written(8));
    }

    public function test_a_place_that_comes_back_takes_no_words_from_who_wrote_them(): void
    {
        $tree = $this->tree($this->item);
        $this->save(
            $this->item,
            $this->tobi,
            PartTree::of([$tree->parts[0]->with('text', RichText::plain('Sign the log twice.')), ...array_slice($tree->parts, 1)]),
        );
        $plan = (string) $this->get(route('restore', [$this->item, 2]))->getContent();
        preg_match_all('~value="(\d+)" form="restore".*?plan-what">([^<]*)~s', $plan, $lines, PREG_SET_ORDER);
        $moved = array_values(array_filter($lines, fn (array $line) => str_contains($line[2], 'Where')));
        self::assertCount(1, $moved);
        $this->post(route('restore.store', [$this->item, 2]), [
            'seen' => 7,
            'lines' => count($lines),
            'pick' => [(int) $moved[0][1]],
        ])->assertSessionHasNoErrors();
        self::assertSame('1:Walk the |2:whole |1:room together, twice.|1:Sign the log|2: twice.|2:Ring the bell.', $this->written(8));
    }

    public function test_an_editor_can_be_shown_alone(): void
    {
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6, 'by' => (string) $this->ines->id]))
            ->assertSee('Added 2 words')
            ->assertDontSee('Moved “Sign the log” up');
    }

    public function test_as_it_was_says_that_it_is_not_the_present_state(): void
    {
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6, 'view' => 'was']))
            ->assertSee('Not the present state')
            ->assertSee('Check the plug')
            ->assertDontSee('Ring the bell.');
        $this->get(route('history', [$this->item, 'from' => 6, 'to' => 6, 'view' => 'was']))
            ->assertSee('the newest version')
            ->assertDontSee('Not the present state');
    }

    public function test_a_change_leads_to_where_it_is_seen(): void
    {
        $leads = function (array $how): array {
            $page = (string) $this->get(route('history', [$this->item, 'from' => 2, 'to' => $this->item->refresh()->head, ...$how]))->assertOk()->getContent();
            preg_match_all('/<a class="entry [^>]*href="([^"]*)#part-(\w+)"/', $page, $found);
            $leads = array_map(fn (string $address): string => explode('?', $address)[0], array_combine($found[2], $found[1]));
            ksort($leads);

            return $leads;
        };
        $changed = route('history', $this->item);
        // A line came, one went, and one was edited.
        self::assertSame(['p001' => '', 'p002' => '', 'p003' => '', 'p009' => ''], $leads([]));
        self::assertSame(['p001' => '', 'p002' => '', 'p003' => '', 'p009' => $changed], $leads(['view' => 'was']));
        self::assertSame(['p001' => '', 'p002' => $changed, 'p003' => '', 'p009' => ''], $leads(['view' => 'who']));
        self::assertSame([$changed], array_values(array_unique($leads(['layout' => 'source']))));
    }

    public function test_side_by_side_has_the_removed_on_the_left_and_the_added_on_the_right(): void
    {
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 6, 'layout' => 'side']))
            ->assertOk()
            ->assertSeeInOrder(['Earlier: 2', 'Later: 6', 'Check the plug']);
    }

    public function test_the_ends_are_put_in_order_and_strange_ones_get_a_clear_answer(): void
    {
        $this->get(route('history', [$this->item, 'from' => 6, 'to' => 2]))->assertSee('between 2 and 6');
        $this->get(route('history', [$this->item, 'from' => 2, 'to' => 99]))
            ->assertNotFound()
            ->assertSee('There is no version 99 of “Bench rules”. Its newest is 6.');
        DB::table('versions')
            ->where(['item_id' => $this->item->id, 'number' => 3])
            ->delete();
        $this->get(route('history', [$this->item, 'from' => 3, 'to' => 6]))
            ->assertRedirect(route('history', [$this->item, 'from' => 2, 'to' => 6]))
            ->assertSessionHas('said', '3 is no longer kept. This is 2, the nearest that is.');
        $this->get(route('restore', [$this->item, 3]))->assertRedirect(route('restore', [$this->item, 2]));
        $this->post(route('restore.store', [$this->item, 3]), ['seen' => 6])->assertStatus(410);
        $this->getJson(route('history', [$this->item, 'from' => 'x']))->assertStatus(422);
    }

    public function test_a_milestone_is_marked_renamed_and_taken_off_and_the_version_stays(): void
    {
        $this->put(route('milestone.mark', [$this->item, 3]), ['name' => ' Agreed '])->assertRedirect();
        $this->put(route('milestone.mark', [$this->item, 3]), ['name' => 'Agreed in spring']);
        self::assertSame(['Agreed in spring'], Milestone::query()->pluck('name')->all());
        $this->get(route('shelf', $this->shelf))->assertSee('Agreed in spring');
        $this->get(route('list', [$this->item, 'only' => 'milestones']))
            ->assertSee('Agreed in spring')
            ->assertDontSee('Added “Ring the bell”');
        $this->get(route('ribbon', $this->item))->assertJson(['milestones' => [[3, 'Agreed in spring']]]);
        $this->put(route('milestone.mark', [$this->item, 3]), ['name' => str_repeat('x', 5000)])->assertSessionHasErrors('name');
        $this->delete(route('milestone.remove', [$this->item, 3]))->assertRedirect();
        self::assertSame(0, Milestone::query()->count());
        self::assertSame(6, Version::query()->where('item_id', $this->item->id)->count());
    }

    public function test_the_plan_says_what_comes_back_goes_away_and_stays(): void
    {
        $this->get(route('restore', [$this->item, 2]))->assertOk()->assertSeeInOrder([
            'Comes back', '“Check the plug and lead first”', 'removed by Tobi in 6',
            'Goes away', 'The later wording', 'added by Tobi in 5',
            'Stays as it is', 'All 6 versions',
        ]);
    }

    public function test_restoring_adds_a_version_with_the_same_hash_and_can_be_taken_back(): void
    {
        $before = $this->item->refresh()->root;
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6])->assertRedirect(
            route('history', ['item' => $this->item, 'from' => 6, 'to' => 7]),
        );
        $restored = Version::query()->where('number', 7)->firstOrFail();
        self::assertSame(Version::query()->where(['item_id' => $this->item->id, 'number' => 2])->value('root'), $restored->root);
        self::assertSame([Cause::Restored, 2], [$restored->cause, $restored->source]);
        $this->get(route('history', [$this->item, 'from' => 6, 'to' => 7]))->assertSee('Take it back');
        $this->get(route('list', $this->item))->assertSee('Restored 2');
        $this->post(route('restore.undo', [$this->item, 7]))->assertRedirect();
        self::assertSame([$before, 8], [$this->item->refresh()->root, $this->item->head]);
        $this->post(route('restore.undo', [$this->item, 7]))->assertSessionHasErrors('seen');
        $this->assertVerified();
    }

    public function test_a_plan_that_is_out_of_date_restores_nothing(): void
    {
        $this->save($this->item, $this->tobi, $this->paragraphs('Something else.'));
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6])
            ->assertRedirect(route('restore', [$this->item, 2]))
            ->assertSessionHasErrors('seen');
        self::assertSame(['Something else.'], $this->texts($this->item));
    }

    public function test_a_copy_stands_on_its_own_and_says_where_it_came_from(): void
    {
        $other = $this->shelf('Open days', [[$this->ines, Role::Owner]]);
        $this->get(route('copy', [$this->item, 2]))->assertSee('Open days');
        $this->post(route('copy.store', [$this->item, 2]), ['title' => 'Old rules', 'shelf' => $other->key])->assertRedirect();
        $copy = Item::query()->where('title', 'Old rules')->firstOrFail();
        self::assertSame(['Walk the room together.', 'Check the plug and lead first.', 'Sign the log.'], $this->texts($copy));
        $this->get(route('item', $copy))->assertSee('copied out from')->assertSee('2 of “Bench rules”');
        $this->post(route('copy.store', [$this->item, 2]), ['title' => 'x', 'shelf' => 'nowhere'])->assertNotFound();
        $this->actingAs($this->tobi)
            ->post(route('copy.store', [$this->item, 2]), ['title' => 'x', 'shelf' => $other->key])
            ->assertNotFound();
        $this->assertVerified();
    }

    public function test_any_version_is_downloaded_as_html_markdown_and_text(): void
    {
        $this->save(
            $this->item,
            $this->ines,
            PartTree::of([new Part('pabc', 'paragraph', 0, ['text' => new RichText([new Run('<b>'), new Run('loud', ['bold' => true])])])]),
        );
        $this->get(route('download', [$this->item, 7, 'html']))
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="bench-rules-7.html"')
            ->assertSee('<p>&lt;b&gt;<strong>loud</strong></p>', false);
        $this->get(route('download', [$this->item, 7, 'md']))->assertSee('\\<b\\>**loud**', false);
        $this->get(route('download', [$this->item, 2, 'txt']))->assertSee("Walk the room together.\n\nCheck the plug");
        foreach (['odt', 'docx'] as $ending) {
            $bytes = (string) $this->get(route('download', [$this->item, 7, $ending]))->assertOk()->getContent();
            $back = FileFormat::from($ending)->reader()->read($bytes, new FormatLimits)->tree;
            self::assertSame('<b>loud', $back->parts[count($back->parts) - 1]->richText()->text());
        }
        $this->get(route('download', [$this->item, 2, 'exe']))->assertNotFound();
    }

    public function test_a_picture_is_checked_by_its_content_and_kept_with_the_item(): void
    {
        $image = imagecreatetruecolor(3, 2);
        ob_start();
        imagepng($image ?: self::fail('no image'));
        $png = (string) ob_get_clean();
        $kept = $this->post(
            route('picture.store', $this->item),
            ['picture' => UploadedFile::fake()->createWithContent('photo.txt', $png)],
            ['Accept' => 'application/json'],
        )
            ->assertOk()
            ->assertJson(['width' => 3, 'height' => 2])
            ->json();
        $this->get(route('picture', [$this->item, $kept['chunk']]))->assertOk()->assertHeader('Content-Type', 'image/png');
        $fake = UploadedFile::fake()->createWithContent('photo.png', '<svg onload="alert(1)">');
        $this->post(route('picture.store', $this->item), ['picture' => $fake], ['Accept' => 'application/json'])
            ->assertStatus(422)
            ->assertJsonPath('message', __('item.picture_not'));
        $big = UploadedFile::fake()->createWithContent('photo.png', $png.str_repeat('x', 10 * 1024 * 1024));
        $this->post(route('picture.store', $this->item), ['picture' => $big], ['Accept' => 'application/json'])->assertStatus(413);
        $this->save(
            $this->item,
            $this->ines,
            PartTree::of([new Part('pabc', 'picture', 0, ['chunk' => $kept['chunk'], 'alt' => 'A bench', 'width' => 3, 'height' => 2])]),
        );
        $this->get(route('download', [$this->item, 7, 'html']))->assertSee('data:image/png;base64', false);
        $this->get(route('history', [$this->item, 'from' => 6, 'to' => 7]))->assertSee('Added the picture “A bench”');
        $this->post(route('copy.store', [$this->item, 7]), ['title' => 'With picture', 'shelf' => $this->shelf->key]);
        $copy = Item::query()->where('title', 'With picture')->firstOrFail();
        $this->get(route('picture', [$copy, $kept['chunk']]))->assertOk();
        $this->assertVerified();
    }

    public function test_titles_have_bounds(): void
    {
        $this->putJson(route('item.rename', $this->item), ['title' => str_repeat('x', 5000)])
            ->assertStatus(422)
            ->assertJsonValidationErrors('title');
        $this->putJson(route('item.rename', $this->item), ['title' => ' Rules of the bench '])
            ->assertOk()
            ->assertJson(['title' => 'Rules of the bench']);
        $this->post(route('shelf.make', $this->shelf), ['title' => ''])->assertRedirect();
        self::assertTrue(Item::query()->where('title', 'A document without a name')->exists());
    }

    public function test_what_it_is_called_is_kept_compared_and_restored(): void
    {
        $head = $this->item->refresh()->head;
        $was = $this->item->title;
        Date::setTestNow(Date::now()->addMinutes(5));
        $this->actingAs($this->tobi)->putJson(route('item.rename', $this->item), ['title' => 'Rules of the bench'])->assertOk();
        $this->putJson(route('item.rename', $this->item), ['title' => 'Rules of the bench'])->assertOk();
        self::assertSame($head + 1, $this->item->refresh()->head);
        $said = "Called it “Rules of the bench” instead of “{$was}”";
        $this->get(route('list', $this->item))->assertSeeText($said);
        $this->get(route('history', [$this->item, 'from' => $head, 'to' => $head + 1]))
            ->assertOk()
            ->assertSeeText($said)
            ->assertSeeTextInOrder([$said, 'Tobi']);
        // Where nothing else differs, it can be restored as well.
        $this->actingAs($this->ines)->get(route('restore', [$this->item, $head]))->assertSee('id="restore"', false);
        // Ticked alone, it comes back alone; with all of it, too.
        Date::setTestNow(Date::now()->addMinutes(5));
        $this->save($this->item, $this->ines, $this->paragraphs('Something else.'));
        $this->actingAs($this->ines)
            ->get(route('restore', [$this->item, $head]))
            ->assertOk()
            ->assertSeeText("The title “{$was}”");
        $this->post(route('restore.store', [$this->item, $head]), [
            'seen' => $head + 2,
            'lines' => 9,
            'pick' => [0],
        ])->assertSessionHasNoErrors();
        self::assertSame(
            [$head + 3, $was, 'Something else.'],
            [$this->item->refresh()->head, $this->item->title, $this->tree($this->item)->parts[0]->richText()->text()],
        );
        $this->post(route('restore.undo', [$this->item, $head + 3]))->assertSessionHasNoErrors();
        self::assertSame('Rules of the bench', $this->item->refresh()->title);
        $this->post(route('restore.store', [$this->item, $head]), ['seen' => $this->item->head])->assertSessionHasNoErrors();
        self::assertSame($was, $this->item->refresh()->title);
        // From a restore, another state can be restored at once.
        $this->get(route('history', [$this->item, 'from' => $head + 1, 'to' => $this->item->head]))
            ->assertSee('Take it back')
            ->assertSee('Restore '.($head + 1).'…');
        $this->assertVerified();
    }

    public function test_opening_costs_the_same_whatever_the_number_of_versions(): void
    {
        $costs = [];
        foreach ([20, 200] as $versions) {
            while ($this->item->refresh()->head < $versions) {
                $this->save(
                    $this->item,
                    $this->item->head % 2 === 0 ? $this->ines : $this->tobi,
                    $this->paragraphs('Walk '.$this->item->head.' times.', 'Sign the log.'),
                );
            }
            $head = $this->item->head;
            foreach (
                [
                    'shelf' => route('shelf', $this->shelf),
                    'item' => route('item', $this->item),
                    'history' => route('history', [$this->item, 'from' => $head - 6, 'to' => $head]),
                    'ribbon' => route('ribbon', $this->item),
                    'live' => route('live', [$this->item, 'client' => 'w']),
                ] as $name => $url
            ) {
                $costs[$name][] = $this->cost($url);
            }
        }
        foreach ($costs as $name => [$few, $many]) {
            self::assertSame($few, $many, "{$name}: queries and chunks");
            self::assertGreaterThan(0, $many[0], "{$name}: nothing was counted");
        }
    }

    /** @return array{int, int} queries and chunks read */
    private function cost(string $url): array
    {
        $this->app->forgetScopedInstances();
        $queries = 0;
        DB::listen(function () use (&$queries): void {
            $queries++;
        });
        $this->get($url)->assertOk();
        $this->app['events']->forget(QueryExecuted::class);
        $store = $this->app->make(ChunkStore::class);
        self::assertInstanceOf(SqliteChunkStore::class, $store);

        return [$queries, $store->reads];
    }

    public function test_some_lines_of_the_plan_are_brought_back_and_the_rest_stays(): void
    {
        $plan = (string) $this->get(route('restore', [$this->item, 2]))->assertOk()->getContent();
        preg_match_all('~value="(\d+)" form="restore".*?plan-what">([^<]*)~s', $plan, $lines, PREG_SET_ORDER);
        $at = array_column($lines, 1, 2);
        $removed = (int) array_values(array_filter($lines, fn (array $line) => str_contains($line[2], 'Check the plug')))[0][1];
        self::assertCount(4, $at);
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6, 'lines' => 4, 'pick' => [$removed]])->assertRedirect();
        $item = $this->item->refresh();
        self::assertSame(
            ['Sign the log.', 'Walk the whole room together, twice.', 'Check the plug and lead first.', 'Ring the bell.'],
            array_map(fn (Part $part) => $part->richText()->text(), $this->tree($item)->parts),
        );
        $version = Version::query()
            ->where(['item_id' => $item->id, 'number' => 7])
            ->firstOrFail();
        self::assertSame([Cause::BroughtBack, 2], [$version->cause, $version->source]);
        $this->get(route('list', $item))->assertSee('From 2: added “Check the plug and lead first”');
        $this->get(route('history', ['item' => $item, 'from' => 6, 'to' => 7]))->assertSee('Take it back');
        $this->post(route('restore.undo', [$item, 7]))->assertRedirect();
        self::assertSame(
            ['Sign the log.', 'Walk the whole room together, twice.', 'Ring the bell.'],
            array_map(fn (Part $part) => $part->richText()->text(), $this->tree($item->refresh())->parts),
        );
    }

    public function test_a_plan_with_every_line_ticked_is_a_restore_and_one_with_none_is_refused(): void
    {
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6, 'lines' => 4])->assertSessionHasErrors('pick');
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 6, 'lines' => 4, 'pick' => ['x']])->assertSessionHasErrors(
            'pick.0',
        );
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 5, 'lines' => 4, 'pick' => [0]])->assertSessionHasErrors('seen');
        self::assertSame(6, Item::query()->findOrFail($this->item->id)->head);
        $this->post(route('restore.store', [$this->item, 2]), [
            'seen' => 6,
            'lines' => 4,
            'pick' => [0, 1, 2, 3],
        ])->assertSessionHasNoErrors();
        self::assertSame(
            Cause::Restored,
            Version::query()
                ->where(['item_id' => $this->item->id, 'number' => 7])
                ->firstOrFail()->cause,
        );
        // A line that there is not picks nothing, and so changes nothing.
        $this->post(route('restore.store', [$this->item, 3]), ['seen' => 7, 'lines' => 9, 'pick' => [99]])->assertSessionHasErrors('seen');
    }

    public function test_a_part_has_its_own_history_and_comes_back_alone(): void
    {
        $walk = $this->tree($this->item)->parts[1]->id;
        $page = $this->get(route('part', [$this->item, $walk]))->assertOk()->assertDontSee('class="written', false);
        $page
            ->assertSee('“Walk the whole room together, twice”')
            ->assertSee('3 versions changed it')
            ->assertSeeInOrder([
                'Added one word in',
                'Ines Oduya in',
                'as it is now',
                'Added one word in',
                'Tobi Brandt in',
                'Bring this back',
            ]);
        $this->post(route('part.restore', [$this->item, $walk, 3]), ['seen' => 6])->assertRedirect(
            route('history', ['item' => $this->item, 'from' => 6, 'to' => 7]),
        );
        self::assertSame(
            ['Sign the log.', 'Walk the whole room together.', 'Ring the bell.'],
            array_map(fn (Part $part) => $part->richText()->text(), $this->tree($this->item->refresh())->parts),
        );
        $this->post(route('part.restore', [$this->item, $walk, 3]), ['seen' => 7])->assertSessionHasErrors('seen');
        $this->post(route('part.restore', [$this->item, $walk, 4]), ['seen' => 6])->assertSessionHasErrors('seen');
    }

    public function test_a_part_that_is_gone_comes_back_to_its_place(): void
    {
        $gone = $this->app->make(States::class)->tree(
            (string) Version::query()
                ->where(['item_id' => $this->item->id, 'number' => 2])
                ->value('root'),
        )->parts[1]->id;
        $this->get(route('part', [$this->item, $gone]))
            ->assertOk()
            ->assertSee('“Check the plug and lead first”')
            ->assertSeeInOrder(['Removed', 'gone now', 'Added']);
        $this->post(route('part.restore', [$this->item, $gone, 2]), ['seen' => 6])->assertRedirect();
        self::assertSame(
            ['Sign the log.', 'Walk the whole room together, twice.', 'Check the plug and lead first.', 'Ring the bell.'],
            array_map(fn (Part $part) => $part->richText()->text(), $this->tree($this->item->refresh())->parts),
        );
    }

    public function test_a_part_that_never_was_is_not_found_and_only_who_may_restore_brings_back(): void
    {
        $this->get(route('part', [$this->item, 'nothing']))->assertNotFound();
        $this->post(route('part.restore', [$this->item, 'nothing', 2]), ['seen' => 6])->assertNotFound();
        $part = $this->tree($this->item)->parts[0]->id;
        $this->shelf->update(['editors_restore' => false]);
        $this->actingAs($this->tobi)->get(route('part', [$this->item, $part]))->assertOk()->assertDontSee('Bring this back');
        $this->post(route('part.restore', [$this->item, $part, 2]), ['seen' => 6])->assertForbidden();
        $this->actingAs($this->person('Someone Else'))->get(route('part', [$this->item, $part]))->assertNotFound();
        $this->post(route('part.restore', [$this->item, $part, 2]), ['seen' => 6])->assertNotFound();
        self::assertSame(6, $this->item->refresh()->head);
    }

    public function test_much_gone_at_once_is_said_on_the_ribbon_and_in_the_list(): void
    {
        $long = array_map(fn (int $at) => "Sentence number {$at} of a text that is long enough to lose much of it at once.", range(1, 20));
        $this->save($this->item, $this->ines, $this->paragraphs(...$long));
        $this->save($this->item, $this->tobi, $this->paragraphs(...array_slice($long, 0, 5)));
        self::assertNull(Version::query()->where(['item_id' => $this->item->id, 'number' => 7])->firstOrFail()->unusual);
        $this->get(route('list', $this->item))->assertSee('255 of 340 words were deleted at once');
        $this->get(route('ribbon', $this->item))->assertJsonPath('unusual', [[8, '255 of 340 words were deleted at once']]);
    }

    public function test_one_persons_edits_are_taken_out_and_later_work_stays(): void
    {
        // What an item was made with is nobody's edit: from the very beginning as from the first version.
        $take = $this->app->make(TakeOutEdits::class);
        $first = Version::query()->where(['item_id' => $this->item->id, 'number' => 1])->firstOrFail();
        self::assertSame([Cause::Made, $this->ines->id], [$first->cause, $first->user_id]);
        self::assertSame(
            $take->numbers($this->item, new SomebodysEdits($this->ines, 1, 6)),
            $take->numbers($this->item, new SomebodysEdits($this->ines, 0, 6)),
        );
        self::assertNotContains(1, $take->numbers($this->item, new SomebodysEdits($this->ines, 0, 6)));
        // Ines wrote “, twice” in 4; Tobi wrote before and after it.
        $plan = $this->get(route('take-out', ['item' => $this->item, 'from' => 2, 'to' => 6, 'by' => $this->ines->id]))->assertOk();
        $plan->assertSee('One version between 2 and 6 is taken out.')->assertSee('1 go away')->assertSee('All of it can be taken out.');
        $this->post(route('take-out.store', ['item' => $this->item, 'from' => 2, 'to' => 6, 'by' => $this->ines->id]), [
            'seen' => 6,
        ])->assertRedirect(route('history', ['item' => $this->item, 'from' => 6, 'to' => 7]));
        self::assertSame(
            ['Sign the log.', 'Walk the whole room together.', 'Ring the bell.'],
            array_map(fn (Part $part) => $part->richText()->text(), $this->tree($this->item->refresh())->parts),
        );
        $this->get(route('list', $this->item))->assertSee('Took out edits by Ines Oduya: cut one word from “Walk the whole room together”');
        $this->post(route('restore.undo', [$this->item, 7]))->assertRedirect();
        self::assertStringContainsString('twice', $this->tree($this->item->refresh())->parts[1]->richText()->text());
    }

    public function test_what_came_and_went_in_between_is_told_and_comes_back(): void
    {
        $new = $this->app->make(MakeItem::class)->handle($this->item->shelf, $this->ines, 'document', 'Benches');
        $here = new Part('phere', 'paragraph', 0, ['text' => RichText::plain('Wipe them.')]);
        $this->save($new, $this->ines, PartTree::of([$here]));
        $this->save(
            $new,
            $this->tobi,
            PartTree::of([$here, new Part('pgone', 'paragraph', 0, ['text' => RichText::plain('Oil the vices.')])]),
        );
        $this->save($new, $this->ines, PartTree::of([$here]));
        $this->get(route('history', ['item' => $new, 'from' => 1, 'to' => 4]))
            ->assertOk()
            ->assertSeeInOrder(
                [
                    '<details class="came-and-went"  open',
                    'One thing came and went in between',
                    '“Oil the vices.”',
                    'Tobi wrote it in 3; Ines removed it in 4',
                    route('restore', [$new, 3, 'part' => 'pgone']),
                ],
                false,
            );
        $this->get(route('history', ['item' => $new, 'from' => 3, 'to' => 4]))->assertDontSee('came and went');
        $this->post(route('restore.store', [$new, 3]), ['seen' => 4])->assertSessionHasNoErrors();
        $this->get(route('history', ['item' => $new->refresh(), 'from' => 1, 'to' => 5]))->assertDontSee('came and went');
    }

    public function test_some_of_ones_edits_are_taken_out_after_a_look_at_the_result(): void
    {
        $tree = $this->tree($this->item);
        $this->save(
            $this->item,
            $this->tobi,
            PartTree::of([
                $tree->parts[0]->with('text', RichText::plain('Sign the log twice.')),
                ...array_slice($tree->parts, 1),
                new Part('pdoor', 'paragraph', 0, ['text' => RichText::plain('Lock the door.')]),
            ]),
        );
        $asked = ['item' => $this->item, 'from' => 6, 'to' => 7, 'by' => $this->tobi->id];
        $plan = $this->get(route('take-out', $asked))
            ->assertOk()
            ->assertSee('data-pick', false)
            ->assertSee('changed by Tobi in 7')
            ->assertSee('added by Tobi in 7')
            ->assertSee('name="lines" value="2"', false);
        preg_match_all('/value="(\d)" form="restore".*?<span class="plan-what">(.*?)\s*<small>/s', (string) $plan->getContent(), $lines);
        $wording = (int) array_combine(
            array_map(fn (string $line) => str_contains($line, 'wording') ? 'wording' : 'new', $lines[2]),
            $lines[1],
        )['wording'];

        $this->post(route('take-out.seen', $asked), ['seen' => 7, 'lines' => 2, 'pick' => [$wording]])
            ->assertOk()
            ->assertSee('<del', false)
            ->assertSee('Take it out so')
            ->assertSee('name="pick[0]" value="'.$wording.'"', false);
        self::assertSame(7, $this->item->refresh()->head);
        $this->post(route('take-out.store', $asked), ['seen' => 7, 'lines' => 2])->assertSessionHasErrors('pick');
        $this->post(route('take-out.store', $asked), ['seen' => 7, 'lines' => 2, 'pick' => [$wording]])->assertSessionHasNoErrors();
        $texts = array_map(fn (Part $part) => $part->richText()->text(), $this->tree($this->item->refresh())->parts);
        self::assertSame(['Sign the log.', 'Lock the door.'], [$texts[0], $texts[count($texts) - 1]]);
        $this->post(route('take-out.seen', $asked), ['seen' => 7])->assertSessionHasErrors('seen');
    }

    public function test_what_later_work_rests_on_stays_and_is_told(): void
    {
        $tree = $this->tree($this->item);
        $this->save(
            $this->item,
            $this->ines,
            PartTree::of([
                ...array_slice($tree->parts, 0, 2),
                $tree->parts[2]->with('text', RichText::plain('Ring the brass bell twice.')),
            ]),
        );
        $plan = $this->get(route('take-out', ['item' => $this->item, 'from' => 4, 'to' => 5, 'by' => $this->tobi->id]))->assertOk();
        $plan->assertSee('“Ring the brass bell twice”')->assertSee('somebody edited it later');
        $this->post(route('take-out.store', ['item' => $this->item, 'from' => 4, 'to' => 5, 'by' => $this->tobi->id]), [
            'seen' => 7,
        ])->assertSessionHasErrors('seen');
        $this->post(route('take-out.store', ['item' => $this->item, 'from' => 4, 'to' => 5, 'by' => $this->tobi->id]), [
            'seen' => 6,
        ])->assertSessionHasErrors('seen');
        self::assertSame(7, $this->item->refresh()->head);
        $this->get(
            route('take-out', ['item' => $this->item, 'from' => 4, 'to' => 5, 'by' => $this->person('Someone Else')->id]),
        )->assertNotFound();
    }
}
