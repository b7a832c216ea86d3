<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Live\News;
use App\Models\Item;
use App\Models\Presence;
use App\Models\Role;
use App\Models\User;
use App\Saving\SaveState;
use App\Saving\Sent;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\PendingCommand;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/** What an open window hears of the others. */
final class LiveTest extends FeatureCase
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
            'One.',
            'Two.',
        );
    }

    public function test_who_else_is_here_and_where_until_they_are_not_heard_of(): void
    {
        $this->actingAs($this->nell)
            ->getJson(route('live', [$this->item, 'client' => 'n1', 'part' => 'p002']))
            ->assertJson(['people' => []]);
        $this->actingAs($this->ines)
            ->getJson(route('live', [$this->item, 'client' => 'i1']))
            ->assertJson(['people' => [['name' => 'Nell', 'monogram' => 'NW', 'colour' => 2, 'part' => 'p002']]]);
        Date::setTestNow(Date::now()->addSeconds(30));
        $this->getJson(route('live', [$this->item, 'client' => 'i1']))->assertJson(['people' => []]);
    }

    public function test_two_windows_of_one_person_are_one_person(): void
    {
        foreach (['n1', 'n2'] as $client) {
            $this->actingAs($this->nell)->getJson(route('live', [$this->item, 'client' => $client]));
        }
        $this->getJson(route('live', [$this->item, 'client' => 'n1']))->assertJsonCount(0, 'people');
        $this->actingAs($this->ines)->getJson(route('live', [$this->item, 'client' => 'i1']))->assertJsonCount(1, 'people');
    }

    public function test_a_newer_state_is_told_with_who_made_it(): void
    {
        $this->actingAs($this->ines)
            ->getJson(route('live', [$this->item, 'client' => 'i1', 'root' => $this->item->root]))
            ->assertJsonMissingPath('by');
        $this->save($this->item, $this->nell, $this->paragraphs('One.', 'Two and more.'));
        $this->getJson(route('live', [$this->item, 'client' => 'i1', 'root' => 'older']))->assertJson([
            'by' => 'Nell',
            'sentence' => 'Added 2 words in “Two and more”',
            'number' => 3,
        ]);
        $this->getJson(route('state', $this->item))->assertJson(['number' => 3, 'root' => $this->item->refresh()->root]);
    }

    public function test_a_window_asks_shortly_and_is_told_that_it_has_to_ask_in_full(): void
    {
        Date::setTestNow();
        $full = fn (User $who, string $client) => $this->actingAs($who)
            ->getJson(route('live', [$this->item, 'client' => $client, 'root' => $this->item->refresh()->root, 'part' => 'p002']))
            ->assertOk()
            ->json();
        $ines = $full($this->ines, 'i1')['shortly'];
        self::assertFalse($this->shortly($ines), 'nothing moved');
        $nell = $full($this->nell, 'n1')['shortly'];
        self::assertTrue($this->shortly($ines), 'somebody came');
        $ines = $full($this->ines, 'i1')['shortly'];
        self::assertFalse($this->shortly($ines));
        self::assertFalse($this->shortly($nell, 'p002'));
        $this->shortly($nell, 'p001');
        self::assertTrue($this->shortly($ines), 'she goes elsewhere');
        $ines = $full($this->ines, 'i1')['shortly'];
        $this->save($this->item, $this->nell, $this->paragraphs('One.', 'Two and more.'));
        Date::setTestNow();
        self::assertTrue($this->shortly($ines), 'she writes');
        [$nell, $ines] = [$full($this->nell, 'n1')['shortly'], $full($this->ines, 'i1')['shortly']];
        self::assertSame([false, false], [$this->shortly($ines), $this->shortly($nell)]);
        // Nobody learns anything by it who may not, nor with what somebody else was given.
        $this->item->shelf->memberships()->where('user_id', $this->nell->id)->delete();
        self::assertTrue($this->shortly($nell), 'she may not see it any more');
        foreach (['item' => '999', 'client' => 'n1', 'ticket' => str_repeat('a', 32), 'news' => ''] as $name => $value) {
            self::assertTrue($this->shortly($full($this->ines, 'i1')['shortly'], null, [$name => $value]), "another {$name}");
        }
        // After two minutes the whole question is asked again.
        $ines = $full($this->ines, 'i1')['shortly'];
        DB::connection('presence')->table('presences')->update(['asked_at' => time() - News::TICKET]);
        self::assertTrue($this->shortly($ines));
        // A place that does not know where its data lies says so, and is not asked so again.
        $process = new Process(
            [(string) (new PhpExecutableFinder)->find(), public_path('live.php')],
            env: ['DB_DATABASE' => false, 'APP_CONFIG_CACHE' => '/nowhere'],
        );
        self::assertSame('{"moved":true,"never":true}', $process->mustRun()->getOutput());
    }

    public function test_a_window_that_goes_out_of_sight_after_saving_still_stands_on_what_it_saved(): void
    {
        $this->actingAs($this->ines)->getJson(route('live', [$this->item, 'client' => 'i1', 'root' => $this->item->root]))->assertOk();
        $base = $this->item->root;
        $type = fn (string $one) => $this->app
            ->make(SaveState::class)
            ->handle(
                $this->item->refresh(),
                $this->ines,
                new Sent($this->item->root, $this->paragraphs($one, $this->texts($this->item)[1]), 'elsewhere.1'),
            );
        $type('One, elsewhere,');
        $root = $this->putJson(route('state.save', $this->item), [
            'base' => $base,
            'client' => 'i1.1',
            'content' => $this->wire($this->paragraphs('One.', 'Two here.')),
        ])
            ->assertOk()
            ->json('root');
        foreach (range(1, 5) as $word) {
            $type('One, elsewhere,'.str_repeat(' types', $word));
        }
        Date::setTestNow(Date::now()->addHours(5));
        Artisan::call('attic:tidy', ['--at-once' => true]);
        $this->putJson(route('state.save', $this->item), [
            'base' => $root,
            'client' => 'i1.2',
            'content' => $this->wire($this->paragraphs('One, elsewhere,', 'Two here, and more.')),
        ])->assertOk();
        self::assertSame(['One, elsewhere,'.str_repeat(' types', 5), 'Two here, and more.'], $this->texts($this->item->refresh()));
    }

    /** @param array<string, string> $other instead of what was given */
    private function shortly(string $url, ?string $part = 'p002', array $other = []): bool
    {
        parse_str((string) parse_url($url, PHP_URL_QUERY), $query);
        $query = [...$query, 'root' => $this->item->refresh()->root, ...$part === null ? [] : ['part' => $part], ...$other];
        $process = new Process(
            [
                (string) (new PhpExecutableFinder)->find(),
                '-r',
                '$_GET = json_decode($argv[1], true); require $argv[2];',
                (string) json_encode($query),
                public_path('live.php'),
            ],
            env: ['DB_DATABASE' => $this->databasePath()],
        );
        $answer = json_decode($process->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['moved'], array_keys((array) $answer));

        return ((array) $answer)['moved'] === true;
    }

    public function test_the_foot_and_the_notes_are_pieces_of_a_page(): void
    {
        $this->actingAs($this->ines)->get(route('item.foot', $this->item))->assertSee('as 2')->assertSee('Ines:')->assertDontSee('<html');
        $base = $this->item->root;
        $this->save($this->item, $this->nell, $this->paragraphs('None.', 'Two.'));
        $this->save($this->item, $this->ines, $this->paragraphs('Some.', 'Two.'), $base);
        $this->get(route('item.notes', $this->item))->assertSee('It met an edit of Nell’s')->assertSee('Settle it');
        $this->actingAs($this->nell)->get(route('item.notes', $this->item))->assertDontSee('held back');
    }

    public function test_tidying_forgets_what_is_long_past_and_no_version(): void
    {
        $this->actingAs($this->nell)->getJson(route('live', [$this->item, 'client' => 'n1']));
        Date::setTestNow(Date::now()->addDays(61));
        $this->save($this->item, $this->ines, $this->paragraphs('Much later.'));
        Artisan::call('attic:tidy');
        self::assertSame([0, 1], [Presence::query()->count(), DB::table('sendings')->count()]);
        self::assertSame(3, DB::table('versions')->count());
        $this->assertVerified();
    }

    public function test_an_account_is_made_on_the_command_line(): void
    {
        foreach ([['long enough now', 0, ['--shelf' => 'Office']], ['short', 1, []]] as [$password, $exit, $options]) {
            $command = $this->artisan('attic:person', ['name' => 'Ada Brook', 'email' => 'ada@example.org', ...$options]);
            self::assertInstanceOf(PendingCommand::class, $command);
            $command->expectsQuestion('A password, 10 characters or more', $password)->assertExitCode($exit)->execute();
        }
        $this->post(route('sign-in.store'), ['email' => 'ada@example.org', 'password' => 'long enough now'])->assertRedirect(route('home'));
        $this->get(route('home'))->assertRedirect();
    }
}
