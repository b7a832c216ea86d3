<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Cause;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\SettleHeldEdit;
use DomainException;
use Illuminate\Support\Facades\Date;
use Illuminate\Testing\TestResponse;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Merge\Choice;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

final class SavePathTest extends FeatureCase
{
    private User $ines;

    private User $nell;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->nell = $this->person('Nell Warwick');
        $this->item = $this->document(
            $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->nell, Role::Editor]]),
            $this->ines,
            'Test every socket.',
            'Sign the log before you begin.',
        );
        Date::setTestNow(Date::now()->addHour());
    }

    public function test_a_save_answers_with_the_new_root_and_version(): void
    {
        $before = $this->item->root;
        $answer = $this->put_(
            $this->ines,
            $before,
            $this->paragraphs('Test every bench socket.', 'Sign the log before you begin.'),
        )->assertOk();
        $answer->assertJson(['number' => 3, 'content' => null, 'held' => 0, 'root' => $this->item->refresh()->root]);
        self::assertNotSame($before, $this->item->root);
        self::assertSame('wrote_in', $this->version(3)->facts['code']);
        $this->assertVerified();
    }

    public function test_a_save_that_changes_nothing_makes_no_version(): void
    {
        $this->put_($this->ines, $this->item->root, $this->tree($this->item))->assertOk()->assertJson(['number' => 2]);
        self::assertSame(2, Version::query()->count());
    }

    public function test_saves_within_a_checkpoint_grow_one_version(): void
    {
        $texts = ['Test.', 'Test every.', 'Test every socket twice.'];
        foreach ($texts as $text) {
            Date::setTestNow(Date::now()->addSeconds(15));
            $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs($text, 'Sign the log before you begin.'))->assertJson([
                'number' => 3,
            ]);
        }
        self::assertSame(1, $this->version(3)->added, 'told against the version before, not the last save');
        Date::setTestNow(Date::now()->addSeconds(60));
        $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs('Test them.'))->assertJson(['number' => 4]);
        $this->assertVerified();
    }

    public function test_a_version_does_not_grow_over_a_milestone_or_somebody_else(): void
    {
        $this->put_($this->ines, $this->item->root, $this->paragraphs('one'))->assertJson(['number' => 3]);
        $this->actingAs($this->ines)->put(route('milestone.mark', [$this->item, 3]), ['name' => 'Agreed']);
        $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs('two'))->assertJson(['number' => 4]);
        $this->put_($this->nell, $this->item->refresh()->root, $this->paragraphs('three'))->assertJson(['number' => 5]);
        $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs('four'))->assertJson(['number' => 6]);
    }

    public function test_a_kept_version_stays_as_it_is_and_bears_its_note(): void
    {
        $this->put_($this->ines, $this->item->root, $this->paragraphs('one'), ['keep' => true])->assertJson(['number' => 3]);
        $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs('one'), [
            'keep' => true,
            'note' => ' as read aloud ',
        ])->assertJson(['number' => 3]);
        $this->put_($this->ines, $this->item->refresh()->root, $this->paragraphs('two'))->assertJson(['number' => 4]);
        self::assertSame('as read aloud', $this->version(3)->note);
    }

    public function test_a_note_is_kept_with_the_version_that_it_was_written_for_though_others_went_on(): void
    {
        $this->put_($this->ines, $this->item->root, $this->paragraphs('Test every bench socket.', 'Sign the log before you begin.'), [
            'keep' => true,
        ])->assertJson(['number' => 3, 'noted' => true]);
        $ofInes = $this->item->refresh()->root;
        $this->put_($this->nell, $ofInes, $this->paragraphs('Test every bench socket.', 'Sign the log.'))->assertJson(['number' => 4]);
        $this->put_($this->ines, $ofInes, $this->paragraphs('Test every bench socket.', 'Sign the log before you begin.'), [
            'keep' => true,
            'note' => 'as read aloud',
            'of' => 3,
        ])->assertJson(['number' => 4, 'noted' => true]);
        self::assertSame(['as read aloud', null], [$this->version(3)->note, $this->version(4)->note]);
        // One’s own words are on nobody else’s version, and it is said; but whoever wants a state kept keeps it.
        $this->put_($this->ines, $this->item->refresh()->root, $this->tree($this->item), [
            'keep' => true,
            'note' => 'mine',
            'of' => 4,
        ])->assertJson(['number' => 4, 'noted' => false]);
        self::assertNull($this->version(4)->note);
        $this->put_($this->nell, $this->item->root, $this->paragraphs('Test every bench socket.', 'Sign the log twice.'))->assertJson([
            'number' => 5,
        ]);
    }

    public function test_edits_in_different_places_merge_down_to_words_of_one_paragraph(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test every socket.', 'Sign the log before you begin, both of you.'));
        $answer = $this->put_($this->ines, $base, $this->paragraphs('Test every socket.', 'Everybody: Sign the log before you begin.'));
        $answer->assertOk()->assertJson(['held' => 0, 'number' => 4]);
        self::assertSame(['Test every socket.', 'Everybody: Sign the log before you begin, both of you.'], $this->texts($this->item));
        self::assertSame('Everybody: Sign the log before you begin, both of you.', $answer->json('content.1.3.text.runs.0.0'));
    }

    public function test_edits_that_met_keep_the_first_and_hold_the_second_until_it_is_settled(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test no socket.', 'Sign the log before you begin.'));
        $this->put_($this->ines, $base, $this->paragraphs('Test each socket.', 'Sign the log before you begin. Always.'))->assertJson([
            'held' => 1,
        ]);
        self::assertSame(['Test no socket.', 'Sign the log before you begin. Always.'], $this->texts($this->item));
        $held = HeldEdit::query()->firstOrFail();
        self::assertSame([$this->ines->id, $this->nell->id], [$held->user_id, $held->met_user_id]);
        $this->actingAs($this->ines)->get(route('shelf', $this->item->shelf))->assertSee('One of your edits is held back');
        $this->actingAs($this->ines)
            ->get(route('held', [$this->item, $held]))
            ->assertOk()
            ->assertSee('each')
            ->assertSee('Both, theirs first')
            ->assertDontSee('class="written', false);

        // In the meantime the paragraph goes on: the choice lands in what it has become.
        $this->save($this->item, $this->nell, $this->paragraphs('Test no socket. Ever.', 'Sign the log before you begin. Always.'));
        $this->actingAs($this->ines)
            ->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])
            ->assertRedirect(route('item', $this->item));
        self::assertSame('Test each socket. Ever.', $this->texts($this->item)[0]);
        self::assertSame(Cause::Settled, $this->version($this->item->head)->cause);
        $this->actingAs($this->ines)->get(route('shelf', $this->item->shelf))->assertDontSee('held back');
        $this->actingAs($this->ines)
            ->put(route('held.settle', [$this->item, $held]), ['choice' => 'both'])
            ->assertSessionHas('said', __('item.settled_already'));
        $this->assertVerified();
    }

    public function test_a_held_edit_is_settled_once_and_by_its_own_item_alone(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test no socket.'));
        $this->put_($this->ines, $base, $this->paragraphs('Test each socket.'));
        $held = HeldEdit::query()->firstOrFail();
        $other = $this->document($this->item->shelf, $this->ines, 'Something else.');
        $this->actingAs($this->ines)->get(route('held', [$other, $held]))->assertNotFound();
        $this->put(route('held.settle', [$other, $held]), ['choice' => 'mine'])->assertNotFound();
        self::assertNull($held->refresh()->settled_at);
        // Two windows that show it both: the second finds it settled, though it was not when it asked.
        $late = HeldEdit::query()->findOrFail($held->id);
        $this->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])->assertRedirect();
        $head = $this->item->refresh()->head;
        try {
            $this->app->make(SettleHeldEdit::class)->handle($late->setRelation('item', $this->item), $this->nell, Choice::Both);
            self::fail('It was settled twice');
        } catch (DomainException) {
            self::assertSame([$head, 'mine'], [$this->item->refresh()->head, $held->refresh()->settled_as?->value]);
        }
        $this->assertVerified();
    }

    /** @return array<string, array{array<string, string>, string}> */
    public static function choices(): array
    {
        return [
            'mine' => [['choice' => 'mine'], 'Test each socket.'],
            'theirs' => [['choice' => 'theirs'], 'Test no socket.'],
            'both' => [['choice' => 'both'], 'Test no each socket.'],
            'a third' => [['choice' => 'third', 'third' => 'almost every'], 'Test almost every socket.'],
        ];
    }

    /** @param array<string, string> $choice */
    #[DataProvider('choices')]
    public function test_a_held_edit_is_settled_in_one_of_four_ways(array $choice, string $text): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test no socket.'));
        $this->put_($this->ines, $base, $this->paragraphs('Test each socket.'));
        $this->actingAs($this->ines)->put(route('held.settle', [$this->item, HeldEdit::query()->firstOrFail()]), $choice)->assertRedirect();
        self::assertSame([$text], $this->texts($this->item));
    }

    public function test_an_edit_in_a_part_that_somebody_removed_is_held_and_can_be_put_back(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test every socket.'));
        $this->put_($this->ines, $base, $this->paragraphs('Test every socket.', 'Sign the log, both of you.'))->assertJson(['held' => 1]);
        self::assertSame(['Test every socket.'], $this->texts($this->item));
        $this->actingAs($this->ines)
            ->get(route('held', [$this->item, HeldEdit::query()->firstOrFail()]))
            ->assertSee('They took this part out');
        $this->actingAs($this->ines)->put(route('held.settle', [$this->item, HeldEdit::query()->firstOrFail()]), ['choice' => 'mine']);
        self::assertSame(['Test every socket.', 'Sign the log, both of you.'], $this->texts($this->item));
    }

    public function test_a_sending_whose_answer_was_lost_can_be_repeated_with_more(): void
    {
        $base = $this->item->root;
        $this->put_($this->ines, $base, $this->paragraphs('Test every socket. Tw'), ['client' => 'w.1']);
        $this->put_($this->nell, $this->item->refresh()->root, $this->paragraphs('Test every socket. Tw', 'And the log.'));
        $this->put_($this->ines, $base, $this->paragraphs('Test every socket. Twice.'), ['client' => 'w.1'])->assertJson(['held' => 0]);
        self::assertSame(['Test every socket. Twice.', 'And the log.'], $this->texts($this->item));
    }

    public function test_typing_on_after_being_held_back_stays_one_held_edit(): void
    {
        $base = $this->item->root;
        $this->put_($this->nell, $base, $this->paragraphs('Test no socket.'));
        $sent = $this->put_($this->ines, $base, $this->paragraphs('Test each socket.'), ['client' => 'w.1'])->json('sent');
        $this->put_($this->ines, $sent, $this->paragraphs('Test eachandevery socket.'), ['client' => 'w.2'])->assertOk();
        self::assertSame(['Test no socket.'], $this->texts($this->item));
        self::assertSame(1, HeldEdit::query()->count());
        self::assertSame('eachandevery', HeldEdit::query()->firstOrFail()->meeting()->meeting?->mine->text());
    }

    /** @return array<string, array{mixed, string, string}> content, code of the problem, path */
    public static function badContent(): array
    {
        $part = fn (mixed ...$with) => array_values([
            ...['id' => 'pabc', 'role' => 'paragraph', 'depth' => 0, 'fields' => ['text' => ['runs' => []]]],
            ...$with,
        ]);

        return [
            'no list' => ['text', 'not_a_list', 'parts'],
            'no part' => [['x'], 'not_a_part', 'parts.0'],
            'bad id' => [[$part(id: '1')], 'bad_id', 'parts.0'],
            'doubled id' => [[$part(), $part()], 'doubled_id', 'parts.1'],
            'unknown role' => [[$part(role: 'script')], 'unknown_role', 'parts.0'],
            'too deep' => [[$part(depth: 3)], 'bad_depth', 'parts.0'],
            'a row at the top' => [[$part(role: 'row', fields: [])], 'misplaced', 'parts.0'],
            'unknown field' => [[$part(fields: ['text' => ['runs' => []], 'onclick' => 'x'])], 'unknown_field', 'parts.0.fields'],
            'text that is none' => [[$part(fields: ['text' => '<b>'])], 'not_rich_text', 'parts.0.fields.text'],
            'a level too high' => [
                [$part(role: 'heading', fields: ['level' => 9, 'text' => ['runs' => []]])],
                'out_of_range',
                'parts.0.fields.level',
            ],
            'one paragraph of 300 KB' => [
                [$part(fields: ['text' => ['runs' => [[str_repeat('a ', 150_000)]]]])],
                'text_too_long',
                'parts.0.fields.text',
            ],
            'a picture from elsewhere' => [
                [$part(role: 'picture', fields: ['chunk' => str_repeat('a', 40), 'alt' => '', 'width' => 1, 'height' => 1])],
                'no_such_picture',
                'parts.0.fields.chunk',
            ],
        ];
    }

    #[DataProvider('badContent')]
    public function test_content_that_breaks_the_schema_is_refused_with_a_path_and_a_sentence(
        mixed $content,
        string $code,
        string $path,
    ): void {
        $answer = $this->actingAs($this->ines)
            ->putJson(route('state.save', $this->item), ['base' => $this->item->root, 'client' => 'w.1', 'content' => $content])
            ->assertStatus(422);
        $answer->assertJson(['problems' => [['code' => $code, 'path' => $path]]]);
        self::assertStringNotContainsString('problems.', (string) $answer->json('message'));
        self::assertSame(2, $this->item->refresh()->head);
    }

    public function test_all_problems_come_at_once(): void
    {
        $content = [
            ['pabc', 'paragraph', 0, ['text' => 1]],
            ['pabd', 'nothing', 0, []],
            ['pabe', 'heading', 0, ['level' => 'x', 'text' => ['runs' => []]]],
        ];
        $this->actingAs($this->ines)
            ->putJson(route('state.save', $this->item), ['base' => $this->item->root, 'client' => 'w.1', 'content' => $content])
            ->assertStatus(422)
            ->assertJsonCount(3, 'problems');
    }

    public function test_a_base_that_nobody_knows_is_refused_and_one_of_another_item_too(): void
    {
        $other = $this->document($this->item->shelf, $this->ines, 'elsewhere');
        foreach ([str_repeat('0', 40), $other->root] as $base) {
            $this->put_($this->ines, $base, $this->paragraphs('x'))->assertStatus(409)->assertJsonPath('problems.0.code', 'unknown_base');
        }
        $this->put_($this->ines, 'nonsense', $this->paragraphs('x'))->assertStatus(422);
        self::assertSame(2, $this->item->refresh()->head);
    }

    public function test_five_megabytes_are_too_much_and_say_so(): void
    {
        $answer = $this->actingAs($this->ines)->call(
            'PUT',
            route('state.save', $this->item),
            [],
            [],
            [],
            ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'],
            '{"base":"'.str_repeat('x', 5_000_000).'"}',
        );
        $answer->assertStatus(413)->assertJsonPath('problems.0.code', 'too_big');
    }

    public function test_people_s_spaces_and_empty_texts_are_kept_as_they_are(): void
    {
        $this->put_($this->ines, $this->item->root, $this->paragraphs('  two spaces before and after  ', ''));
        self::assertSame(['  two spaces before and after  ', ''], $this->texts($this->item));
    }

    public function test_links_that_do_harm_and_unknown_marks_are_left_out(): void
    {
        $runs = [
            ['a', ['link' => 'javascript:alert(1)']],
            ['b', ['link' => 'https://example.org/?q=1', 'blink' => true, 'bold' => true]],
            ['c', ['link' => "java\tscript:x"]],
            ['d', ['link' => '//evil.example']],
        ];
        $this->actingAs($this->ines)
            ->putJson(route('state.save', $this->item), [
                'base' => $this->item->root,
                'client' => 'w.1',
                'content' => [['pabc', 'paragraph', 0, ['text' => ['runs' => $runs]]]],
            ])
            ->assertOk();
        self::assertSame(
            [['a'], ['b', ['bold' => true, 'link' => 'https://example.org/?q=1']], ['cd']],
            $this->tree($this->item)->parts[0]->richText()->toJson()['runs'],
        );
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function put_(User $who, string $base, PartTree $tree, array $more = []): TestResponse
    {
        return $this->actingAs($who)->putJson(route('state.save', $this->item), [
            'base' => $base,
            'client' => 'w'.random_int(1, 1 << 30),
            'content' => $this->wire($tree),
            ...$more,
        ]);
    }

    private function version(int $number): Version
    {
        return Version::query()->where(['item_id' => $this->item->id, 'number' => $number])->firstOrFail();
    }

    public function test_a_picture_of_another_item_is_in_no_state_by_whatever_road(): void
    {
        $chunk = str_repeat('ab', 20);
        $ines = $this->person('Sol Marsh');
        $item = $this->document($this->shelf('Elsewhere', [[$ines, Role::Owner]]), $ines, 'one');
        $tree = PartTree::of([new Part('pica', 'picture', 0, ['chunk' => $chunk, 'alt' => '', 'width' => 1, 'height' => 1])]);
        $this->expectException(ValidationException::class);
        $this->app->make(SaveState::class)->handle($item, $ines, new Sent($item->root, $tree, 'console'));
    }
}
