<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Database\DatabaseFile;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Publishing\OpenToPublic;
use App\Publishing\PublishVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Lang;
use LogicException;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use Symfony\Component\Process\PhpExecutableFinder;
use Symfony\Component\Process\Process;
use Tests\Kinds\Board\Board;

/** A test over HTTP on a real SQLite file: a fresh copy of an empty database for each. */
abstract class FeatureCase extends TestCase
{
    private static ?string $empty = null;

    private string $database;

    protected function setUp(): void
    {
        $this->database = (string) tempnam(sys_get_temp_dir(), 'attic');
        if (self::$empty !== null) {
            copy(self::$empty, $this->database);
        }
        putenv("DB_DATABASE={$this->database}");
        $_ENV['DB_DATABASE'] = $_SERVER['DB_DATABASE'] = $this->database;
        parent::setUp();
        if (self::$empty === null) {
            DatabaseFile::make($this->database);
            Artisan::call('migrate', ['--force' => true]);
            $this->app['db']->connection()->statement('PRAGMA wal_checkpoint(TRUNCATE)');
            self::$empty = (string) tempnam(sys_get_temp_dir(), 'attic');
            copy($this->database, self::$empty);
        }
        $this->withoutVite();
        Board::register();
        // A key without words would be on a page as it is; a value of a setting that has none says itself.
        Lang::handleMissingKeysUsing(
            fn (string $key): string => ! str_starts_with($key, 'changes.values.')
            && is_file(lang_path('en/'.explode('.', $key)[0].'.php'))
                ? throw new LogicException("There are no words for {$key}")
                : $key,
        );
        Date::setTestNow('2026-05-04 10:00:00');
    }

    protected function tearDown(): void
    {
        Date::setTestNow();
        parent::tearDown();
        foreach (['', '-wal', '-shm', '.presence', '.presence-wal', '.presence-shm', '.queue'] as $ending) {
            if (is_file($this->database.$ending)) {
                unlink($this->database.$ending);
            }
        }
    }

    /** Somebody else at the same browser begins a session of their own. */
    public function be(Authenticatable $user, $guard = null): static
    {
        $this->app['session']->forget('password_hash_web');

        return parent::be($user, $guard);
    }

    protected function databasePath(): string
    {
        return $this->database;
    }

    protected function person(string $name, string $password = 'a long password'): User
    {
        return User::factory()->called($name)->create(['password' => $password]);
    }

    /** @param array<int, array{User, Role}> $people */
    protected function shelf(string $name, array $people): Shelf
    {
        $factory = Shelf::factory();
        foreach ($people as [$user, $role]) {
            $factory = $factory->with($user, $role);
        }

        return $factory->createOne(['name' => $name]);
    }

    /** A document with these paragraphs, whose ids are p001, p002 and so on. */
    protected function document(Shelf $shelf, User $maker, string ...$texts): Item
    {
        $item = $this->app->make(MakeItem::class)->handle($shelf, $maker, 'document', 'Bench rules');
        $this->save($item, $maker, $this->paragraphs(...$texts));

        return $item->refresh();
    }

    protected function paragraphs(string ...$texts): PartTree
    {
        $parts = [];
        foreach (array_values($texts) as $at => $text) {
            $parts[] = new Part(sprintf('p%03d', $at + 1), 'paragraph', 0, ['text' => RichText::plain($text)]);
        }

        return PartTree::of($parts);
    }

    /** A page with one column (`c001`) of these texts, whose ids are b001, b002 and so on. */
    protected function page(Shelf $shelf, User $maker, string ...$texts): Item
    {
        $item = $this->app->make(MakeItem::class)->handle($shelf, $maker, 'page', 'Opening hours');
        $this->save($item, $maker, $this->column(...$texts));

        return $item->refresh();
    }

    protected function column(string ...$texts): PartTree
    {
        $parts = [
            new Part('s001', 'section', 0, ['title' => 'When', 'background' => 'plain']),
            new Part('c001', 'column', 1, ['width' => 12]),
        ];
        foreach (array_values($texts) as $at => $text) {
            $parts[] = new Part(sprintf('b%03d', $at + 1), 'rich_text', 2, ['style' => 'plain', 'text' => RichText::plain($text)]);
        }

        return PartTree::of($parts);
    }

    /** Publishes as somebody who may, a minute later. */
    protected function publish(Item $item, User $publisher, ?int $number = null): Publishing
    {
        Date::setTestNow(Date::now()->addMinute());
        $version = $item->refresh()->versions()->where('number', $number ?? $item->head)->firstOrFail();

        return $this->app->make(PublishVersion::class)->handle($version->setRelation('item', $item), $publisher);
    }

    /** Opens what is published, and was, to everybody at an address. */
    protected function open(Item $item, string $address): void
    {
        $item->refresh()->update(['address' => $address]);
        $this->app->make(OpenToPublic::class)->handle($item, true, earlier: true);
    }

    /** Saves as the editor would, two minutes later, so that each save is a version. */
    protected function save(Item $item, User $editor, PartTree $tree, ?string $base = null): Saved
    {
        Date::setTestNow(Date::now()->addMinutes(2));
        $saved = $this->app
            ->make(SaveState::class)
            ->handle($item, $editor, new Sent($base ?? $item->refresh()->root, $tree, 'window-'.$editor->id));
        self::assertInstanceOf(Saved::class, $saved);

        return $saved;
    }

    /** @return list<string> the texts of the newest state */
    protected function texts(Item $item): array
    {
        return array_map(fn (Part $part) => $part->richText()->text(), $this->tree($item)->parts);
    }

    protected function tree(Item $item): PartTree
    {
        return $this->app->make(States::class)->tree($item->refresh()->root);
    }

    /** @return list<mixed> as it goes over the wire */
    protected function wire(PartTree $tree): array
    {
        return array_map(fn (Part $part) => $part->toJson(), $tree->parts);
    }

    /** A script of PHP beside the tests, at work on the same place. */
    protected function process(string ...$of): Process
    {
        $process = new Process([(string) (new PhpExecutableFinder)->find(), ...$of], base_path(), [
            'DB_DATABASE' => $this->databasePath(),
            'APP_ENV' => 'testing',
            'APP_KEY' => config('app.key'),
            'APP_CONFIG_CACHE' => '/nowhere',
            'APP_ROUTES_CACHE' => '/nowhere',
            'ATTIC_CHECKPOINT' => '60',
        ]);
        $process->setTimeout(120);
        $process->start();

        return $process;
    }

    protected function assertVerified(): void
    {
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }
}
