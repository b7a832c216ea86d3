<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\Date;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use Tests\Kinds\Board\BoardKind;

/** A kind that is registered in one line has all that every kind has. */
final class BoardTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $nell;

    private Shelf $shelf;

    private Item $board;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->nell] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Nell Sato')];
        $this->shelf = $this->shelf('Repairs', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->nell, Role::Viewer]]);
        $this->board = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                'board',
                'What is to be done',
                content: new Content(new BoardKind, $this->cards('Test the sockets', 'Sign the log')),
                keepIds: true,
            );
        Date::setTestNow(Date::now()->addHour());
    }

    public function test_it_stands_on_a_shelf_and_is_written_field_by_field(): void
    {
        $this->actingAs($this->ines)->get(route('shelf', $this->shelf))->assertOk()->assertSee('What is to be done');
        $this->get(route('item', $this->board))
            ->assertOk()
            ->assertSee('Test the sockets')
            ->assertSee('Lane: To do')
            ->assertSee('a card, in “To do”');
        $sent = [
            'base' => $this->board->root,
            'parts' => [
                'lone' => ['title' => 'Soon'],
                'c001' => ['text' => 'Test all sockets', 'done' => '1', 'hours' => '2'],
                'c002' => ['text' => 'Sign the log', 'hours' => '0'],
            ],
            'add' => 'card/lone',
        ];
        $this->put(route('fields.save', $this->board), $sent)->assertSessionHasNoErrors()->assertSessionHas('said', 'Saved as 2.');
        $tree = $this->tree($this->board);
        self::assertSame(
            ['Soon', 'Test all sockets', 'Sign the log', ''],
            array_map(fn (Part $part) => $part->role === 'lane' ? $part->string('title') : $part->richText()->text(), $tree->parts),
        );
        self::assertSame([true, 2], [$tree->get('c001')->fields['done'], $tree->get('c001')->int('hours')]);
        $this->put(route('fields.save', $this->board), [
            'base' => $this->board->refresh()->root,
            'parts' => ['c001' => ['hours' => '200']],
        ])->assertSessionHasErrors('parts');
        // What may be empty is empty as long as nothing is written there.
        $this->put(route('fields.save', $this->board), [
            'base' => $this->board->refresh()->root,
            'parts' => [$tree->parts[3]->id => ['text' => '', 'hours' => ''], 'c002' => ['hours' => '']],
        ])->assertSessionHasNoErrors();
        self::assertNull($this->tree($this->board)->get('c002')->fields['hours'] ?? null);
        $this->put(route('fields.save', $this->board), [
            'base' => $this->board->refresh()->root,
            'parts' => ['c001' => ['text' => 'Test all sockets', 'done' => '1', 'hours' => '2']],
            'gone' => ['c002', $tree->parts[3]->id],
        ])->assertSessionHasNoErrors();
        self::assertCount(2, $this->tree($this->board)->parts);
        $this->assertVerified();
    }

    public function test_what_others_write_is_merged_and_what_meets_is_held(): void
    {
        $base = $this->board->root;
        $put = fn (User $who, PartTree $tree) => $this->actingAs($who)
            ->putJson(route('state.save', $this->board), ['base' => $base, 'client' => "w{$who->id}.1", 'content' => $this->wire($tree)])
            ->assertOk();
        $put($this->tobi, $this->cards('Test the sockets twice', 'Sign the log'));
        $put($this->ines, $this->cards('Test the sockets', 'Sign the log today'))->assertJson(['held' => 0]);
        self::assertSame(['Test the sockets twice', 'Sign the log today'], $this->said());
        $put($this->ines, $this->cards('Test the lamps', 'Sign the log'))->assertJson(['held' => 1]);
        $this->get(route('held', [$this->board, HeldEdit::query()->firstOrFail()]))->assertOk()->assertSee('lamps');
        $this->assertVerified();
    }

    public function test_its_history_is_looked_at_in_every_way_and_brought_back(): void
    {
        $this->save($this->board, $this->tobi, $this->cards('Test all sockets', 'Sign the log'));
        $this->save(
            $this->board,
            $this->tobi,
            PartTree::of([...$this->cards('Test all sockets')->parts, new Part('ltwo', 'lane', 0, ['title' => 'Done'])]),
        );
        $this->actingAs($this->ines)->get(route('list', $this->board))->assertOk()->assertSee('Tobi');
        $this->getJson(route('ribbon', $this->board))->assertOk();
        $address = ['item' => $this->board, 'from' => 1, 'to' => 3];
        foreach (['changed' => 'Sign the log', 'was' => 'Test the sockets', 'who' => 'Test all sockets'] as $view => $seen) {
            $this->get(route('history', [...$address, 'view' => $view]))
                ->assertOk()
                ->assertSee($view === 'changed' ? 'Sign the log' : explode(' ', $seen)[0]);
        }
        // Not only the sentences beside it: the state itself.
        $this->get(route('history', [...$address, 'view' => 'was']))->assertSeeInOrder(
            ['data-state', 'data-part="lone"', 'title', 'To do', 'data-part="c001"', 'sockets', 'done', 'no', 'data-part="c002"'],
            false,
        );
        $this->get(route('history', $address))->assertSeeInOrder(
            ['data-state', 'was-edited', 'data-part="c001"', 'was-removed', 'data-part="c002"'],
            false,
        );
        foreach (['side', 'source'] as $layout) {
            $this->get(route('history', [...$address, 'layout' => $layout]))->assertOk()->assertSee('Sign the log');
        }
        $this->get(route('part', [$this->board, 'c002']))->assertOk()->assertSee('Sign the log');
        $this->get(route('restore', [$this->board, 1]))
            ->assertOk()
            ->assertSeeInOrder(['The card “Sign the log”', 'removed by Tobi', 'The column “Done”', 'one column']);
        $this->post(route('restore.store', [$this->board, 1]), ['seen' => 3, 'lines' => 3, 'pick' => [1]])->assertSessionHasNoErrors();
        self::assertSame(['Test all sockets', 'Sign the log'], $this->said());
        $this->get(route('take-out', ['item' => $this->board, 'from' => 1, 'to' => 3, 'by' => $this->tobi->id]))->assertOk();
        $this->post(route('restore.undo', [$this->board, 4]), ['seen' => 4])->assertSessionHasNoErrors();
        self::assertSame(['Test all sockets'], $this->said());
        $this->put(route('milestone.mark', [$this->board, 2]), ['name' => 'Agreed'])->assertSessionHasNoErrors();
        $this->assertVerified();
    }

    public function test_it_is_copied_out_downloaded_and_brought_in(): void
    {
        $this->actingAs($this->ines)->get(route('copy', [$this->board, 1]))->assertOk();
        $this->post(route('copy.store', [$this->board, 1]), [
            'title' => 'Another board',
            'shelf' => $this->shelf->key,
        ])->assertSessionHasNoErrors();
        $copy = Item::query()->where('title', 'Another board')->firstOrFail();
        self::assertSame([$this->board->root, 'board'], [$copy->root, $copy->kind]);
        $json = $this->get(route('download', [$this->board, 1, 'json']))->assertOk()->getContent();
        self::assertStringContainsString('Test the sockets', (string) $json);
        $this->assertVerified();
    }

    public function test_it_is_published_and_read_by_everybody_with_the_address(): void
    {
        $this->actingAs($this->ines)
            ->get(route('publish', [$this->board, 1]))
            ->assertOk()
            ->assertSeeInOrder(['Readers see nothing yet', 'data-state', 'Test the sockets'], false);
        $this->post(route('publish.store', [$this->board, 1]))->assertSessionHasNoErrors();
        $this->put(route('public', $this->board), ['open' => '1'])->assertSessionHasNoErrors();
        $this->save($this->board->refresh(), $this->tobi, $this->cards('Test all sockets', 'Sign the log'));
        $this->get(route('publish', [$this->board->refresh(), 2]))->assertOk()->assertSeeInOrder(['1, live → 2', 'was-edited'], false);
        $read = route('read', $this->board->refresh()->address);
        $this->get($read)->assertOk()->assertSee('Test the sockets')->assertDontSee('Test all');
        $this->actingAs($this->nell)
            ->get(route('item', $this->board))
            ->assertOk()
            ->assertSee('Test the sockets')
            ->assertDontSee('Test all');
        $this->actingAs($this->ines)->delete(route('unpublish', $this->board))->assertSessionHasNoErrors();
        $this->get($read)->assertNotFound();
        $this->assertVerified();
    }

    public function test_readers_are_told_what_changed_between_what_was_published_and_nothing_of_the_drafts(): void
    {
        $this->actingAs($this->ines)->post(route('publish.store', [$this->board, 1]));
        foreach (['Test all sockets', 'Test all sockets twice', 'Test all of the sockets twice'] as $text) {
            $this->save($this->board->refresh(), $this->tobi, $this->cards($text, 'Sign the log'));
        }
        $this->post(route('publish.store', [$this->board->refresh(), 4]));
        $look = ['item' => $this->board, 'from' => 1, 'to' => 4];
        $lines = fn (User $who): string => trim(
            (string) preg_replace(
                '/\s+/',
                ' ',
                strip_tags(
                    (string) preg_replace(
                        '~^.*?<ol class="entries"|</ol>.*$~s',
                        '',
                        (string) $this->actingAs($who)->get(route('history', $look))->assertOk()->getContent(),
                    ),
                ),
            ),
        );
        self::assertMatchesRegularExpression('/Tobi in 3 versions, 2 to 4/', $lines($this->ines));
        self::assertDoesNotMatchRegularExpression('/\bin (2|3|4|3 versions)\b|ago|today/', $lines($this->nell));
        self::assertStringContainsString('sockets', $lines($this->nell));
        foreach ([2, 3] as $draft) {
            $this->get(route('history', ['item' => $this->board, 'from' => $draft, 'to' => 4]))->assertNotFound();
            $this->get(route('line', [$this->board, $draft]))->assertNotFound();
            $this->get(route('download', [$this->board, $draft, 'json']))->assertNotFound();
        }
        $this->get(route('list', $this->board))->assertOk()->assertDontSee('twice”');
    }

    private function cards(string ...$texts): PartTree
    {
        return PartTree::of([
            new Part('lone', 'lane', 0, ['title' => 'To do']),
            ...array_map(
                fn (string $text, int $at): Part => new Part(sprintf('c%03d', $at + 1), 'card', 1, [
                    'text' => RichText::plain($text),
                    'done' => false,
                ]),
                array_values($texts),
                range(0, count($texts) - 1),
            ),
        ]);
    }

    /** @return list<string> */
    private function said(): array
    {
        return array_values(
            array_map(
                fn (Part $part) => $part->richText()->text(),
                array_filter($this->tree($this->board->refresh())->parts, fn (Part $part) => $part->role === 'card'),
            ),
        );
    }
}
