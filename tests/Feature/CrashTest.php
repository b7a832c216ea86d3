<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use PDO;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;

/** Saving from several processes at once, and processes that are killed while they save. */
#[Group('long')]
final class CrashTest extends FeatureCase
{
    private const KILLS = 20;

    private Item $item;

    /** @var list<User> */
    private array $people;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = array_map($this->person(...), ['Ines Oduya', 'Tobi Brandt', 'Nell Warwick', 'Rafi Sadek']);
        $shelf = $this->shelf('Volunteers', array_map(fn (User $user) => [$user, Role::Owner], $this->people));
        $this->item = $this->document(
            $shelf,
            $this->people[0],
            ...array_map(fn (int $at) => "Paragraph {$at} of a document that is long enough to have several nodes.", range(1, 120)),
        );
        Date::setTestNow();
    }

    public function test_two_hundred_saves_from_four_processes_at_once_all_land(): void
    {
        $savers = array_map(fn (User $user) => $this->saver($user, 50), $this->people);
        foreach ($savers as $saver) {
            $saver->wait();
            self::assertSame(str_repeat('.', 50), $saver->getOutput(), $saver->getErrorOutput());
        }
        self::assertSame(202, Version::query()->where('item_id', $this->item->id)->count());
        foreach ($this->people as $user) {
            self::assertStringContainsString("round 49 of {$user->id}", implode("\n", $this->texts($this->item)));
        }
        $this->assertVerified();
    }

    public function test_who_waits_for_others_to_write_comes_in_turn_and_finds_where_people_are(): void
    {
        $database = $this->databasePath();
        $holder = new PDO("sqlite:{$database}");
        $holder->exec('CREATE TABLE waited (name TEXT NOT NULL); BEGIN IMMEDIATE');
        $waiters = [];
        foreach (range(1, 8) as $name) {
            $waiters[] = $waiter = new Process([
                (string) (new PhpExecutableFinder)->find(),
                __DIR__.'/waiter.php',
                $database,
                (string) $name,
            ]);
            $waiter->start();
            $waiter->waitUntil(fn (string $type, string $output) => $output !== '');
            usleep(30_000);
        }
        $holder->exec('COMMIT');
        foreach ($waiters as $waiter) {
            self::assertSame(0, $waiter->wait(), $waiter->getErrorOutput());
        }
        self::assertSame(['1', '2', '3', '4', '5', '6', '7', '8'], DB::table('waited')->orderBy('rowid')->pluck('name')->all());
        array_map(unlink(...), glob("{$database}.*") ?: []);
    }

    public function test_a_process_killed_while_it_saves_leaves_the_old_head_or_the_new_one(): void
    {
        $landed = 0;
        for ($i = 0; $i < self::KILLS; $i++) {
            $before = $this->item->refresh()->head;
            $saver = $this->saver($this->people[$i % 4], 10_000);
            // Not before it saves, then at any moment of a save.
            $saver->waitUntil(fn (string $type, string $output) => str_contains($output, '.'));
            usleep(random_int(0, 12_000));
            $saver->signal(SIGKILL);
            $saver->wait();
            self::assertStringStartsWith('.', $saver->getOutput(), $saver->getErrorOutput());
            $landed += $this->item->refresh()->head - $before;
            self::assertGreaterThanOrEqual(
                substr_count($saver->getOutput(), '.'),
                $this->item->head - $before,
                'what was answered for is there',
            );
        }
        self::assertGreaterThan(self::KILLS - 1, $landed);
        $this->assertVerified();
        $this->save($this->item, $this->people[0], $this->paragraphs('After all that, one more.'));
        $this->assertVerified();
    }

    public function test_who_is_killed_while_versions_are_let_go_leaves_all_that_is_kept_whole(): void
    {
        config(['attic.checkpoint' => 0]);
        for ($at = 0; $at < 60; $at++) {
            Date::setTestNow(Date::parse('2026-01-01 09:00:00')->addHours(5 * $at));
            $this->save($this->item->refresh(), $this->people[$at % 4], $this->paragraphs("After all that, {$at}.", 'And no more.'));
        }
        Date::setTestNow();
        $named = $this->item->versions()->where('number', 17)->firstOrFail();
        app(MarkMilestone::class)->handle($named, $this->people[0], 'Agreed');
        $this->actingAs($this->people[0])
            ->post(route('keeping.say', $this->item), ['leave' => 60, 'most' => 10, 'do' => 'keep'])
            ->assertSessionHasNoErrors();
        $roots = $this->item->versions()->pluck('root', 'number')->all();
        for ($at = $killed = 0; $at < 14; $at++) {
            $thinner = $this->process(__DIR__.'/killed.php', (string) (3 + 9 * $at), 'attic:keep');
            try {
                $thinner->wait();
            } catch (ProcessSignaledException) {
                $killed++;
            }
            $kept = $this->item->refresh()->versions()->orderBy('number')->pluck('root', 'number')->all();
            $gone = DB::table('gone_versions')->where('item_id', $this->item->id)->pluck('number')->all();
            $all = [...array_keys($kept), ...$gone];
            sort($all);
            self::assertSame(range(1, $this->item->head), $all);
            self::assertSame(count($gone), $this->item->gone);
            self::assertSame(array_intersect_key($roots, $kept), $kept);
            self::assertArrayHasKey(17, $kept);
            $this->assertVerified();
        }
        self::assertGreaterThan(3, $killed);
        $this->process('artisan', 'attic:keep')->wait();
        self::assertLessThan(20, $this->item->refresh()->versions()->count());
        $this->process('artisan', 'attic:tidy', '--at-once')->wait();
        $this->assertVerified();
    }

    private function saver(User $user, int $times): Process
    {
        $process = new Process(
            [
                (string) (new PhpExecutableFinder)->find(),
                __DIR__.'/saver.php',
                (string) $this->item->id,
                (string) $user->id,
                (string) $times,
            ],
            env: [
                'DB_DATABASE' => $this->databasePath(),
                'APP_ENV' => 'testing',
                'APP_KEY' => config('app.key'),
                'APP_CONFIG_CACHE' => '/nowhere',
                'APP_ROUTES_CACHE' => '/nowhere',
                'ATTIC_CHECKPOINT' => '0',
            ],
        );
        $process->setTimeout(120);
        $process->start();

        return $process;
    }
}
