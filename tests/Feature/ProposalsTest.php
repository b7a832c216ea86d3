<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\ProposalState;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use App\View\Proposals\OpenProposals;
use Illuminate\Auth\AuthManager;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Archive;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Document\DocxPackage;
use MistyAttic\Core\Formats\Document\OdtReader;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\TestWith;

final class ProposalsTest extends FeatureCase
{
    private const TEXT = [
        'pone' => 'Every lead is looked at before it goes back on its hook.',
        'ptwo' => 'A lead without a tag is a broken lead.',
        'pthree' => 'Chargers are never left on overnight.',
    ];

    private User $ines;

    private User $nell;

    private User $tobi;

    private User $rafi;

    private Shelf $shelf;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->nell, $this->tobi, $this->rafi] = [
            $this->person('Ines Oduya'),
            $this->person('Nell Warwick'),
            $this->person('Tobi Brandt'),
            $this->person('Rafi Sand'),
        ];
        $this->shelf = $this->shelf('Volunteers', [
            [$this->ines, Role::Owner],
            [$this->nell, Role::Editor],
            [$this->tobi, Role::Editor],
            [$this->rafi, Role::Viewer],
        ]);
        $this->item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'document', 'Handbook');
        $this->write($this->item, self::TEXT, $this->ines);
    }

    public function test_what_is_proposed_changes_nothing_until_it_is_accepted_and_stays_its_authors(): void
    {
        $line = $this->proposes(
            $this->tobi,
            ['pone' => 'Every lead is tested with the plug-in tester before it goes back on its hook.']
                + self::TEXT + ['pfour' => 'Write the date with the paint pen.'],
        );
        self::assertSame([2, self::TEXT['pone']], [$this->item->refresh()->head, $this->said()['pone']]);
        self::assertSame(0, $this->shelf->items()->where('key', $line->key)->count());

        $proposal = Proposal::lineFor($this->tobi, $this->item) ?? self::fail();
        $page = $this->actingAs($this->nell)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Tobi proposes 2 changes')
            ->assertSee('tested with the plug-in tester')
            ->assertSee('Write the date with the paint pen.');
        $this->get(route('item', $this->item))->assertOk()->assertSee('With what is proposed');
        $this->get(route('proposals', [$this->item, 'look' => 'would']))
            ->assertOk()
            ->assertSee('before it goes back')
            ->assertDontSee('looked at before');

        $docx = $this->get(route('proposals.file', [$this->item, $proposal, 'docx']))->assertOk()->getContent();
        $archive = new \ZipArchive;
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'attic'), (string) $docx);
        $archive->open($file);
        self::assertMatchesRegularExpression(
            '~<w:ins [^>]*w:author="Tobi Brandt"[^>]*>.*tested with the plug-in tester~s',
            (string) $archive->getFromName('word/document.xml'),
        );
        $odt = (string) $this->get(route('proposals.file', [$this->item, $proposal, 'odt']))->assertOk()->getContent();
        self::assertSame(
            [['Tobi Brandt'], 2],
            [
                array_column((new OdtReader)->tracked($odt, new FormatLimits)->tracked, 'by'),
                count(explode('<text:deletion>', (string) Archive::of($odt, new FormatLimits)->file('content.xml', 1_000_000))),
            ],
        );
        $this->get(route('proposals.file', [$this->item, $proposal, 'md']))->assertNotFound();

        // One change alone, with a word.
        $this->answer($proposal, 'accepted '.$this->keysOf($page, 'edited:pone'), ['word' => 'Yes, tested.'])->assertSessionHas(
            'said',
            'Accepted: it is version 3 now, under Tobi’s name.',
        );
        self::assertSame(['pone', 'ptwo', 'pthree'], array_keys($this->said()));
        $version = $this->item->versions()->where('number', 3)->firstOrFail();
        self::assertSame(
            [$this->tobi->id, 'Nell accepted Tobi’s: rewrote 6 words in “Every lead is tested with the plug-in tester…”'],
            [$version->user_id, (new Phrases)->version($version->setRelation('item', $this->item))],
        );
        $who = $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 3, 'view' => 'who']))->assertOk();
        self::assertStringContainsString('Tobi', $who->getContent() ?: '');
        $part = Proposal::query()->where('state', ProposalState::Accepted)->firstOrFail();
        self::assertSame(
            [$this->nell->id, 'Yes, tested.', $version->id, 2],
            [$part->decider_id, $part->word, $part->version_id, $part->stands],
        );

        // The rest waits, and is declined.
        $this->get(route('proposals', $this->item))->assertSee('Tobi proposes one change');
        $this->answer($proposal->refresh(), 'declined', ['word' => 'Pens run dry.'])->assertSessionHas('said', 'Declined. Tobi is told.');
        self::assertSame([3, ProposalState::Declined], [$this->item->refresh()->head, $proposal->refresh()->state]);
        $this->get(route('proposals', $this->item))->assertOk()->assertSee('Nell declined what Tobi proposed')->assertSee('Pens run dry.');
        $this->actingAs($this->tobi)->get(route('for-you'))->assertSee('Pens run dry.');
        $this->get(route('proposals', [$this->item, 'of' => $proposal->id]))
            ->assertOk()
            ->assertSee('Write the date with the paint pen.')
            ->assertSee('Propose it again');

        // Taken up again, by its author alone.
        $this->actingAs($this->nell)->post(route('proposals.again', [$this->item, $proposal]))->assertForbidden();
        $this->actingAs($this->tobi)->post(route('proposals.again', [$this->item, $proposal]))->assertSessionHasNoErrors();
        $again = Proposal::lineFor($this->tobi, $this->item) ?? self::fail();
        self::assertNotSame($proposal->id, $again->id);
        $this->actingAs($this->ines);
        $this->answer($again, 'accepted');
        self::assertSame('Write the date with the paint pen.', $this->said()['pfour']);
        $this->assertVerified();
    }

    public function test_the_item_goes_on_meanwhile_and_what_meets_something_is_shown(): void
    {
        $line = $this->proposes(
            $this->tobi,
            [
                'pone' => 'Every lead is tested before it goes back on its hook.',
                'ptwo' => 'A lead without a tag is a broken lead, and goes in the red box.',
            ] + self::TEXT,
        );
        $this->write(
            $this->item,
            ['pone' => 'Every lead is cut up at once.', 'pthree' => 'Chargers are never left on.'] + self::TEXT,
            $this->ines,
        );
        $page = $this->actingAs($this->nell)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Tobi proposes 2 changes')
            ->assertSee('Others wrote here since');
        $proposal = Proposal::lineFor($this->tobi, $this->item) ?? self::fail();
        // Its author goes on from the newest version, and their own words stay.
        $this->actingAs($this->tobi)->post(route('proposals.begin', $this->item))->assertRedirect(route('item', $line));
        self::assertSame(
            ['Chargers are never left on.', 'Every lead is tested before it goes back on its hook.'],
            [$this->said($line)['pthree'], $this->said($line)['pone']],
        );
        self::assertSame([['pone'], 3], [$proposal->refresh()->met, $proposal->stands]);
        $this->actingAs($this->nell)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Tobi proposes 2 changes')
            ->assertSee('Others wrote here since');
        // Looked at by an older page, nothing is answered.
        $this->put(route('proposals.answer', [$this->item, $proposal]), [
            'do' => 'accepted',
            'seen' => 2,
            'state' => $proposal->root,
        ])->assertSessionHasErrors('do');
        $this->answer($proposal, 'accepted '.$this->keysOf($page, 'edited:ptwo'));
        self::assertSame(
            ['Every lead is cut up at once.', 'A lead without a tag is a broken lead, and goes in the red box.'],
            [$this->said()['pone'], $this->said()['ptwo']],
        );
        // Once its author writes there again, it was looked at.
        $this->write($line->refresh(), ['pone' => 'Every lead is tested or cut up.'] + $this->said($line), $this->tobi);
        self::assertSame([], $proposal->refresh()->met);
        $this->answer($proposal, 'accepted');
        self::assertSame('Every lead is tested or cut up.', $this->said()['pone']);
        $this->assertVerified();
    }

    public function test_several_people_propose_over_the_same_words_and_looking_back_shows_what_stood(): void
    {
        $this->proposes($this->tobi, ['pone' => 'Every lead is tested before it goes back on its hook.'] + self::TEXT);
        $this->proposes($this->nell, ['pone' => 'Every lead is measured before it goes back on its hook.'] + self::TEXT);
        $this->write($this->item, self::TEXT + ['pfour' => 'Tags are yellow.'], $this->ines);
        [$tobis, $nells] = [
            Proposal::lineFor($this->tobi, $this->item) ?? self::fail(),
            Proposal::lineFor($this->nell, $this->item) ?? self::fail(),
        ];
        $this->actingAs($this->ines)
            ->get(route('proposals', [$this->item, 'of' => $nells->id]))
            ->assertOk()
            ->assertSee('is measured')
            ->assertSee('Nell proposes one change');
        $this->answer($tobis, 'accepted');
        self::assertStringContainsString('tested', $this->said()['pone']);
        // The other one meets it now.
        $this->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Nell proposes one change')
            ->assertSee('Others wrote here since');
        $this->actingAs($this->nell)
            ->put(route('proposals.answer', [$this->item, $nells]), ['do' => 'withdrawn', 'seen' => 4, 'state' => $nells->root])
            ->assertSessionHasNoErrors();
        self::assertSame(ProposalState::Withdrawn, $nells->refresh()->state);

        self::assertSame(
            [[], 2, 2, 0],
            [
                (new OpenProposals($this->item, 1))->all->all(),
                (new OpenProposals($this->item, 2))->all->count(),
                (new OpenProposals($this->item, 3))->all->count(),
                (new OpenProposals($this->item))->all->count(),
            ],
        );
        $this->get(route('proposals', [$this->item, 'of' => $nells->id, 'at' => 3]))
            ->assertOk()
            ->assertSee('is measured')
            ->assertSee('As it stood when 3 was the newest version.')
            ->assertDontSee('Decline');
        // What was accepted is taken back like a restore.
        $this->actingAs($this->ines)->post(route('restore.undo', [$this->item, 4]))->assertSessionHasNoErrors();
        self::assertSame(self::TEXT['pone'], $this->said()['pone']);
        $this->assertVerified();
    }

    public function test_single_places_of_a_text_and_single_cells_are_answered_and_the_others_wait(): void
    {
        $this->proposes(
            $this->tobi,
            ['pone' => 'Every cable is looked at twice before it goes back on its hook, by two people.'] + self::TEXT,
        );
        $proposal = Proposal::lineFor($this->tobi, $this->item) ?? self::fail();
        $page = $this->actingAs($this->nell)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('3 places, each by itself')
            ->assertSee('“cable” instead of “lead”')
            ->assertSee('put in “, by two people”');
        $this->answer($proposal, 'accepted '.$this->keysOf($page, 'edited:pone/text~0'));
        self::assertSame('Every cable is looked at before it goes back on its hook.', $this->said()['pone']);
        $this->get(route('proposals', $this->item))->assertSee('2 places, each by itself')->assertDontSee('“cable” instead of “lead”');
        // As it stood before it was one proposal, and one goes along with a copy of then.
        self::assertSame(
            [1, 1],
            [Proposal::stood($this->item, $this->item->head - 1)->count(), Proposal::stood($this->item, $this->item->head)->count()],
        );
        $this->post(route('copy.store', [$this->item, $this->item->head - 1]), [
            'title' => 'As it was',
            'shelf' => $this->shelf->key,
            'history' => '1',
            'proposals' => '1',
        ])
            ->assertRedirect()
            ->assertSessionHasNoErrors();
        $this->answer($proposal, 'declined edited:pone/text~0');
        self::assertSame(
            [
                'Every cable is looked at before it goes back on its hook.',
                'Every cable is looked at before it goes back on its hook, by two people.',
            ],
            [$this->said()['pone'], $this->said(($proposal->refresh()->line ?? self::fail())->refresh())['pone']],
        );
        self::assertSame('Declined', ucfirst(Proposal::query()->where('state', ProposalState::Declined)->firstOrFail()->state->value));
        // Accepted by somebody who goes on writing there.
        $this->put(route('proposals.answer', [$this->item, $proposal]), [
            'do' => 'edited edited:pone',
            'seen' => $this->item->refresh()->head,
            'state' => $proposal->refresh()->root,
        ])->assertRedirect(route('item', $this->item).'#part-pone');
        self::assertSame('Every cable is looked at before it goes back on its hook, by two people.', $this->said()['pone']);

        // A cell of a row that is declined leaves the other cells of it.
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Stock');
        $cells = fn (string $one, string $two): PartTree => PartTree::of([
            new Part('tabone', 'tab', 0, ['name' => 'Stock', 'frozen' => 0]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rone', 'row', 1, ['cone' => $one, 'ctwo' => $two]),
        ]);
        $save = fn (Item $item, User $who, PartTree $tree) => $this->actingAs($who)
            ->putJson(route('state.save', $item), [
                'base' => $item->refresh()->root,
                'client' => 'w',
                'keep' => true,
                'content' => $this->wire($tree),
            ])
            ->assertOk();
        $save($sheet, $this->ines, $cells('Lamps', 'red'));
        $this->actingAs($this->tobi)->post(route('proposals.begin', $sheet));
        $line = Proposal::lineFor($this->tobi, $sheet)->line ?? self::fail();
        $save($line, $this->tobi, $cells('Bulbs', 'blue'));
        $this->actingAs($this->nell)
            ->put(route('proposals.answer', [$sheet, Proposal::lineFor($this->tobi, $sheet) ?? self::fail()]), [
                'do' => 'declined edited:rone/cone',
                'seen' => $sheet->refresh()->head,
                'state' => $line->refresh()->root,
            ])
            ->assertSessionHasNoErrors();
        self::assertSame(['cone' => 'Lamps', 'ctwo' => 'blue'], $this->tree($line->refresh())->get('rone')->fields);
        $this->assertVerified();
    }

    public function test_what_everybody_proposes_is_shown_and_answered_at_once(): void
    {
        $this->proposes(
            $this->tobi,
            ['pone' => 'Every lead is tested before it goes back on its hook.'] + self::TEXT + ['pfour' => 'Tags are yellow.'],
        );
        $this->proposes($this->nell, ['pone' => 'Every lead is measured before it goes back on its hook.'] + self::TEXT);
        $third = $this->proposes($this->ines, [...self::TEXT, 'pthree' => 'Chargers are never left on.']);
        $states = Proposal::query()->waiting()->where('item_id', $this->item->id)->pluck('root', 'id')->all();
        $this->actingAs($this->ines)
            ->get(route('proposals', [$this->item, 'of' => 'everybody']))
            ->assertOk()
            ->assertSeeInOrder(['3 people propose 4 changes', 'Tobi', 'Nell', 'Added “Tags are yellow”'])
            ->assertSee('data-below="pthree"', false);
        $this->actingAs($this->rafi)
            ->put(route('proposals.answer-all', $this->item), ['do' => 'accepted', 'states' => $states])
            ->assertForbidden();
        // One is answered here, and one comes back here; of the rest, what meets what was accepted waits.
        $this->write($third, [...$this->said($third), 'ptwo' => 'A lead without a tag is thrown away.'], $this->ines);
        $this->actingAs($this->ines)
            ->put(route('proposals.answer-all', $this->item), ['do' => 'accepted', 'states' => $states, 'word' => 'Fine.'])
            ->assertRedirect(route('proposals', [$this->item, 'of' => 'everybody']))
            ->assertSessionHas(
                'said',
                'Accepted: what one person proposed, as a version under their name. 2 people’s wait: they meet what others wrote, or changed in the meantime.',
            );
        self::assertSame(
            ['Every lead is tested before it goes back on its hook.', 'Chargers are never left on overnight.', 'Tags are yellow.'],
            [$this->said()['pone'], $this->said()['pthree'], $this->said()['pfour']],
        );
        self::assertSame([3, 2], [$this->item->refresh()->head, (new OpenProposals($this->item))->all->count()]);
        $left = Proposal::query()->waiting()->where('item_id', $this->item->id)->pluck('root', 'id')->all();
        $this->put(route('proposals.answer-all', $this->item), ['do' => 'declined', 'states' => $left])->assertSessionHas(
            'said',
            'Declined: what 2 people proposed. They are told.',
        );
        self::assertSame(3, $this->item->refresh()->head);
        $this->get(route('proposals', [$this->item, 'of' => 'everybody']))->assertOk()->assertSee('Nobody proposes anything.');
        $this->assertVerified();
    }

    public function test_what_meets_itself_in_two_windows_of_a_side_line_waits_for_its_author(): void
    {
        $line = $this->proposes($this->tobi, ['pone' => 'Every lead is tested before it goes back on its hook.'] + self::TEXT);
        $older = $line->root;
        $sent = fn (string $text): PartTree => PartTree::of(
            array_map(
                fn (string $id, string $of) => new Part($id, 'paragraph', 0, ['text' => RichText::plain($of)]),
                array_keys(self::TEXT),
                [...array_values(['pone' => $text] + self::TEXT)],
            ),
        );
        foreach (['one' => 'Nothing is tested.', 'two' => 'All of them are cut up.'] as $client => $text) {
            $this->actingAs($this->tobi)
                ->putJson(route('state.save', $line), [
                    'base' => $older,
                    'client' => $client,
                    'keep' => true,
                    'content' => $this->wire($sent($text)),
                ])
                ->assertOk();
        }
        $held = HeldEdit::query()->where('item_id', $line->id)->firstOrFail();
        $this->get(route('for-you'))->assertOk()->assertSee(route('held', [$line, $held]));
        $this->get(route('held', [$line, $held]))->assertOk()->assertSee('All of them are cut up.');
        $this->actingAs($this->nell)->get(route('for-you'))->assertOk()->assertDontSee(route('held', [$line, $held]));
    }

    public function test_who_may_propose_and_see_and_answer(): void
    {
        $line = $this->proposes($this->tobi, ['pone' => 'Secretly tested.'] + self::TEXT);
        $proposal = Proposal::lineFor($this->tobi, $this->item) ?? self::fail();
        $stranger = $this->person('Sol Field');
        $this->actingAs($stranger)->get(route('proposals', $this->item))->assertNotFound();
        $this->get(route('item', $line))->assertNotFound();
        $this->getJson(route('state', $line))->assertNotFound();
        $this->post(route('proposals.begin', $this->item))->assertNotFound();
        // Somebody else on the shelf looks at it, and does not write on it; nothing else is there for a side line.
        $this->actingAs($this->nell)->get(route('item', $line))->assertOk()->assertSee('Tobi proposes changes to');
        $this->putJson(route('state.save', $line), ['base' => $line->root, 'client' => 'n', 'content' => []])->assertForbidden();
        foreach (['milestone.mark' => [$line, 1], 'item.destroy' => [$line], 'copy.store' => [$line, 1]] as $name => $of) {
            $this->call(
                $name === 'milestone.mark' ? 'put' : ($name === 'item.destroy' ? 'delete' : 'post'),
                route($name, $of),
            )->assertNotFound();
        }
        $this->get(route('history', $line))->assertRedirect(route('history', $this->item));
        $this->put(route('proposals.answer', [$this->item, $proposal]), [
            'do' => 'withdrawn',
            'seen' => 2,
            'state' => $proposal->root,
        ])->assertForbidden();
        // Viewers see what is proposed, and propose where the shelf says so.
        $this->actingAs($this->rafi)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Secretly tested')
            ->assertDontSee('Accept');
        $this->put(route('proposals.answer', [$this->item, $proposal]), [
            'do' => 'accepted',
            'seen' => 2,
            'state' => $proposal->root,
        ])->assertForbidden();
        $this->post(route('proposals.begin', $this->item))->assertForbidden();
        $this->shelf->update(['viewers_propose' => true]);
        $his = $this->proposes($this->rafi, ['ptwo' => 'A lead without a tag is cut up.'] + self::TEXT);
        $this->actingAs($this->ines);
        $this->answer(Proposal::lineFor($this->rafi, $this->item) ?? self::fail(), 'accepted');
        self::assertSame('A lead without a tag is cut up.', $this->said()['ptwo']);
        // Whoever is no longer on the shelf writes nothing more, and what they proposed can still be answered.
        $this->shelf->memberships()->where('user_id', $this->tobi->id)->delete();
        $this->actingAs($this->tobi)->getJson(route('state', $line))->assertNotFound();
        $this->actingAs($this->ines);
        $this->answer($proposal, 'accepted');
        self::assertSame('Secretly tested.', $this->said()['pone']);
        self::assertSame(ProposalState::Accepted, $proposal->refresh()->state);
        self::assertNotSame($his->id, $line->id);
    }

    #[TestWith(['docx'])]
    #[TestWith(['odt'])]
    public function test_tracked_changes_and_comments_of_a_file_come_in_as_proposals_and_threads(string $format): void
    {
        $this->write($this->item, ['pone' => 'Every lead is tested before it goes back on its hook.'] + self::TEXT, $this->tobi);
        $this->write(
            $this->item,
            ['pone' => 'Every lead is tested before it goes back on its hook.'] + self::TEXT + ['pfour' => 'Tags are yellow.'],
            $this->nell,
        );
        $this->actingAs($this->ines)->post(route('talk.begin', $this->item), ['part' => 'ptwo', 'text' => 'Which one?']);
        $bytes = (string) $this->get(route('comparison', [$this->item, 2, 4, $format]))->assertOk()->getContent();
        $file = fn () => UploadedFile::fake()->createWithContent("handbook.{$format}", $bytes);

        // As a new item: as it was before all of them, with a proposal for each name that the file gives.
        $this->post(route('shelf.make', $this->shelf), ['title' => 'From elsewhere', 'file' => $file()])
            ->assertSessionHasNoErrors()
            ->assertSessionHas('said', 'It has the tracked changes of 2 people: they are proposals now.');
        $made = $this->shelf->items()->where('title', 'From elsewhere')->firstOrFail();
        self::assertSame(array_values(self::TEXT), array_values($this->said($made)));
        $open = new OpenProposals($made);
        self::assertSame(
            [['Tobi Brandt', $this->ines->id], ['Nell Warwick', $this->ines->id]],
            $open->all->map(fn (Proposal $proposal) => [$proposal->said_by, $proposal->user_id])->all(),
        );
        $this->get(route('proposals', $made))
            ->assertOk()
            ->assertSee('Tobi Brandt proposes one change')
            ->assertSee('as a file says that Ines brought in');
        $this->get(route('talk', $made))->assertOk()->assertSee('Ines Oduya, in the file:')->assertSee('Which one?');
        $nells = $open->all[1] ?? self::fail('Nobody else proposes');
        $this->put(route('proposals.answer', [$made, $nells]), [
            'do' => 'accepted',
            'seen' => $made->head,
            'state' => $nells->root,
        ])->assertSessionHasNoErrors();
        self::assertContains('Tags are yellow.', $this->said($made));
        $version = $made->versions()->where('number', $made->head)->firstOrFail();
        self::assertSame(
            [$this->ines->id, 'Ines accepted Nell Warwick’s: added “Tags are yellow”'],
            [$version->user_id, (new Phrases)->version($version->setRelation('item', $made))],
        );

        // As the next version of the item that it was made from: nothing but the proposals is new.
        $this->post(route('restore.store', [$this->item, 2]), ['seen' => 4])->assertSessionHasNoErrors();
        $this->post(route('item.file.store', $this->item), ['file' => $file()])
            ->assertSessionHasNoErrors()
            ->assertRedirect(route('proposals', $this->item));
        self::assertSame(5, $this->item->refresh()->head);
        self::assertSame(
            ['Tobi Brandt', 'Nell Warwick'],
            (new OpenProposals($this->item))->all->map(fn (Proposal $proposal) => $proposal->name())->all(),
        );
        // What somebody proposes by themselves is beside it.
        $this->proposes($this->ines, ['pone' => 'Measured.'] + self::TEXT);
        self::assertCount(3, (new OpenProposals($this->item))->all);
        $this->assertVerified();
    }

    public function test_whoever_a_file_names_by_an_address_that_is_known_here_has_their_name(): void
    {
        $run = fn (string $text): string => "<w:r><w:t xml:space=\"preserve\">{$text}</w:t></w:r>";
        $by = fn (string $who): string => "w:id=\"1\" w:author=\"{$who}\" w:date=\"2026-11-03T12:04:00Z\"";
        $bytes = (new DocxPackage)->bytes(
            '',
            "<w:p>{$run('Every lead is tested')}<w:ins {$by('N. W.')}>{$run(' twice')}</w:ins><w:ins {$by('Somebody Else')}>{$run(
                ' or thrice',
            )}</w:ins>.</w:p>",
        );
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'attic'), $bytes);
        $archive = new \ZipArchive;
        $archive->open($file);
        $archive->addFromString(
            'word/people.xml',
            '<p:people xmlns:p="urn:people"><p:person p:author="N. W."><p:presenceInfo p:providerId="None" p:userId="S::'
                .$this->nell->email
                .'::1"/></p:person><p:person p:author="Somebody Else"><p:presenceInfo p:userId="else@example.org"/></p:person></p:people>',
        );
        $archive->close();
        $this->actingAs($this->ines)
            ->post(route('shelf.make', $this->shelf), [
                'title' => 'From elsewhere',
                'file' => UploadedFile::fake()->createWithContent('leads.docx', (string) file_get_contents($file)),
            ])
            ->assertSessionHasNoErrors();
        unlink($file);
        $made = $this->shelf->items()->where('title', 'From elsewhere')->firstOrFail();
        // By name, and still as a file says: it proves nobody's.
        self::assertSame(
            [['Nell Warwick', $this->ines->id], ['Somebody Else', $this->ines->id]],
            (new OpenProposals($made))->all->map(fn (Proposal $proposal) => [$proposal->said_by, $proposal->user_id])->all(),
        );
    }

    public function test_a_copy_takes_its_history_and_what_was_proposed_along_and_its_changes_are_proposed_for_the_original(): void
    {
        $this->write($this->item, ['pone' => 'Every lead is measured.'] + self::TEXT, $this->tobi);
        $this->actingAs($this->tobi)->put(route('milestone.mark', [$this->item, 3]), ['name' => 'Measured']);
        $this->proposes($this->tobi, ['pone' => 'Every lead is measured.', 'ptwo' => 'A lead without a tag is cut up.'] + self::TEXT);
        $this->write($this->item, ['pone' => 'Every lead is measured.', 'pthree' => 'Chargers come home.'] + self::TEXT, $this->ines);
        $other = $this->shelf('Committee', [[$this->ines, Role::Owner], [$this->rafi, Role::Viewer]]);
        $this->actingAs($this->ines)
            ->get(route('copy', [$this->item, 3]))
            ->assertOk()
            ->assertSee('goes along: all 3 versions up to this one')
            ->assertSee('What one person proposed then goes along');
        $this->post(route('copy.store', [$this->item, 3]), [
            'title' => 'For the committee',
            'shelf' => $other->key,
            'history' => '1',
            'proposals' => '1',
        ])
            ->assertRedirect()
            ->assertSessionHasNoErrors();
        $copy = $other->items()->firstOrFail();
        $states = fn (Item $item): array => $item
            ->versions()
            ->orderBy('number')
            ->limit(3)
            ->get()
            ->map(fn (Version $version) => [$version->number, $version->root, $version->user_id, $version->saved_at->toJSON()])
            ->all();
        self::assertSame(
            [$states($this->item), 4, 'copied'],
            [$states($copy), $copy->head, $copy->versions()->where('number', 4)->value('cause')?->value],
        );
        self::assertSame('Measured', $copy->versions()->where('number', 3)->firstOrFail()->milestone?->name);
        // Who wrote what is who wrote it, also to those who were never on the first shelf.
        $who = (string) $this->actingAs($this->rafi)
            ->get(route('history', ['item' => $copy, 'from' => 4, 'to' => 4, 'view' => 'who']))
            ->assertOk()
            ->getContent();
        self::assertStringContainsString('Tobi Brandt', $who);
        $this->get(route('find', ['q' => 'looked at before', 'where' => 'all']))->assertOk();
        $this->get(route('list', $copy))->assertOk()->assertSee('Copied out from');
        $this->get(route('proposals', $copy))->assertOk()->assertSee('Tobi proposes one change')->assertSee('cut up');
        $this->assertVerified();

        // What is written in the copy is proposed for what it came from, and answered there.
        $this->write($copy, ['pone' => 'Every lead is measured and labelled.'] + $this->said($copy), $this->ines);
        $this->actingAs($this->ines)->get(route('proposals', $copy))->assertOk()->assertSee('Propose its changes there');
        $this->post(route('proposals.from-copy', $copy))->assertSessionHasNoErrors();
        $this->actingAs($this->nell)
            ->get(route('proposals', [$this->item, 'of' => Proposal::lineFor($this->ines, $this->item)->id ?? 0]))
            ->assertOk()
            ->assertSee('and labelled');
        $this->actingAs($this->ines);
        $this->answer(Proposal::lineFor($this->ines, $this->item) ?? self::fail(), 'accepted');
        self::assertSame(['Every lead is measured and labelled.', 'Chargers come home.'], [$this->said()['pone'], $this->said()['pthree']]);
        $this->post(route('proposals.from-copy', $copy))->assertSessionHasErrors('do');
        $this->actingAs($this->rafi)->post(route('proposals.from-copy', $copy))->assertForbidden();
        $this->assertVerified();
    }

    public function test_somebody_without_an_account_proposes_by_a_link(): void
    {
        $this->actingAs($this->ines)
            ->post(route('proposals.link', $this->item), ['days' => 91, 'most' => 0])
            ->assertSessionHasErrors(['days', 'most']);
        $this->post(route('proposals.link', $this->item), ['days' => 3, 'most' => 2])->assertSessionHasNoErrors();
        $link = ProposalLink::query()->firstOrFail();
        $url = route('visitor', $link->token);
        $this->get(route('proposals', $this->item))->assertSee($url);
        $this->app->make(AuthManager::class)->forgetGuards();
        $this->flushSession();

        $this->get($url)->assertOk()->assertSee(self::TEXT['pone'])->assertDontSee('Ines')->assertHeaderMissing('Set-Cookie');
        $base = $this->item->root;
        $sent = [
            'name' => 'Dara Finch',
            'base' => $base,
            'parts' => [
                'pone' => ['text' => 'Every lead is tested.'],
                'ptwo' => ['text' => self::TEXT['ptwo']],
                'none' => ['text' => 'x'],
                'pthree' => 'no field',
            ],
            'added' => "One at the end.\r\n\n<b>Two</b> at the end.",
        ];
        // What is typed stays, whatever is missing.
        $this->post($url, ['name' => ' '] + $sent)
            ->assertStatus(422)
            ->assertSee('Say who you are')
            ->assertSee('Every lead is tested.')
            ->assertSee('One at the end.');
        $this->post($url, ['base' => str_repeat('0', 40)] + $sent)
            ->assertStatus(422)
            ->assertSee('Every lead is tested.')
            ->assertSee('name="base" value="'.$base.'"', false);
        $this->post($url, ['name' => 'Dara', 'base' => $base])
            ->assertStatus(422)
            ->assertSee('Nothing was changed');
        self::assertSame([0, 0], [$link->refresh()->used, Proposal::query()->count()]);

        // The item goes on meanwhile.
        $this->write($this->item, array_replace(self::TEXT, ['ptwo' => 'A lead without a tag is broken.']), $this->ines);
        $this->app->make(AuthManager::class)->forgetGuards();
        $this->post($url, $sent)->assertOk()->assertSee('Thank you, Dara Finch.');
        self::assertSame(self::TEXT['pone'], $this->said()['pone']);
        $proposal = Proposal::query()->firstOrFail();
        self::assertSame(['Dara Finch', true], [$proposal->name(), $proposal->user->isVisitor()]);
        self::assertSame(
            ['Every lead is tested.', 'A lead without a tag is broken.', self::TEXT['pthree'], 'One at the end.', '<b>Two</b> at the end.'],
            array_values($this->said($proposal->line)),
        );
        $this->actingAs($this->ines)
            ->get(route('proposals', $this->item))
            ->assertOk()
            ->assertSee('Dara Finch proposes 3 changes')
            ->assertSee('who has no account here');
        $this->answer($proposal, 'accepted');
        self::assertSame('Every lead is tested.', $this->said()['pone']);

        // It is over when it was used so often, when its time is up, when it is taken back, and when whoever gave it may not any more.
        $this->app->make(AuthManager::class)->forgetGuards();
        $this->post($url, ['name' => 'Dara', 'base' => $this->item->refresh()->root, 'parts' => ['pone' => ['text' => 'Again.']]])
            ->assertOk()
            ->assertDontSee('Propose more');
        $this->get($url)->assertStatus(410)->assertSee('This link is over')->assertDontSee('Every lead');
        $link->update(['most' => 9]);
        $this->get($url)->assertOk();
        $this->travel(4)->days();
        $this->get($url)->assertStatus(410);
        $link->update(['ends_at' => now()->addDay()]);
        $this->get($url)->assertOk();
        $this->shelf->memberships()->where('user_id', $this->ines->id)->update(['role' => Role::Editor]);
        $this->get($url)->assertStatus(410);
        $this->shelf->memberships()->where('user_id', $this->ines->id)->update(['role' => Role::Owner]);
        $this->actingAs($this->ines)->delete(route('proposals.link.back', [$this->item, $link]))->assertSessionHasNoErrors();
        $this->post($url, $sent)->assertStatus(410);
        $this->get(route('visitor', str_repeat('x', 40)))->assertNotFound();
        $this->assertVerified();
    }

    public function test_somebody_without_an_account_proposes_cells_and_records(): void
    {
        $sheet = $this->table('spreadsheet', 'Stalls', [
            new Part('tone', 'tab', 0, ['name' => 'Stalls', 'frozen' => 1]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('colb', 'column', 1, ['width' => 0, 'format' => '0.00']),
            new Part('colc', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rone', 'row', 1, ['cola' => 'Stall', 'colb' => 'Fee', 'colc' => 'Twice']),
            new Part('rtwo', 'row', 1, ['cola' => 'Soup', 'colb' => 12, 'colc' => ['=', '[.colb]*2']]),
            new Part('ttwo', 'tab', 0, ['name' => 'Notes', 'frozen' => 0]),
            new Part('cold', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rnine', 'row', 1, ['cold' => 'First']),
        ]);
        $url = $this->link($sheet);
        $this->get($url)
            ->assertOk()
            ->assertSee('aria-label="B2, Fee"', false)
            ->assertSee('<span class="visitor-result">24</span>', false)
            ->assertSee('What has no field is worked out')
            ->assertSee('Notes')
            ->assertDontSee('parts[rtwo][colc]', false);
        $base = $sheet->refresh()->root;
        $sent = [
            'name' => 'Dara Finch',
            'base' => $base,
            'parts' => [
                'rone' => ['cola' => 'Stall', 'colb' => 'Fee', 'colc' => 'Twice'],
                'rtwo' => ['cola' => '', 'colb' => '14,50', 'colc' => 'not a field'],
                'new1' => ['cola' => '', 'colb' => ''],
                'new2' => ['cola' => 'Cake', 'colb' => '9', 'colc' => '=B3*2'],
            ],
        ];
        $this->post($url, $sent)->assertOk();
        $line = Proposal::query()->where('item_id', $sheet->id)->firstOrFail();
        $rows = array_values(array_filter($this->tree($line->line ?? self::fail())->parts, fn (Part $part) => $part->role === 'row'));
        self::assertSame(
            [['Stall', 'Fee', 'Twice'], [null, 14.5, 29], ['Cake', 9, 18]],
            array_map(
                fn (Part $row) => [$row->fields['cola'] ?? null, $row->fields['colb'] ?? null, Cell::result($row->fields['colc'] ?? null)],
                array_slice($rows, 0, 3),
            ),
        );
        self::assertSame(['rone', 'rtwo', 'rnine'], array_values(array_diff(array_column($rows, 'id'), [$rows[2]->id])));
        // Another page of it, from the same state.
        $this->get($url.'?tab=ttwo')
            ->assertOk()
            ->assertSee('parts[rnine][cold]', false)
            ->assertDontSee('parts[rtwo]', false);
        $this->post($url.'?tab=ttwo', [
            'name' => 'Dara Finch',
            'base' => $base,
            'parts' => ['rnine' => ['cold' => '3 May 2026']],
        ])->assertOk();
        $this->actingAs($this->ines)->get(route('proposals', $sheet))->assertOk()->assertSee('Dara Finch');
        $this->answer(Proposal::query()->where('item_id', $sheet->id)->whereNotNull('line_id')->firstOrFail(), 'accepted', of: $sheet);
        $tree = $this->tree($sheet->refresh());
        self::assertSame(
            [14.5, ['d', '2026-05-03']],
            [$tree->get('rtwo')->fields['colb'] ?? null, $tree->get('rnine')->fields['cold'] ?? null],
        );

        $dataset = $this->table('dataset', 'Takings', [
            new Part('fone', 'field', 0, ['name' => 'Day', 'type' => 'date']),
            new Part('ftwo', 'field', 0, ['name' => 'Takings', 'type' => 'number']),
            new Part('recone', 'record', 0, ['fone' => ['d', '2026-05-03'], 'ftwo' => 120]),
        ]);
        $url = $this->link($dataset);
        $this->get($url)->assertOk()->assertSee('aria-label="Takings, record 1"', false);
        $sent = [
            'name' => 'Dara Finch',
            'base' => $dataset->refresh()->root,
            'parts' => ['recone' => ['ftwo' => 'many'], 'new1' => ['fone' => '2026-05-04', 'ftwo' => '80']],
        ];
        $this->post($url, $sent)
            ->assertStatus(422)
            ->assertSee('“Takings” holds a Number, and this is none.')
            ->assertSee('value="many"', false);
        $sent['parts']['recone']['ftwo'] = '130';
        $this->post($url, $sent)->assertOk();
        $records = array_values(
            array_filter(
                $this->tree(Proposal::query()->where('item_id', $dataset->id)->firstOrFail()->line ?? self::fail())->parts,
                fn (Part $part) => $part->role === 'record',
            ),
        );
        self::assertSame(
            [[['d', '2026-05-03'], 130], [['d', '2026-05-04'], 80]],
            array_map(fn (Part $record) => [$record->fields['fone'], $record->fields['ftwo']], $records),
        );
        $this->assertVerified();
    }

    public function test_a_long_item_is_asked_about_page_by_page_so_that_nothing_is_lost(): void
    {
        $texts = array_combine(
            array_map(fn (int $at) => "lead{$at}", range(1, 900)),
            array_map(fn (int $at) => "Lead number {$at}.", range(1, 900)),
        );
        $this->write($this->item, $texts, $this->ines);
        $url = $this->link($this->item);
        $page = $this->get($url)
            ->assertOk()
            ->assertSee('Texts 801 to 900')
            ->assertSee('Lead number 400.')
            ->assertDontSee('Lead number 401.');
        self::assertLessThan(1000, substr_count((string) $page->getContent(), ' name='));
        $this->get($url.'?from=800')->assertOk()->assertSee('Lead number 900.')->assertDontSee('Lead number 800.');
        // Nothing is something to write, and spaces stay.
        $this->post($url.'?from=800', [
            'name' => 'Dara Finch',
            'base' => $this->item->refresh()->root,
            'parts' => ['lead900' => ['text' => ''], 'lead899' => ['text' => ' Lead.  ']],
        ])
            ->assertSee('Thank you', false)
            ->assertOk();
        $said = $this->said(Proposal::query()->firstOrFail()->line);
        self::assertSame(['Lead number 898.', ' Lead.  ', ''], [$said['lead898'], $said['lead899'], $said['lead900']]);

        $rows = array_map(fn (int $at) => new Part("row{$at}", 'row', 1, ['cola' => $at, 'colb' => "Tag {$at}"]), range(1, 5000));
        $sheet = $this->table('spreadsheet', 'Tags', [
            new Part('tone', 'tab', 0, ['name' => 'Tags', 'frozen' => 0]),
            new Part('cola', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('colb', 'column', 1, ['width' => 0, 'format' => '']),
            ...$rows,
        ]);
        $url = $this->link($sheet);
        $this->get($url.'?tab=tone&from=4980')
            ->assertOk()
            ->assertSee('Tags, rows 4981 to 5000')
            ->assertSee('value="Tag 5000"', false)
            ->assertSee('parts[new3]', false)
            ->assertDontSee('Tag 4980"', false);
        $this->post($url.'?tab=tone&from=4980', [
            'name' => 'Dara Finch',
            'base' => $sheet->refresh()->root,
            'parts' => ['row5000' => ['colb' => 'Tag with a twist'], 'new1' => ['colb' => 'Tag 5001']],
        ])->assertOk();
        $tree = $this->tree(Proposal::query()->where('item_id', $sheet->id)->firstOrFail()->line ?? self::fail());
        self::assertSame(
            [5003 + 1, 'Tag with a twist', 'Tag 5001'],
            [count($tree->parts), $tree->get('row5000')->fields['colb'] ?? null, $tree->parts[5003]->fields['colb'] ?? null],
        );
        // What is in no field stays as it was.
        $list = $this->table('document', 'To do', [
            new Part('taskone', 'item', 0, ['text' => RichText::plain('Sweep'), 'style' => 'task', 'done' => true]),
            new Part('tasktwo', 'item', 0, ['text' => RichText::plain('Mop'), 'style' => 'task', 'done' => true]),
        ]);
        $url = $this->link($list);
        $this->get($url)->assertOk();
        $this->post($url, [
            'name' => 'Dara Finch',
            'base' => $list->refresh()->root,
            'parts' => ['tasktwo' => ['text' => 'Mop the hall', 'done' => '', 'style' => 'number']],
        ])->assertOk();
        $tree = $this->tree(Proposal::query()->where('item_id', $list->id)->firstOrFail()->line ?? self::fail());
        self::assertSame(
            [true, true, 'Mop the hall'],
            [
                $tree->get('taskone')->fields['done'] ?? null,
                $tree->get('tasktwo')->fields['done'] ?? null,
                $tree->get('tasktwo')->richText()->text(),
            ],
        );
        // However wide it is, no more fields than one form may send.
        $wide = array_map(fn (int $at) => new Part("col{$at}", 'column', 1, ['width' => 0, 'format' => '']), range(1, 130));
        $sheet = $this->table('spreadsheet', 'Wide', [
            new Part('tone', 'tab', 0, ['name' => 'Wide', 'frozen' => 0]),
            ...$wide,
            new Part('rowone', 'row', 1, ['col1' => 'First', 'col130' => 'Last']),
        ]);
        $page = $this->get($this->link($sheet))->assertOk()->assertSee('30 more columns are not shown here.');
        self::assertLessThan(450, substr_count((string) $page->getContent(), ' name='));
        $this->assertVerified();
    }

    /** The address with which somebody without an account proposes; nobody is signed in afterwards. */
    private function link(Item $item): string
    {
        $this->actingAs($this->ines)->post(route('proposals.link', $item), ['days' => 3, 'most' => 9])->assertSessionHasNoErrors();
        $this->app->make(AuthManager::class)->forgetGuards();
        $this->flushSession();

        return route('visitor', ProposalLink::query()->where('item_id', $item->id)->firstOrFail()->token);
    }

    /** @param list<Part> $parts */
    private function table(string $kind, string $title, array $parts): Item
    {
        return $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->ines,
                $kind,
                $title,
                content: new Content(Kinds::named($kind), PartTree::of($parts)),
                keepIds: true,
            );
    }

    /** @param array<string, string> $texts */
    private function proposes(User $who, array $texts): Item
    {
        $this->actingAs($who)->post(route('proposals.begin', $this->item))->assertRedirect();
        $line = (Proposal::lineFor($who, $this->item) ?? self::fail())->line ?? self::fail();
        $this->get(route('item', $line))->assertOk()->assertSee('You propose changes to');
        $this->write($line, $texts, $who);

        return $line->refresh();
    }

    /** @param array<string, string> $texts */
    private function write(Item $item, array $texts, User $who): void
    {
        $parts = array_map(
            fn (string $id, string $text) => new Part($id, 'paragraph', 0, ['text' => RichText::plain($text)]),
            array_keys($texts),
            $texts,
        );
        $this->actingAs($who)
            ->putJson(route('state.save', $item), [
                'base' => $item->refresh()->root,
                'client' => 'w',
                'keep' => true,
                'content' => $this->wire(PartTree::of($parts)),
            ])
            ->assertOk();
        $item->refresh();
    }

    /**
     * @param  array<string, string>  $more
     * @return TestResponse<Response>
     */
    private function answer(Proposal $proposal, string $do, array $more = [], ?Item $of = null): TestResponse
    {
        $of ??= $this->item;

        return $this->put(route('proposals.answer', [$of, $proposal]), [
            'do' => $do,
            'seen' => $of->refresh()->head,
            'state' => $proposal->refresh()->root,
            ...$more,
        ])
            ->assertSessionHasNoErrors()
            ->assertRedirect();
    }

    /** @param TestResponse<Response> $page */
    private function keysOf(TestResponse $page, string $key): string
    {
        preg_match('/value="accepted ([^"]*'.preg_quote($key, '/').'[^"]*)"/', (string) $page->getContent(), $found);

        return $found[1] ?? self::fail("No answer for {$key}");
    }

    /** @return array<string, string> */
    private function said(?Item $item = null): array
    {
        return array_map(fn (Part $part) => $part->richText()->text(), $this->tree(($item ?? $this->item)->refresh())->byId());
    }
}
