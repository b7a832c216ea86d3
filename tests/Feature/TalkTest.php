<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Exempt;
use App\Making\MakeItem;
use App\Models\Comment;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\Thread;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Talk\Talk;
use App\View\Talk\ThreadSeen;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Keeping\Exemption;

final class TalkTest extends FeatureCase
{
    private User $ines;

    private User $nell;

    private User $rafi;

    private Shelf $shelf;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->nell, $this->rafi] = [$this->person('Ines Oduya'), $this->person('Nell Warwick'), $this->person('Rafi Sand')];
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->nell, Role::Editor], [$this->rafi, Role::Viewer]]);
        $this->item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'document', 'Leads');
        $this->write([
            'pone' => 'Every lead is tested, and a tag with the date goes round it.',
            'ptwo' => 'A lead without a tag is broken.',
        ]);
        $this->actingAs($this->nell);
    }

    public function test_a_thread_follows_its_words_and_is_seen_as_it_stood(): void
    {
        $thread = $this->begin('pone', 'a tag with the date', 'Round it or through it?');
        self::assertSame([2, 'a tag with the date', true], [$thread->number, $thread->quote, $thread->is_open]);
        $this->write([
            'pone' => 'First, every lead is tested, and a tag with the name and the date goes round it.',
            'ptwo' => 'A lead without a tag is broken.',
        ]);
        self::assertSame('a tag with the name and the date', $this->words());
        self::assertSame('a tag with the date', $this->words(2));

        // Split off into a paragraph of its own.
        $this->write([
            'pone' => 'First, every lead is tested.',
            'pnew' => 'And a tag with the name and the date goes round it.',
            'ptwo' => 'A lead without a tag is broken.',
        ]);
        self::assertSame(['pnew', 'a tag with the name and the date'], [$this->seen()->part, $this->words()]);
        // Gone, and back.
        $this->write(['pone' => 'First, every lead is tested.', 'ptwo' => 'A lead without a tag is broken.']);
        self::assertSame([5, null], [$this->seen()->goneSince, $this->seen()->words]);
        self::assertStringContainsString('words that are gone since 5', $this->seen()->about());
        self::assertSame(['pnew', 'a tag with the name and the date'], [$this->seen(4)->part, $this->words(4)]);
        $this->post(route('restore.store', [$this->item, 4]), ['seen' => 5])->assertSessionHasNoErrors();
        self::assertSame(
            ['pnew', 'a tag with the name and the date', null],
            [$this->seen()->part, $this->words(), $this->seen()->goneSince],
        );
        self::assertSame([], (new Talk($this->item, 1))->threads);
        // Nothing that somebody talks about goes by a rule, and no version grows under a thread.
        $other = $this->begin('pone', 'tested', 'Here, too');
        $this->write(['pone' => 'First.']);
        $this->write(['pone' => 'First of all.']);
        self::assertSame([6, Exemption::TalkedAbout], [$other->number, (new Exempt($this->item))->numbers[6]]);
    }

    public function test_a_version_that_somebody_talks_about_does_not_grow(): void
    {
        $root = $this->item->root;
        $save = fn (string $text) => $this->putJson(route('state.save', $this->item), [
            'base' => $this->item->refresh()->root,
            'client' => 'w',
            'content' => $this->wire(PartTree::of([new Part('pone', 'paragraph', 0, ['text' => RichText::plain($text)])])),
        ])->assertOk();
        $save('Tag it.');
        $this->begin('pone', 'Tag it', 'Why?');
        $save('Tag it now.');
        self::assertSame(4, $this->item->refresh()->head);
        self::assertNotSame($root, $this->item->root);
    }

    public function test_it_is_answered_worded_otherwise_taken_back_settled_and_opened_again(): void
    {
        $thread = $this->begin('pone', 'tested', 'By @Ines, or @Sol?');
        $this->say($thread, ['deed' => 'said', 'text' => 'By whom?']);
        $mine = Comment::query()->latest('id')->firstOrFail();
        $this->say($thread, ['deed' => 'edited', 'of' => $mine->id, 'text' => 'By whom, then?']);
        $this->actingAs($this->ines);
        $this->post(route('talk.say', [$this->item, $thread]), [
            'deed' => 'edited',
            'of' => $mine->id,
            'text' => 'Not mine',
        ])->assertNotFound();
        $this->write(['pone' => 'Every lead is tested by two.', 'ptwo' => 'A lead without a tag is broken.']);
        $this->say($thread, ['deed' => 'settled', 'text' => 'By two.']);
        $this->say($thread, ['deed' => 'settled', 'text' => 'Again.'], 'Somebody did that before you.');
        self::assertSame([false, 1], [$thread->refresh()->is_open, DB::table('mentions')->where('user_id', $this->ines->id)->count()]);
        $now = $this->seen();
        self::assertSame(['By whom, then?', ['By whom?']], [$now->comments[1]->text, $now->comments[1]->before]);
        self::assertSame(['By two.', 3], [$now->settled()?->text, $now->settled()?->number]);
        self::assertNull($this->seen(2)->settled());
        $this->actingAs($this->nell);
        $this->say($thread, ['deed' => 'reopened']);
        $this->say($thread, ['deed' => 'withdrew', 'of' => $mine->id]);
        self::assertSame(
            [true, '', true, 0],
            [
                $this->seen()->isOpen(),
                $this->seen()->comments[1]->text,
                $this->seen()->comments[1]->isWithdrawn,
                count($this->seen()->comments[1]->before),
            ],
        );
        $this->get(route('talk', $this->item))->assertOk()->assertSee('Withdrawn by who said it.')->assertDontSee('By whom, then?');

        // In what changed from 2 to 3 it is new, and at 2 it can only be looked at.
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 3]))
            ->assertOk()
            ->assertSee('new since 2')
            ->assertSee('data-talk-do="said"', false);
        $this->get(route('history', ['item' => $this->item, 'from' => 2, 'to' => 2, 'view' => 'was']))
            ->assertOk()
            ->assertSee('By <b class="called">Ines</b>, or @Sol?', false)
            ->assertDontSee('By two.')
            ->assertDontSee('data-talk-do', false);
    }

    public function test_who_may_see_it_and_who_may_say_something(): void
    {
        $thread = $this->begin('pone', 'tested', 'MARKER words');
        $this->actingAs($this->rafi)
            ->get(route('talk', $this->item))
            ->assertOk()
            ->assertSee('MARKER')
            ->assertDontSee('data-talk-do', false);
        $this->post(route('talk.begin', $this->item), ['text' => 'May I?'])->assertForbidden();
        $this->post(route('talk.say', [$this->item, $thread]), ['deed' => 'said', 'text' => 'May I?'])->assertForbidden();
        $this->actingAs($this->ines)
            ->put(route('shelf.settings', $this->shelf), ['editors_restore' => '1', 'viewers_comment' => '1'])
            ->assertRedirect();
        $this->actingAs($this->rafi)
            ->post(route('talk.begin', $this->item), ['text' => 'Now I may.'])
            ->assertSessionHasNoErrors();
        // On another shelf they may not, and whoever moves it there is told.
        $quiet = $this->shelf('Quiet', [[$this->ines, Role::Owner]]);
        $this->actingAs($this->ines)
            ->get(route('item.move', [$this->item, 'to' => $quiet->key]))
            ->assertOk()
            ->assertSee('There those who only read do not comment.');
        $stranger = $this->person('Sol Marsh');
        $this->actingAs($stranger)->get(route('talk', $this->item))->assertNotFound();
        $this->post(route('talk.say', [$this->item, $thread]), ['deed' => 'said', 'text' => 'x'])->assertNotFound();

        // Readers of what is published are told of none of it, whatever the shelf lets them say.
        $page = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'page', 'Opening');
        $this->actingAs($this->ines)->post(route('talk.begin', $page), ['text' => 'MARKER on the page'])->assertSessionHasNoErrors();
        $this->post(route('publish.store', [$page, 1]))->assertSessionHasNoErrors();
        $this->actingAs($this->rafi)->get(route('talk', $page))->assertForbidden();
        $this->post(route('talk.begin', $page), ['text' => 'x'])->assertForbidden();
        $this->get(route('history', $page))->assertOk()->assertDontSee('MARKER');

        // A thread of another item is none of this one.
        $this->actingAs($this->nell)->post(route('talk.say', [$page, $thread]), ['deed' => 'said', 'text' => 'x'])->assertNotFound();
        $this->actingAs($this->ines)->delete(route('item.destroy', $this->item));
        $this->post(route('talk.say', [$this->item, $thread]), ['deed' => 'said', 'text' => 'x'])->assertForbidden();
        $this->get(route('talk', $this->item))->assertOk()->assertSee('MARKER')->assertDontSee('data-talk-do', false);
    }

    public function test_cells_versions_and_parts_that_are_gone_are_talked_about(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Costs');
        $tree = $this->tree($sheet);
        $row = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'row'))[0];
        $column = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'column'))[0];
        $this->save(
            $sheet,
            $this->ines,
            PartTree::of(array_map(fn (Part $part) => $part->id === $row->id ? $part->with($column->id, 407.4) : $part, $tree->parts)),
        );
        $this->post(route('talk.begin', $sheet), [
            'part' => $row->id,
            'field' => $column->id,
            'text' => 'So much?',
        ])->assertSessionHasNoErrors();
        $seen = (new Talk($sheet->refresh()))->threads[0];
        self::assertSame(["{$row->id}/{$column->id}", 'on “407.4”'], [$seen->key(), $seen->about()]);
        $this->post(route('talk.begin', $sheet), ['part' => 'nowhere', 'text' => 'Lost?'])->assertSessionHasErrors('text');

        $this->post(route('talk.begin', $this->item), ['version' => 1, 'text' => 'Empty then.'])->assertSessionHasNoErrors();
        self::assertSame('on version 1', $this->seen()->about());
        $this->write(['pone' => 'Every lead is tested.']);
        $this->post(route('talk.begin', $this->item), [
            'part' => 'ptwo',
            'version' => 2,
            'text' => 'Why did that go?',
        ])->assertSessionHasNoErrors();
        $this->get(route('talk', [$this->item, 'show' => 'waiting']))
            ->assertOk()
            ->assertSee('Why did that go?')
            ->assertSee('Its part is not there now.')
            ->assertDontSee('Empty then.');
        $this->get(route('talk', [$this->item, 'parts' => 'pone,ptwo']))->assertOk()->assertSee('name="also[]" value="ptwo"', false);
        $this->post(route('talk.begin', $this->item), [
            'part' => 'pone',
            'text' => '<b>Bold</b> & version 2, '.route('list', $this->item),
        ])->assertSessionHasNoErrors();
        $this->get(route('talk', $this->item))
            ->assertSee('&lt;b&gt;Bold&lt;/b&gt; &amp; <a href="', false)
            ->assertSee('/history/list"', false);
        $this->get(route('talk', $this->item).'?piece=1&at=2')
            ->assertOk()
            ->assertDontSee('Bold');
        $this->assertVerified();
    }

    public function test_a_comparison_goes_out_with_tracked_changes_and_what_was_said(): void
    {
        $this->begin('ptwo', 'broken', 'By what?');
        $root = $this->item->root;
        $this->save(
            $this->item,
            $this->nell,
            PartTree::of([
                new Part('pone', 'paragraph', 0, [
                    'text' => RichText::plain('Every lead is tested, and a tag with the name goes round it.'),
                ]),
                new Part('ptwo', 'paragraph', 0, ['text' => RichText::plain('A lead without a tag is broken.')]),
            ]),
            $root,
        );
        $this->get(route('history', ['item' => $this->item->refresh(), 'from' => 2, 'to' => 3]))
            ->assertOk()
            ->assertSee('DOCX, with tracked changes');
        $bytes = (string) $this->get(route('comparison', [$this->item, 2, 3, 'docx']))
            ->assertOk()
            ->assertHeader('Content-Type', 'application/vnd.openxmlformats-officedocument.wordprocessingml.document')
            ->getContent();
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'attic-'), $bytes);
        $zip = new \ZipArchive;
        $zip->open($path);
        [$text, $said] = [(string) $zip->getFromName('word/document.xml'), (string) $zip->getFromName('word/comments.xml')];
        $zip->close();
        unlink($path);
        $at = Version::query()
            ->where(['item_id' => $this->item->id, 'number' => 3])
            ->firstOrFail()
            ->saved_at->format('Y-m-d\TH:i:s\Z');
        self::assertMatchesRegularExpression(
            '~<w:del w:id="\d+" w:author="Nell Warwick" w:date="'
                .$at
                .'"><w:r><w:delText xml:space="preserve">date</w:delText></w:r></w:del><w:ins w:id="\d+" w:author="Nell Warwick" w:date="'
                .$at
                .'"><w:r><w:t xml:space="preserve">name</w:t>~',
            $text,
        );
        self::assertStringContainsString('“broken”', $said);
        self::assertStringContainsString('By what?', $said);
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Costs');
        $this->get(route('comparison', [$sheet, 1, 1, 'docx']))->assertNotFound();
    }

    public function test_what_was_said_goes_along_with_a_copy(): void
    {
        $open = $this->begin('pone', 'a tag with the date', 'Round it?');
        $settled = $this->begin('ptwo', 'broken', 'By what?');
        $this->say($settled, ['deed' => 'settled', 'text' => 'By us.']);
        $this->write(['pone' => 'Every lead is tested.', 'ptwo' => 'A lead without a tag is broken.']);
        $this->say($open, ['deed' => 'said', 'text' => 'Later than the copy.']);
        $this->get(route('copy', [$this->item, 2]))->assertOk()->assertSee('goes along where it was open then');
        foreach (['open' => 1, 'all' => 2, '' => 0] as $which => $count) {
            $this->post(route('copy.store', [$this->item, 2]), [
                'title' => "Copy {$which}",
                'shelf' => $this->shelf->key,
                'talk' => $which,
            ])->assertSessionHasNoErrors();
            $copy = Item::query()->where('title', trim("Copy {$which}"))->firstOrFail();
            $threads = (new Talk($copy))->threads;
            self::assertCount($count, $threads, $which);
            if ($count > 0) {
                self::assertSame(
                    [['Round it?'], [26, 45], 'Nell Warwick', true],
                    [
                        array_column($threads[0]->comments, 'text'),
                        $threads[0]->words,
                        $threads[0]->comments[0]->user->name,
                        $threads[0]->isOpen(),
                    ],
                );
                self::assertSame(
                    $count - 1,
                    DB::table('threads')
                        ->where(['item_id' => $copy->id, 'is_open' => 0])
                        ->count(),
                );
            }
        }
        $this->actingAs($this->rafi)->get(route('copy', [$this->item, 2]))->assertOk();
        $this->assertVerified();
    }

    public function test_two_thousand_comments_cost_no_more_queries_than_two(): void
    {
        $count = function (): int {
            DB::enableQueryLog();
            DB::flushQueryLog();
            $this->get(route('talk', $this->item))->assertOk();

            return count(DB::getQueryLog());
        };
        $this->begin('pone', 'tested', 'One');
        $this->begin('ptwo', 'broken', 'Two');
        $two = $count();
        foreach (range(1, 200) as $at) {
            $this->begin('pone', 'tested', "Number {$at}");
        }
        self::assertSame($two, $count());
    }

    /** @param array<string, string> $texts */
    private function write(array $texts): void
    {
        $this->save(
            $this->item,
            $this->ines,
            PartTree::of(
                array_map(
                    fn (string $id, string $text) => new Part($id, 'paragraph', 0, ['text' => RichText::plain($text)]),
                    array_keys($texts),
                    $texts,
                ),
            ),
        );
        $this->item->refresh();
    }

    private function begin(string $part, string $words, string $said): Thread
    {
        $text = $this->tree($this->item->refresh())->get($part)->richText()->text();
        $from = (int) mb_strpos($text, $words);
        $this->post(route('talk.begin', $this->item), [
            'part' => $part,
            'from' => $from,
            'to' => $from + mb_strlen($words),
            'quote' => $words,
            'text' => $said,
        ])->assertSessionHasNoErrors();

        return Thread::query()->latest('id')->firstOrFail();
    }

    /** @param array<string, mixed> $sent */
    private function say(Thread $thread, array $sent, ?string $said = null): void
    {
        $answer = $this->postJson(route('talk.say', [$this->item, $thread]), $sent)->assertOk();
        $said === null || $answer->assertJsonPath('said', $said);
    }

    private function seen(?int $at = null): ThreadSeen
    {
        $threads = (new Talk($this->item->refresh(), $at))->threads;
        self::assertNotSame([], $threads);

        return $threads[0];
    }

    private function words(?int $at = null): ?string
    {
        $seen = $this->seen($at);
        $root = Version::query()->where(['item_id' => $this->item->id, 'number' => $at ?? $this->item->head])->firstOrFail()->root;
        $text = $this->app->make(States::class)->tree($root)->get($seen->part)->richText()->text();

        return $seen->words === null ? null : mb_substr($text, $seen->words[0], $seen->words[1] - $seen->words[0]);
    }
}
