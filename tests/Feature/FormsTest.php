<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\LetGo;
use App\Kinds\Form\Answering;
use App\Kinds\Form\SendingBounds;
use App\Kinds\Form\TakeEntry;
use App\Making\KeepPicture;
use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Publishing\Unpublish;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use PHPUnit\Framework\Attributes\DataProvider;

/** Forms: who answers, what is taken, and what becomes of it. */
final class FormsTest extends FeatureCase
{
    /** @var array<string, User> */
    private array $people;

    private Shelf $shelf;

    private Item $form;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = [
            'owner' => $this->person('Ines Oduya'),
            'editor' => $this->person('Tobi Brandt'),
            'viewer' => $this->person('Jun Castell'),
            'stranger' => $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Open days', [
            [$this->people['owner'], Role::Owner],
            [$this->people['editor'], Role::Editor],
            [$this->people['viewer'], Role::Viewer],
        ]);
        $this->form = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['owner'], 'form', 'Book a repair');
        $this->save($this->form, $this->people['owner'], $this->asked());
        $this->publish($this->form, $this->people['owner']);
        $this->open($this->form, 'book');
    }

    /** @return array<string, array{string, string, list<string>}> method, route, who may */
    public static function routes(): array
    {
        return [
            'answering, asking' => ['get', 'answer', ['viewer', 'editor', 'owner']],
            'answering' => ['post', 'answer.store', ['viewer', 'editor', 'owner']],
            'trying it' => ['get', 'try', ['viewer', 'editor', 'owner']],
            'the way through' => ['get', 'item.flow', ['editor', 'owner']],
            'the entries' => ['get', 'entries', ['editor', 'owner']],
            'their sums' => ['get', 'entries.sums', ['editor', 'owner']],
            'their file' => ['get', 'entries.download', ['editor', 'owner']],
            'what somebody changed' => ['get', 'entries.changes', ['editor', 'owner']],
            'taking that out' => ['post', 'entries.changes.out', ['editor', 'owner']],
            'what waits for a yes' => ['get', 'entries.waiting', ['editor', 'owner']],
            'saying yes to it' => ['post', 'entries.waiting.yes', ['editor', 'owner']],
            'switching their history' => ['put', 'entries.keep', ['owner']],
            'the outbox' => ['get', 'entries.outbox', ['editor', 'owner']],
            'an entry' => ['get', 'item', ['editor', 'owner']],
            'its history' => ['get', 'history', ['editor', 'owner']],
            'saving it' => ['put', 'entry.save', ['editor', 'owner']],
            'taking it away' => ['delete', 'entry.delete', ['editor', 'owner']],
            'bringing it back' => ['put', 'entry.undelete', ['editor', 'owner']],
            'a proposed change' => ['get', 'proposal', ['editor', 'owner']],
            'answering it' => ['put', 'proposal.answer', ['owner']],
            'proposing it again' => ['post', 'proposal.again', ['editor']],
        ];
    }

    /** @param list<string> $may */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, array $may): void
    {
        $entry = $this->entry();
        $url = in_array($route, ['item', 'history', 'entry.save', 'entry.delete', 'entry.undelete'], true)
            ? route($route, $entry)
            : route(
                $route,
                match ($route) {
                    'entries.download' => [$this->form, 'csv'],
                    'try' => [$this->form, 2],
                    'proposal', 'proposal.answer', 'proposal.again' => [
                        $entry,
                        $this->proposal($entry, $route === 'proposal.again' ? ProposalState::Withdrawn : ProposalState::Waiting),
                    ],
                    default => $this->form,
                },
            );
        $this->json($method, $url)->assertUnauthorized();
        self::assertSame(404, $this->actingAs($this->people['stranger'])->json($method, $url)->status());
        foreach (['viewer', 'editor', 'owner'] as $who) {
            $status = $this->actingAs($this->people[$who])->json($method, $url, match ($route) {
                'entry.save' => ['base' => $entry->root],
                'entries.waiting.yes' => ['proposals' => [1]],
                'entries.keep' => ['keep' => false],
                'proposal.answer' => ['answer' => 'declined', 'seen' => 1, 'word' => 'No'],
                'entries.changes.out' => ['entries' => ['x'], 'by' => $this->people['editor']->id],
                default => [],
            })->status();
            in_array($who, $may, true) ? self::assertContains($status, [200, 302], $who) : self::assertContains($status, [403, 404], $who);
        }
    }

    /** What the editor proposed. */
    private function proposal(Item $entry, ProposalState $state): Proposal
    {
        $this->shelf->update(['asks_entries' => true]);
        $root = $this->app->make(States::class)->keep(PartTree::of([]));

        return Proposal::query()->create([
            'item_id' => $entry->id,
            'user_id' => $this->people['editor']->id,
            'base' => $entry->root,
            'root' => $root,
            'state' => $state,
            'proposed_at' => now(),
        ]);
    }

    public function test_a_form_is_answered_page_by_page_without_an_account_or_a_cookie(): void
    {
        $first = $this->get('/read/book')
            ->assertOk()
            ->assertSee('What is it?')
            ->assertDontSee('Your address')
            ->assertDontSee('<script', false);
        self::assertSame([], $first->headers->getCookies());
        $second = $this->post('/read/book', ['seen' => ['qone', 'qtwo'], 'a' => ['qone' => 'cone', 'qtwo' => 'A cable']])
            ->assertOk()
            ->assertSee('Your address')
            ->assertDontSee('What is it?');
        $second->assertSee('name="a[qtwo]" value="A cable"', false);
        $again = $this->post('/read/book', [
            'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
            'a' => ['qone' => 'cone', 'qtwo' => 'A cable', 'qmail' => 'nobody', 'qmany' => 'lots'],
        ])->assertOk();
        $again
            ->assertSee('2 answers are not right yet')
            ->assertSee('Write an e-mail address')
            ->assertSee('Write a number')
            ->assertSee('value="nobody"', false);
        self::assertSame(0, $this->form->entries()->count());
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])
            ->assertOk()
            ->assertSee('Thank you.');
        $entry = $this->form->entries()->firstOrFail();
        self::assertSame(['qone', 'qtwo', 'qmail', 'qmany'], array_column($this->tree($entry)->parts, 'id'));
        self::assertSame(
            ['Visitor', 1, 2],
            [$entry->versions()->firstOrFail()->user->name, $entry->number, $entry->asked?->version->number],
        );
        $this->assertVerified();
    }

    public function test_skip_rules_hold_on_the_server_and_forged_answers_are_left_out(): void
    {
        $this->post('/read/book', [
            'seen' => ['qone', 'qmail', 'qmany'],
            'a' => ['qone' => 'ctwo', 'qtwo' => 'skipped', 'qmail' => 'a@b.example', 'qnone' => 'forged', 'other-qone' => 'x'],
        ])->assertSee('Thank you.');
        self::assertSame(['qone', 'qmail'], array_column($this->tree($this->form->entries()->firstOrFail())->parts, 'id'));
        $this->post('/read/book', ['seen' => ['qone', 'qmail', 'qmany'], 'a' => ['qone' => 'somebody-elses', 'qmail' => 'a@b.example']])
            ->assertOk()
            ->assertSee('Choose one of these');
        foreach (
            [['a' => 'text'], ['seen' => 'text'], ['a' => ['qone' => ['deep' => ['er' => 'x']]]], ['a' => array_fill(0, 600, 'x')]] as $odd
        ) {
            self::assertContains($this->post('/read/book', $odd)->status(), [200, 302]);
        }
        self::assertSame(1, $this->form->entries()->count());
    }

    public function test_scripts_and_formulas_do_no_harm(): void
    {
        $this->post('/read/book', [
            'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
            'a' => ['qtwo' => '=HYPERLINK("http://x")<script>alert(1)</script>'] + $this->answers(),
        ])->assertSee('Thank you.');
        $this->actingAs($this->people['editor']);
        foreach (
            [
                route('entries', $this->form),
                route('entries.sums', $this->form),
                route('item', $this->form->entries()->firstOrFail()),
                route('history', ['item' => $this->form->entries()->firstOrFail(), 'view' => 'was']),
            ] as $screen
        ) {
            $this->get($screen)->assertOk()->assertDontSee('<script>alert', false)->assertSee('HYPERLINK');
        }
        $csv = (string) $this->get(route('entries.download', [$this->form, 'csv']))->assertOk()->getContent();
        self::assertStringContainsString("'=HYPERLINK", $csv);
        self::assertStringNotContainsString(',=HYPERLINK', $csv);
        $json = $this->getJson(route('entries.download', [$this->form, 'json']))->assertOk()->json();
        self::assertSame(['What is it?', 'Something with a plug'], [$json['questions']['qone'], $json['entries'][0]['answers']['qone']]);
        self::assertStringStartsWith('PK', (string) $this->get(route('entries.download', [$this->form, 'xlsx']))->getContent());
    }

    public function test_files_are_pictures_and_only_ones_that_were_sent(): void
    {
        $tree = PartTree::of([
            ...$this->asked()->parts,
            new Part('qfile', 'question', 1, ['type' => 'file', 'text' => RichText::plain('A picture'), 'required' => false]),
        ]);
        $this->save($this->form, $this->people['owner'], $tree);
        $this->publish($this->form, $this->people['owner']);
        $seen = ['qone', 'qtwo', 'qmail', 'qmany', 'qfile'];
        $this->post('/read/book', [
            'seen' => $seen,
            'a' => $this->answers(),
            'file' => ['qfile' => 'forged'],
            'upload' => ['qfile' => UploadedFile::fake()->createWithContent('x.png', '<svg onload=alert(1)>')],
        ])->assertSee('This file can not be taken');
        $this->post('/read/book', [
            'seen' => $seen,
            'a' => $this->answers(),
            'upload' => ['qfile' => UploadedFile::fake()->image('large.png', 8, 8)->size(6_000)],
        ])->assertSee('This file can not be taken');
        self::assertSame([0, 0], [$this->form->entries()->count(), DB::table('pictures')->count()]);
        $this->post('/read/book', ['seen' => $seen, 'a' => $this->answers(), 'file' => ['qfile' => 'forged']])->assertSee('Thank you.');
        self::assertNull($this->tree($this->form->entries()->firstOrFail())->find('qfile'));
        $this->post('/read/book', [
            'seen' => $seen,
            'a' => ['qmail' => 'nobody'] + $this->answers(),
            'upload' => ['qfile' => UploadedFile::fake()->image('bench.png', 8, 8)],
        ])
            ->assertOk()
            ->assertSee('Taken: bench.png');
        $chunk = (string) DB::table('pictures')->where('item_id', $this->form->id)->value('chunk');
        $this->post('/read/book', [
            'seen' => $seen,
            'a' => $this->answers(),
            'file' => ['qfile' => Answering::seal($chunk, 'bench.png')],
        ])->assertSee('Thank you.');
        self::assertSame(
            $chunk,
            $this->tree($this->form->entries()->where('number', 2)->firstOrFail())
                ->get('qfile')
                ->string('chunk'),
        );
        $this->post('/read/book', [
            'seen' => $seen,
            'a' => $this->answers(),
            'upload' => [
                'qfile' => UploadedFile::fake()->createWithContent(
                    'plan.pdf',
                    "%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF\n",
                ),
            ],
        ])->assertSee('Thank you.');
        $third = $this->form->entries()->where('number', 3)->firstOrFail();
        $this->actingAs($this->people['editor'])
            ->get(route('item', $third))
            ->assertOk()
            ->assertSee('plan.pdf')
            ->assertDontSee('<img class="part-picture"', false);
        $this->get(route('picture', [$this->form, $this->tree($third)->get('qfile')->string('chunk')]))
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="file.pdf"')
            ->assertHeader('Content-Type', 'application/pdf');
    }

    public function test_a_file_that_waits_for_a_yes_is_there_when_it_comes(): void
    {
        $asked = $this->asked()->parts;
        $this->save(
            $this->form,
            $this->people['owner'],
            PartTree::of([
                new Part('sset', 'settings', 0, ['editable' => true] + $asked[0]->fields),
                ...array_slice($asked, 1),
                new Part('qfile', 'question', 1, ['type' => 'file', 'text' => RichText::plain('A picture'), 'required' => false]),
            ]),
        );
        $this->publish($this->form->refresh(), $this->people['owner']);
        $seen = ['qone', 'qtwo', 'qmail', 'qmany', 'qfile'];
        $this->post('/read/book', ['seen' => $seen, 'a' => $this->answers()])->assertSee('Thank you.');
        $entry = $this->form->entries()->firstOrFail();
        $this->form->shelf->update(['asks_entries' => true]);
        $this->post("/read/book/mine/{$entry->token}", [
            'seen' => $seen,
            'a' => $this->answers(),
            'upload' => ['qfile' => UploadedFile::fake()->image('bench.png', 8, 8)],
        ])->assertSee('Thank you.');
        Date::setTestNow(Date::now()->addDays(40));
        Artisan::call('attic:tidy', ['--at-once' => true]);
        $proposal = Proposal::query()->where('item_id', $entry->id)->firstOrFail();
        $this->actingAs($this->people['owner'])
            ->put(route('proposal.answer', [$entry, $proposal]), ['answer' => 'accepted', 'seen' => $entry->head])
            ->assertSessionHasNoErrors();
        $this->get(route('picture', [$this->form, $this->tree($entry->refresh())->get('qfile')->string('chunk')]))->assertOk();
        $this->assertVerified();
    }

    public function test_who_answered_is_told_and_changes_it_by_its_own_address_while_the_form_lets_them(): void
    {
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])->assertDontSee(
            'change your answers',
        );
        $this->setting(['editable' => true]);
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])->assertSee(
            'change your answers',
        );
        $entry = $this->form->entries()->where('number', 2)->firstOrFail();
        $mine = "/read/book/mine/{$entry->token}";
        $this->actingAs($this->people['owner'])
            ->get(route('entries.outbox', $this->form))
            ->assertOk()
            ->assertSee('a@b.example')
            ->assertSee($mine)
            ->assertSee('they are number 2')
            ->assertDontSee('A cable');
        self::assertSame(2, DB::table('mails')->count());
        $this->get($mine)->assertOk()->assertSee('A cable')->assertHeader('Referrer-Policy', 'same-origin');
        $this->post($mine, ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => ['qmany' => 'x'] + $this->answers()])->assertSee(
            'Write a number',
        );
        $this->post($mine, ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => ['qmany' => '5'] + $this->answers()])->assertSee(
            'Thank you.',
        );
        self::assertSame([5, 2], [$this->tree($entry)->get('qmany')->fields['value'], $entry->refresh()->head]);
        // Opened before somebody else edited another field: both stay.
        $base = $entry->root;
        $this->put(route('entry.save', $entry), [
            'base' => $base,
            'a' => ['qmail' => 'c@d.example', 'qmany' => '5'] + $this->answers(),
        ])->assertRedirect();
        $this->post($mine, [
            'base' => $base,
            'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
            'a' => ['qmany' => '6'] + $this->answers(),
        ])->assertSee('Thank you.');
        self::assertSame(
            ['c@d.example', 6],
            [$this->tree($entry)->get('qmail')->fields['value'], $this->tree($entry)->get('qmany')->fields['value']],
        );
        $this->post($mine, [
            'base' => str_repeat('a', 40),
            'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
            'a' => $this->answers(),
        ])->assertStatus(409);
        $this->get('/read/book/mine/'.str_repeat('x', 40))->assertNotFound();
        $this->setting(['editable' => false]);
        $this->get($mine)->assertNotFound();
    }

    public function test_a_visitor_whose_answer_somebody_changed_in_the_meantime_sees_both_and_chooses(): void
    {
        $this->setting(['editable' => true]);
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])->assertSee('Thank you.');
        $entry = Item::query()->where('form_id', $this->form->id)->latest('id')->firstOrFail();
        $mine = "/read/book/mine/{$entry->token}";
        $base = $entry->root;
        $this->actingAs($this->people['editor'])
            ->put(route('entry.save', $entry), ['base' => $base, 'a' => ['qmany' => '7'] + $this->answers()])
            ->assertRedirect();
        $this->app['auth']->forgetGuards();
        $this->post($mine, ['base' => $base, 'seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => ['qmany' => '6'] + $this->answers()])
            ->assertOk()
            ->assertSee('Which of the two?')
            ->assertSeeInOrder(['Yours:', '6', 'Changed here:', '7'], false)
            ->assertDontSee('Thank you.');
        $this->get($mine)->assertSee('Which of the two?');
        $held = HeldEdit::query()->firstOrFail();
        $this->actingAs($this->people['owner'])->get(route('shelf', $this->form->shelf))->assertSee('An edit of Visitor’s is held back');
        $this->app['auth']->forgetGuards();
        $this->post("{$mine}/settle", ['choice' => [$held->id => 'mine']])->assertOk()->assertSee('Thank you.');
        self::assertSame(6, $this->tree($entry)->get('qmany')->fields['value']);
        $this->get($mine)->assertDontSee('Which of the two?');
        $this->post('/read/book/mine/'.str_repeat('x', 40).'/settle')->assertNotFound();
    }

    public function test_half_of_it_is_kept_for_another_day(): void
    {
        $kept = $this->post('/read/book', [
            'seen' => ['qone', 'qtwo'],
            'a' => ['qone' => 'cone', 'qtwo' => 'Half a sentence', 'qnone' => 'forged'],
            'later' => '1',
        ])
            ->assertOk()
            ->assertSee('kept for 30 days');
        preg_match('~href="([^"]+kept=[A-Za-z0-9]{40})"~', (string) $kept->getContent(), $found);
        $this->get(html_entity_decode($found[1] ?? ''))->assertOk()->assertSee('Half a sentence')->assertSee('value="cone" checked', false);
        self::assertSame(0, $this->form->entries()->count());
        $this->get('/read/book?kept=nothing')->assertOk()->assertDontSee('Half a sentence');
        self::assertStringNotContainsString('forged', (string) DB::table('half_answers')->value('sent'));
        Date::setTestNow(Date::now()->addDays(31));
        Artisan::call('attic:tidy');
        self::assertSame(0, DB::table('half_answers')->count());
    }

    public function test_a_version_is_tried_out_and_nothing_is_kept(): void
    {
        $this->save(
            $this->form,
            $this->people['owner'],
            PartTree::of([
                ...$this->asked()->parts,
                new Part('qnew', 'question', 1, ['type' => 'short', 'text' => RichText::plain('Anything else?'), 'required' => false]),
            ]),
        );
        $this->actingAs($this->people['owner'])
            ->get(route('try', [$this->form, 3]))
            ->assertSee('Nothing that you write here is kept')
            ->assertSee('What is it?');
        $this->post(route('try', [$this->form, 3]), ['seen' => ['qone', 'qtwo'], 'a' => ['qone' => 'ctwo']])->assertSee('Anything else?');
        $this->post(route('try', [$this->form, 2]), [
            'seen' => ['qone', 'qmail', 'qmany'],
            'a' => ['qone' => 'ctwo', 'qmail' => 'a@b.example'],
        ])
            ->assertSee('Thank you.')
            ->assertSee('Clothes');
        self::assertSame(0, $this->form->entries()->count());
        $this->actingAs($this->people['viewer'])->get(route('try', [$this->form, 3]))->assertNotFound();
    }

    public function test_it_opens_and_closes_and_is_answered_once(): void
    {
        $this->setting(['opens' => '2026-06-01']);
        $this->get('/read/book')->assertSee('This opens on 1 June 2026');
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])->assertSee('This opens on');
        $this->setting(['closes' => '2026-04-01']);
        $this->get('/read/book')->assertSee('This was open until');
        $this->setting(['audience' => 'shelf']);
        $this->get('/read/book')->assertSee('Only the people of its shelf');
        $this->setting(['audience' => 'named', 'people' => ['TOBI@example.org']]);
        $this->actingAs($this->people['viewer'])->get(route('answer', $this->form))->assertSee('you are not on the list');
        $this->setting(['audience' => 'shelf', 'once' => true]);
        $this->actingAs($this->people['editor'])
            ->post(route('answer.store', $this->form), ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])
            ->assertSee('Thank you.');
        $this->get(route('answer', $this->form))->assertSee('You have answered this already');
        self::assertSame(1, $this->form->entries()->count());
        self::assertSame('Tobi Brandt', $this->form->entries()->firstOrFail()->versions()->firstOrFail()->user->name);
    }

    public function test_once_only_holds_in_the_transaction_that_takes_the_entry(): void
    {
        $this->setting(['audience' => 'shelf', 'once' => true]);
        $live = Publishing::query()->with('version')->findOrFail($this->form->refresh()->live_id);
        $take = fn (): ?Item => $this->app->make(TakeEntry::class)->handle($this->form, $live, $this->people['editor'], PartTree::of([]));
        self::assertSame([true, false, false, false], [$take() !== null, $take() !== null, $take() !== null, $take() !== null]);
        $this->app->make(Unpublish::class)->handle($this->form->refresh(), $this->people['owner']);
        self::assertNull($this->app->make(TakeEntry::class)->handle($this->form, $live, $this->people['owner'], PartTree::of([])));
    }

    public function test_a_form_that_nobody_could_answer_is_not_published(): void
    {
        $tree = $this->asked();
        foreach (
            [
                'It opens on 1 June 2026, after it closes on 1 April 2026.' => [
                    new Part(
                        'sset',
                        'settings',
                        0,
                        ['opens' => ['d', '2026-06-01'], 'closes' => ['d', '2026-04-01']] + $tree->parts[0]->fields,
                    ),
                    ...array_slice($tree->parts, 1),
                ],
                '“What is it?” has a choice without words.' => array_map(
                    fn (Part $part) => $part->id === 'ctwo' ? $part->with('label', '') : $part,
                    $tree->parts,
                ),
            ] as $why => $parts
        ) {
            $live = $this->form->refresh()->live_id;
            $this->save($this->form, $this->people['owner'], PartTree::of($parts));
            $this->actingAs($this->people['owner'])
                ->from(route('publish', [$this->form, $this->form->refresh()->head]))
                ->post(route('publish.store', [$this->form, $this->form->head]))
                ->assertSessionHasErrors('note');
            self::assertStringContainsString($why, (string) session('errors')->first('note'));
            self::assertSame($live, $this->form->refresh()->live_id);
        }
    }

    public function test_nothing_that_a_visitor_typed_vanishes(): void
    {
        $seen = ['qone', 'qtwo', 'qmail', 'qmany'];
        // To a question that was just removed, and to one that a rule skips.
        $this->post('/read/book', ['seen' => $seen, 'a' => ['qgone' => 'Words to a question that went'] + $this->answers()])
            ->assertSee('Thank you.')
            ->assertSee('was not sent')
            ->assertSee('Words to a question that went');
        $this->post('/read/book', ['seen' => $seen, 'a' => ['qone' => 'ctwo'] + $this->answers()])
            ->assertSee('Thank you.')
            ->assertSee('What is wrong with it?')
            ->assertSee('A cable');
        // What was typed on an earlier page comes along, though it is not asked for now.
        $this->post('/read/book', [
            'seen' => ['qone', 'qtwo'],
            'a' => ['qone' => 'cone', 'qtwo' => 'A cable', 'qgone' => 'Words to a question that went'],
        ])->assertSee('name="a[qgone]" value="Words to a question that went"', false);
        // It closes, and it goes offline, while somebody fills it in.
        $this->setting(['closes' => '2026-04-01']);
        $this->post('/read/book', ['seen' => $seen, 'a' => $this->answers()])
            ->assertSee('This was open until')
            ->assertSee('A cable')
            ->assertSee('Something with a plug');
        $this->app->make(Unpublish::class)->handle($this->form->refresh(), $this->people['owner']);
        $this->post('/read/book', ['seen' => $seen, 'a' => $this->answers()])
            ->assertStatus(410)
            ->assertSee('A cable')
            ->assertDontSee('What is wrong')
            ->assertDontSee('Book a repair');
    }

    public function test_what_is_kept_for_another_day_keeps_pictures_and_goes_on_where_answers_are_changed(): void
    {
        $this->save(
            $this->form,
            $this->people['owner'],
            PartTree::of([
                ...$this->asked()->parts,
                new Part('qfile', 'question', 1, ['type' => 'file', 'text' => RichText::plain('A picture of it'), 'required' => false]),
            ]),
        );
        $this->publish($this->form, $this->people['owner']);
        $kept = $this->post('/read/book', [
            'seen' => ['qone'],
            'a' => ['qone' => 'cone'],
            'upload' => ['qfile' => UploadedFile::fake()->image('lamp.png', 8, 8)],
            'later' => '1',
        ])->assertSee('kept for 30 days');
        preg_match('~href="([^"]+kept=[A-Za-z0-9]{40})"~', (string) $kept->getContent(), $found);
        $this->get(html_entity_decode($found[1] ?? ''))->assertOk()->assertSee('name="file[qfile]"', false);

        $this->setting(['editable' => true]);
        $entry = $this->entry();
        $half = $this->post("/read/book/mine/{$entry->token}", [
            'base' => $entry->root,
            'seen' => ['qone', 'qtwo'],
            'a' => ['qtwo' => 'Half changed'] + $this->answers(),
            'later' => '1',
        ])->assertSee('kept for 30 days');
        self::assertSame(1, $entry->refresh()->head);
        preg_match('~href="([^"]+kept=[A-Za-z0-9]{40})"~', (string) $half->getContent(), $found);
        $this->get(html_entity_decode($found[1] ?? ''))->assertOk()->assertSee('Half changed');
    }

    public function test_files_are_looked_at_after_their_question_bounded_and_swept_when_nothing_came_of_them(): void
    {
        $picture = fn (): UploadedFile => UploadedFile::fake()->image('lamp.png', 8, 8);
        $this->post('/read/book', [
            'seen' => ['qone'],
            'a' => ['qone' => 'cone'],
            'upload' => ['qone' => $picture(), 'qnone' => $picture()],
            'later' => '1',
        ])->assertOk();
        self::assertSame(0, DB::table('pictures')->count());

        $this->save(
            $this->form,
            $this->people['owner'],
            PartTree::of([
                ...$this->asked()->parts,
                new Part('qfile', 'question', 1, ['type' => 'file', 'text' => RichText::plain('A picture of it'), 'required' => false]),
            ]),
        );
        $this->publish($this->form, $this->people['owner']);
        $seen = ['qone', 'qtwo', 'qmail', 'qmany', 'qfile'];
        $this->post('/read/book', [
            'seen' => ['qone'],
            'a' => ['qone' => 'cone'],
            'upload' => ['qfile' => UploadedFile::fake()->image('other.png', 9, 9)],
        ])->assertOk();
        $this->post('/read/book', ['seen' => $seen, 'a' => $this->answers(), 'upload' => ['qfile' => $picture()]])->assertSee('Thank you.');
        self::assertSame([0, 1], DB::table('pictures')->orderBy('is_used')->pluck('is_used')->all());
        $chunks = DB::table('chunks')->count();
        Date::setTestNow(Date::now()->addDays(32));
        Artisan::call('attic:tidy', ['--at-once' => true]);
        self::assertSame([[1], $chunks - 1], [DB::table('pictures')->pluck('is_used')->all(), DB::table('chunks')->count()]);
        $this->assertVerified();
        // Nor when versions of the form go, none of which shows what was answered.
        foreach (['One', 'Another', 'And one more'] as $text) {
            $this->save(
                $this->form->refresh(),
                $this->people['owner'],
                PartTree::of(
                    array_map(
                        fn (Part $part) => $part->id === 'qone' ? $part->with('text', RichText::plain($text)) : $part,
                        $this->tree($this->form)->parts,
                    ),
                ),
            );
            Date::setTestNow(Date::now()->addHour());
        }
        self::assertSame(1, $this->app->make(LetGo::class)->handle($this->form->refresh(), [$this->form->head - 2]));
        self::assertSame([1], DB::table('pictures')->pluck('is_used')->all());
        // What was sent and is wanted for good afterwards is not swept.
        $bytes = (string) UploadedFile::fake()->image('third.png', 7, 7)->getContent();
        $keep = $this->app->make(KeepPicture::class);
        self::assertFalse($keep->file($this->form, $bytes)?->is_used);
        self::assertTrue($keep->handle($this->form, $bytes)?->refresh()->is_used);
        // A few bytes that unfold into a large picture.
        self::assertNull(
            KeepPicture::type("\x89PNG\r\n\x1a\n\x00\x00\x00\rIHDR".pack('NN', 20_000, 20_000)."\x08\x02\x00\x00\x00".pack('N', 0)),
        );
    }

    public function test_outsiders_make_a_form_send_and_mail_so_much_a_day_and_no_more(): void
    {
        $bounds = new SendingBounds;
        self::assertSame([true, true, true, false], array_map(fn () => $bounds->mayMail($this->form, 'Victim@b.example'), range(1, 4)));
        self::assertFalse($bounds->mayMail($this->form, 'victim@b.example'));
        self::assertSame(300, count(array_filter(range(1, 400), fn () => $bounds->maySend($this->form, '10.0.0.1'))));
        self::assertTrue($bounds->maySend($this->form, '10.0.0.2'));
        self::assertSame(
            [true, false],
            [$bounds->mayFile($this->form, '10.0.0.1', 99_000_000), $bounds->mayFile($this->form, '10.0.0.1', 5_000_000)],
        );
        array_map(fn () => $bounds->maySend($this->form, '127.0.0.1'), range(1, 300));
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])
            ->assertSee('Too much was sent')
            ->assertSee('A cable');
        self::assertSame(0, $this->form->entries()->count());
    }

    public function test_named_people_answer_wherever_they_are_and_see_nothing_else(): void
    {
        $this->setting(['audience' => 'named', 'people' => ['NELL@example.org']]);
        $this->actingAs($this->people['stranger'])
            ->get(route('answer', $this->form))
            ->assertOk()
            ->assertSee('What is it?')
            ->assertDontSee('Open days')
            ->assertSee('name="_token"', false);
        $this->post(route('answer.store', $this->form), ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])
            ->assertOk()
            ->assertSee('Thank you.')
            ->assertDontSee('Open days');
        self::assertSame($this->people['stranger']->id, $this->form->entries()->firstOrFail()->versions()->firstOrFail()->user_id);
        foreach (['item', 'history', 'entries', 'list'] as $route) {
            $this->get(route($route, $this->form))->assertNotFound();
        }
        $this->actingAs($this->people['viewer'])->get(route('answer', $this->form))->assertOk()->assertSee('you are not on the list');
        $this->setting(['audience' => 'shelf']);
        $this->actingAs($this->people['stranger'])->get(route('answer', $this->form))->assertNotFound();
    }

    public function test_answers_to_a_question_that_is_gone_are_kept_and_come_back_with_it(): void
    {
        $entry = $this->entry();
        $without = PartTree::of(array_values(array_filter($this->asked()->parts, fn (Part $part) => $part->id !== 'qtwo')));
        $this->save($this->form, $this->people['owner'], $without);
        $this->actingAs($this->people['owner']);
        // A draft changes nothing of what is asked.
        $this->get(route('entries', $this->form))->assertDontSee('no longer asked');
        $this->get(route('item', $entry))->assertDontSee('Questions that are gone');
        $this->publish($this->form, $this->people['owner']);
        $this->get(route('entries', $this->form))->assertSee('no longer asked')->assertSee('A cable');
        $this->get(route('entries.sums', $this->form))->assertSee('Removed question');
        $this->get(route('item', $entry))->assertSee('Questions that are gone')->assertSee('A cable');
        $this->get(route('history', ['item' => $this->form, 'from' => 2, 'to' => 3]))->assertSee('one answer is out of sight');
        // Whatever an address asks for, also what a form has no view of.
        foreach (['was', 'changed', 'who'] as $view) {
            foreach (['together', 'side', 'source'] as $layout) {
                $this->get(
                    route('history', ['item' => $this->form, 'from' => 2, 'to' => 3, 'view' => $view, 'layout' => $layout]),
                )->assertOk();
            }
        }
        $this->get(route('restore', [$this->form, 2]))->assertSee('one answer comes back into place');
        // An edit in the meantime leaves them alone.
        $this->put(route('entry.save', $entry), [
            'base' => $entry->refresh()->root,
            'a' => ['qone' => 'cone', 'qmail' => 'c@d.example', 'qmany' => '2'],
        ])->assertRedirect();
        self::assertSame('A cable', $this->tree($entry)->get('qtwo')->richText()->text());
        $this->post(route('restore.store', [$this->form, 2]), ['seen' => 3])->assertRedirect();
        $this->publish($this->form, $this->people['owner']);
        $this->get(route('entries', $this->form))->assertDontSee('no longer asked')->assertSee('A cable');
    }

    public function test_an_answer_that_nobody_touched_stays_whatever_became_of_its_question(): void
    {
        $entry = $this->entry();
        $parts = fn (callable $change): PartTree => PartTree::of(
            array_values(array_filter(array_map($change, $this->tree($this->form)->parts))),
        );
        $edit = function (array $answers) use ($entry): PartTree {
            Date::setTestNow(Date::now()->addMinutes(2));
            $page = (string) $this->actingAs($this->people['editor'])->get(route('item', $entry))->assertOk()->getContent();
            preg_match_all('/name="shown\[\]" value="(\w+)"/', $page, $shown);
            $sent = [];
            preg_match_all(
                '/name="a\[(\w+)\]"[^>]*value="([^"]*)"[^>]* checked|<input class="input"[^>]*name="a\[(\w+)\]"[^>]*value="([^"]*)"|<textarea[^>]*name="a\[(\w+)\]"[^>]*>([^<]*)</',
                $page,
                $found,
                PREG_SET_ORDER,
            );
            foreach ($found as $one) {
                [$name, $value] = array_slice(
                    array_values(array_filter($one, fn (string $text, int $at) => $at > 0 && $text !== '', ARRAY_FILTER_USE_BOTH)),
                    0,
                    2,
                ) + ['', ''];
                $sent[$name] = html_entity_decode($value);
            }
            $this->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'shown' => $shown[1], 'a' => $answers + $sent])
                ->assertSessionHasNoErrors()
                ->assertRedirect();

            return $this->tree($entry);
        };
        $before = $this->tree($entry)->get('qone');
        self::assertSame(['cone', 'Something with a plug'], [$before->strings('choices')[0], $before->strings('said')[0]]);

        // The choice that was chosen goes, first in a draft and then for everybody; another field is edited.
        $this->save($this->form, $this->people['owner'], $parts(fn (Part $part) => $part->id === 'cone' ? null : $part));
        self::assertSame(
            ['d@e.example', $before->fields],
            [$edit(['qmail' => 'd@e.example'])->get('qmail')->fields['value'], $this->tree($entry)->get('qone')->fields],
        );
        $this->publish($this->form, $this->people['owner']);
        $this->get(route('item', $entry))->assertSee('not offered any more');
        self::assertSame($before->fields, $edit(['qmail' => 'e@f.example'])->get('qone')->fields);
        $this->get(route('entries.sums', $this->form))->assertSee('Something with a plug')->assertDontSee('cone');

        // The question is of another type now: it is shown as it was asked.
        $this->save(
            $this->form,
            $this->people['owner'],
            $parts(
                fn (Part $part) => $part->id === 'qone'
                    ? new Part('qone', 'question', $part->depth, ['type' => 'short'] + $part->fields)
                    : (in_array($part->id, ['cone', 'ctwo'], true) || $part->role === 'skip_rule'
                        ? null
                        : $part),
            ),
        );
        $this->publish($this->form, $this->people['owner']);
        self::assertSame($before->fields, $edit(['qmail' => 'f@g.example'])->get('qone')->fields);
        self::assertSame('ctwo', $edit(['qone' => 'ctwo'])->get('qone')->strings('choices')[0]);
        // What was shown and is taken off is gone; what was not shown and not sent is not.
        $this->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'a' => ['qmany' => '4']]);
        self::assertSame(
            ['ctwo', 4],
            [$this->tree($entry)->get('qone')->strings('choices')[0], $this->tree($entry)->get('qmany')->fields['value']],
        );
        $this->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'shown' => ['qmany'], 'a' => []]);
        self::assertFalse($this->tree($entry)->has('qmany'));
    }

    public function test_a_page_that_is_sent_as_it_came_changes_no_answer_whatever_is_asked_by_now(): void
    {
        $this->setting(['editable' => true]);
        $this->post('/read/book', [
            'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
            'a' => ['qtwo' => "A cable\nand a lead"] + $this->answers(),
        ])->assertSee('Thank you.');
        $entry = $this->form->entries()->firstOrFail();
        $forms = require __DIR__.'/../answers/forms.php';
        $send = function (string $page, string $to) use ($forms): void {
            $form = array_values(
                array_filter(
                    $forms((string) $this->get($page)->assertOk()->getContent()),
                    fn (array $each) => str_ends_with($each['action'], $to),
                ),
            )[0];
            parse_str($form['fields'], $sent);
            $this->post($form['action'], $sent)->assertSessionHasNoErrors();
        };
        foreach (['short', 'date', 'time', 'number', 'scale', 'yes_no', 'long'] as $type) {
            $tree = $this->tree($this->form->refresh());
            // In another order, too.
            $two = new Part('qtwo', 'question', 1, ['type' => $type] + $tree->get('qtwo')->fields);
            $rest = array_values(array_filter($tree->parts, fn (Part $part) => $part->id !== 'qtwo'));
            $this->save(
                $this->form,
                $this->people['owner'],
                PartTree::of($type === 'date' ? [...$rest, $two] : [...array_slice($rest, 0, 2), $two, ...array_slice($rest, 2)]),
            );
            $this->publish($this->form, $this->people['owner']);
            Date::setTestNow(Date::now()->addMinutes(2));
            $root = $entry->refresh()->root;
            $send("/read/book/mine/{$entry->token}", "/read/book/mine/{$entry->token}");
            self::assertSame($root, $entry->refresh()->root, "by its sender, {$type}");
            $this->actingAs($this->people['editor']);
            $send(route('item', $entry), '/answers');
            self::assertSame($root, $entry->refresh()->root, "by an editor, {$type}");
            $this->app['auth']->forgetGuards();
        }
    }

    public function test_after_an_error_the_fields_show_what_was_typed(): void
    {
        $entry = $this->entry();
        $this->actingAs($this->people['editor'])
            ->put(route('entry.save', $entry), [
                'base' => $entry->root,
                'a' => ['qmany' => 'quite a few', 'qmail' => 'new@b.example'] + $this->answers(),
            ])
            ->assertSessionHasErrors('qmany');
        $this->get(route('item', $entry))->assertSee('quite a few')->assertSee('new@b.example');
        foreach (
            ['1,5' => 1.5, '1 500' => 1500, '1.500,5' => 1500.5, '1,500.5' => 1500.5, '0,125' => 0.125, '12' => 12] as $typed => $number
        ) {
            $this->put(route('entry.save', $entry), [
                'base' => $entry->refresh()->root,
                'a' => ['qmany' => (string) $typed],
            ])->assertSessionHasNoErrors();
            self::assertEquals($number, $this->tree($entry)->get('qmany')->fields['value'], (string) $typed);
        }
        $this->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'a' => ['qmany' => '1,500']])->assertSessionHasErrors([
            'qmany' => 'How many?: Is that 1500 or 1.500? Write it so.',
        ]);
    }

    public function test_an_entry_that_was_taken_away_is_not_edited_and_its_history_says_who_did_what(): void
    {
        $entry = $this->entry();
        $this->actingAs($this->people['editor'])->delete(route('entry.delete', $entry))->assertRedirect();
        $this->put(route('entry.save', $entry), ['base' => $entry->root, 'a' => ['qmany' => '9']])
            ->assertForbidden()
            ->assertSee('Bring it back first');
        $this->actingAs($this->people['owner'])->put(route('entry.undelete', $entry))->assertRedirect();
        $this->put(route('entry.undelete', $entry));
        $this->delete(route('entry.delete', $entry));
        self::assertSame(
            [[$this->people['editor']->id, false], [$this->people['owner']->id, true], [$this->people['owner']->id, false]],
            $entry->removals()->orderBy('id')->get()->map(fn ($one) => [$one->user_id, $one->back])->all(),
        );
        $this->get(route('list', $entry))->assertSeeText('Tobi removed it')->assertSeeText('Ines brought it back');
    }

    public function test_an_entry_has_a_history_field_by_field_and_comes_back(): void
    {
        $entry = $this->entry();
        $base = $entry->root;
        $this->actingAs($this->people['editor'])
            ->put(route('entry.save', $entry), ['base' => $base, 'a' => ['qmail' => 'c@d.example'] + $this->answers()])
            ->assertRedirect();
        Date::setTestNow(Date::now()->addHour());
        // From the same page, another field: both stay.
        $this->actingAs($this->people['owner'])
            ->put(route('entry.save', $entry), ['base' => $base, 'a' => ['qmany' => '7'] + $this->answers()])
            ->assertRedirect();
        $tree = $this->tree($entry);
        self::assertSame(['c@d.example', 7], [$tree->get('qmail')->fields['value'], $tree->get('qmany')->fields['value']]);
        $this->get(route('history', ['item' => $entry, 'from' => 1, 'to' => 3]))
            ->assertOk()
            ->assertSeeText('Changed “Your address” from “a@b.example” to “c@d.example”')
            ->assertSeeText('Changed “How many?” from “3” to “7”')
            ->assertSee('2 answers the same');
        $this->get(route('part', [$entry, 'qmany']))->assertOk()->assertSee('Bring this back');
        $this->post(route('part.restore', [$entry, 'qmany', 1]), ['seen' => 3])->assertRedirect();
        self::assertSame(
            ['c@d.example', 3],
            [$this->tree($entry)->get('qmail')->fields['value'], $this->tree($entry)->get('qmany')->fields['value']],
        );
        self::assertSame(
            '3',
            DB::table('answers')
                ->where(['item_id' => $entry->id, 'question' => 'qmany'])
                ->value('text'),
        );
        $this->put(route('entry.save', $entry), [
            'base' => $entry->refresh()->root,
            'a' => ['qmany' => 'many'] + $this->answers(),
        ])->assertSessionHasErrors('qmany');
        $this->delete(route('entry.delete', $entry))->assertRedirect(route('entries', $this->form));
        $this->get(route('entries', $this->form))->assertSee('Nobody has answered yet');
        $this->get(route('entries', ['item' => $this->form, 'gone' => 1]))->assertSee('c@d.example');
        $this->get(route('item', $entry))->assertSee('removed this entry')->assertSee('Bring it back');
        $this->put(route('entry.undelete', $entry))->assertRedirect();
        $this->get(route('entries', $this->form))->assertSee('c@d.example');
        $this->assertVerified();
    }

    public function test_what_one_person_changed_over_many_entries_is_taken_out_together_and_later_work_stays(): void
    {
        foreach (['one@b.example', 'two@b.example', 'three@b.example'] as $mail) {
            $this->post('/read/book', [
                'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
                'a' => ['qmail' => $mail] + $this->answers(),
            ])->assertSee('Thank you.');
        }
        [$first, $second, $third] = [...$this->form->entries()->orderBy('number')->get(), $this->form, $this->form, $this->form];
        foreach ([$first, $second, $third] as $entry) {
            Date::setTestNow(Date::now()->addHour());
            $this->actingAs($this->people['editor'])
                ->put(route('entry.save', $entry), ['base' => $entry->root, 'a' => ['qmail' => 'wrong@b.example'] + $this->answers()])
                ->assertRedirect();
        }
        Date::setTestNow(Date::now()->addHour());
        $second->refresh();
        $this->actingAs($this->people['owner'])
            ->put(route('entry.save', $second), [
                'base' => $second->root,
                'a' => ['qmail' => 'wrong@b.example', 'qmany' => '8'] + $this->answers(),
            ])
            ->assertRedirect();
        $changes = ['item' => $this->form, 'by' => $this->people['editor']->id];
        $this->get(route('entries.changes', $changes))
            ->assertOk()
            ->assertSeeText('Changed “Your address” from “one@b.example” to “wrong@b.example”');
        $this->get(route('entries.changes', [...$changes, 'until' => '2026-01-01']))->assertSee('Nothing in that time');
        $this->post(route('entries.changes.out', $changes))->assertSessionHasErrors('entries');
        $this->post(route('entries.changes.out', $changes), ['entries' => [$first->key, $second->key]])->assertSessionHas(
            'said',
            'Took what Tobi changed out of 2 entries.',
        );
        $mails = $this->form
            ->entries()
            ->orderBy('number')
            ->get()
            ->map(fn (Item $entry) => $this->tree($entry)->get('qmail')->fields['value'])
            ->all();
        self::assertSame(['one@b.example', 'two@b.example', 'wrong@b.example'], $mails);
        self::assertSame(8, $this->tree($second)->get('qmany')->fields['value']);
        self::assertSame('one@b.example', DB::table('answers')->where(['item_id' => $first->id, 'question' => 'qmail'])->value('text'));
        // What was taken out is shown no more, until that is taken back.
        $this->get(route('entries.changes', $changes))->assertDontSee('two@b.example')->assertSee('three@b.example');
        $this->post(route('restore.undo', [$first, 3]))->assertSessionHasNoErrors();
        $this->get(route('entries.changes', $changes))->assertSee('one@b.example')->assertDontSee('two@b.example');
        $this->assertVerified();
    }

    public function test_what_one_person_changed_is_taken_out_of_all_entries_in_pieces_and_what_stayed_is_named(): void
    {
        $live = Publishing::query()->findOrFail($this->form->refresh()->live_id);
        $text = fn (string $mail): PartTree => PartTree::of([new Part('qmail', 'answer', 0, ['label' => 'Your address', 'value' => $mail])]);
        $save = fn (Item $entry, string $who, string $mail) => $this->app
            ->make(SaveState::class)
            ->handle($entry, $this->people[$who], new Sent($entry->root, $text($mail), $who, keep: true));
        for ($i = 1; $i <= 103; $i++) {
            Date::setTestNow(Date::now()->addMinute());
            $entry = $this->app->make(TakeEntry::class)->handle($this->form, $live, null, $text("a{$i}@b.example")) ?? self::fail();
            $save($entry, 'editor', "wrong{$i}@b.example");
            $i !== 2 || $save($entry, 'owner', 'right@b.example');
        }
        $changes = ['item' => $this->form, 'by' => $this->people['editor']->id];
        // Who changed something last is shown at once.
        $this->actingAs($this->people['editor'])
            ->get(route('entries.changes', $this->form))
            ->assertOk()
            ->assertSee('of 103 entries')
            ->assertSeeText('Changed “Your address” from “a103@b.example”');
        $this->get(route('entries.changes', [...$changes, 'page' => 2]))->assertSee(
            'stays: Your address, it was set to something else later',
        );
        $this->post(route('entries.changes.out', $changes), ['all' => 1])->assertSessionHas(
            'going',
            fn (array $going): bool => $going['done'] === 99 && $going['of'] === 103,
        );
        $going = session('going') ?? self::fail();
        $this->get(route('entries.changes', $changes))->assertSee('Taken out of 99 of 103 entries');
        $this->post(route('entries.changes.out', $changes), ['all' => 1, ...$going])->assertSessionHas(
            'said',
            'Took what Tobi changed out of 102 entries.',
        );
        $this->get(route('entries.changes', $changes))->assertSee('This stayed:')->assertSee('it was set to something else later');
        self::assertSame(
            ['right@b.example'],
            DB::table('answers')->where('form_id', $this->form->id)->where('text', 'NOT LIKE', 'a%')->pluck('text')->all(),
        );
        $this->assertVerified();
    }

    public function test_entries_are_sorted_found_and_summed_up(): void
    {
        foreach ([['a@b.example', '10'], ['c@d.example', '9'], ['e@f.example', '100']] as [$mail, $many]) {
            $this->post('/read/book', [
                'seen' => ['qone', 'qtwo', 'qmail', 'qmany'],
                'a' => ['qmail' => $mail, 'qmany' => $many] + $this->answers(),
            ])->assertSee('Thank you.');
        }
        $this->actingAs($this->people['editor']);
        $this->get(route('entries', ['item' => $this->form, 'sort' => 'qmany']))->assertSeeInOrder([
            'c@d.example',
            'a@b.example',
            'e@f.example',
        ]);
        $this->get(route('entries', ['item' => $this->form, 'sort' => 'qmany', 'down' => 1]))->assertSeeInOrder([
            'e@f.example',
            'a@b.example',
            'c@d.example',
        ]);
        $this->get(route('entries', ['item' => $this->form, 'find' => 'd.exam']))->assertSee('c@d.example')->assertDontSee('a@b.example');
        $this->get(route('entries', ['item' => $this->form, 'find' => '10', 'in' => 'qmany']))
            ->assertSee('a@b.example')
            ->assertSee('e@f.example')
            ->assertDontSee('c@d.example');
        $this->get(route('entries', ['item' => $this->form, 'find' => '10', 'in' => 'qmail']))->assertSee('No entry has that');
        $this->get(route('entries', ['item' => $this->form, 'find' => '%']))->assertSee('No entry has that');
        $this->get(route('entries.sums', $this->form))->assertSeeTextInOrder([
            'Something with a plug',
            '3',
            '100 %',
            'Sum',
            '119',
            'Median',
            '10',
        ]);
    }

    public function test_columns_are_chosen_and_a_file_has_the_same_ones(): void
    {
        $this->entry();
        $this->actingAs($this->people['editor']);
        $chosen = $this->get(
            route('entries', ['item' => $this->form, 'sort' => 'qmail', 'down' => 1, 'chosen' => 1, 'with' => ['qone', 'qmail']]),
        )
            ->assertRedirect()
            ->headers->get('Location');
        $this->get((string) $chosen)->assertOk()->assertSee('>Your address ↓', false)->assertDontSee('>How many?</a>', false);
        parse_str((string) parse_url((string) $chosen, PHP_URL_QUERY), $query);
        self::assertSame(['sort' => 'qmail', 'down' => '1', 'without' => ['qtwo', 'qmany']], $query);
        $head = strtok($this->get(route('entries.download', [$this->form, 'csv', ...$query]))->assertOk()->getContent() ?: '', "\n");
        self::assertSame('Number,Sent,Sent by,Last changed,By,What is it?,Your address', trim((string) $head));
    }

    public function test_entries_stand_with_their_form_and_not_on_the_shelf(): void
    {
        $entry = $this->entry();
        $this->actingAs($this->people['owner'])->get(route('shelf', $this->shelf))->assertDontSee($entry->key);
        $this->get(route('copy', [$entry, 1]))->assertNotFound();
        $this->get(route('item.file', $entry))->assertNotFound();
        $this->get(route('item.file', $this->form))->assertOk()->assertSee('JSON, as a form is downloaded');
        $this->get(route('download', [$entry, 1, 'json']))->assertOk()->assertSee('"kind": "entry"', false);
        $this->post(route('shelf.make', $this->shelf), [
            'kind' => 'form',
            'file' => UploadedFile::fake()->createWithContent('x.md', 'x'),
        ])->assertSessionHasErrors('file');
    }

    private function asked(): PartTree
    {
        $question = fn (string $id, string $type, string $text, bool $required = false): Part => new Part($id, 'question', 1, [
            'type' => $type,
            'text' => RichText::plain($text),
            'required' => $required,
        ]);

        return PartTree::of([
            new Part('sset', 'settings', 0, [
                'audience' => 'anyone',
                'once' => false,
                'editable' => false,
                'thanks' => RichText::plain('Thank you.'),
            ]),
            new Part('pone', 'page', 0, ['title' => 'The thing']),
            $question('qone', 'one', 'What is it?', true),
            new Part('cone', 'choice', 2, ['label' => 'Something with a plug', 'other' => false]),
            new Part('ctwo', 'choice', 2, ['label' => 'Clothes', 'other' => false]),
            new Part('rone', 'skip_rule', 2, ['when' => 'is', 'value' => 'ctwo', 'action' => 'go', 'target' => 'ptwo']),
            $question('qtwo', 'long', 'What is wrong with it?'),
            new Part('ptwo', 'page', 0, ['title' => 'You']),
            $question('qmail', 'email', 'Your address', true), $question('qmany', 'number', 'How many?'),
        ]);
    }

    /** @return array<string, string> */
    private function answers(): array
    {
        return ['qone' => 'cone', 'qtwo' => 'A cable', 'qmail' => 'a@b.example', 'qmany' => '3'];
    }

    private function entry(): Item
    {
        $this->post('/read/book', ['seen' => ['qone', 'qtwo', 'qmail', 'qmany'], 'a' => $this->answers()])->assertSee('Thank you.');

        return $this->form->entries()->firstOrFail();
    }

    /** @param array<string, mixed> $fields */
    private function setting(array $fields): void
    {
        $tree = $this->asked();
        $this->save(
            $this->form,
            $this->people['owner'],
            PartTree::of([new Part('sset', 'settings', 0, $fields + $tree->parts[0]->fields), ...array_slice($tree->parts, 1)]),
        );
        $this->publish($this->form, $this->people['owner']);
    }
}
