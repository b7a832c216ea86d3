<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Chunks\SqliteChunkStore;
use App\Store\States;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PDO;
use RuntimeException;

/** Verifying finds what is wrong: each case breaks one thing by hand. */
final class VerifyTest extends FeatureCase
{
    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->item = $this->document(
            $this->shelf('Volunteers', [[$ines, Role::Owner]]),
            $ines,
            ...array_map(fn (int $at) => "Paragraph {$at}, of some length.", range(1, 60)),
        );
        $this->save($this->item, $ines, $this->paragraphs(...array_map(fn (int $at) => "Paragraph {$at}, of some length.", range(1, 61))));
        $this->assertVerified();
    }

    public function test_a_changed_byte(): void
    {
        DB::statement('UPDATE chunks SET data = zeroblob(length(data)) WHERE id = (SELECT max(id) FROM chunks)');
        $this->assertComplains('can not be read back', 'does not have the content');
    }

    public function test_a_missing_chunk(): void
    {
        DB::statement('PRAGMA foreign_keys = OFF');
        DB::statement('DELETE FROM chunks WHERE id = (SELECT max(id) FROM chunks)');
        $this->assertComplains('is not in the store');
    }

    public function test_a_head_that_is_not_its_version(): void
    {
        DB::table('items')->update(['root' => str_repeat('0', 40)]);
        $this->assertComplains('does not stand at its version 3');
    }

    public function test_a_lost_version(): void
    {
        DB::table('versions')->where('number', 2)->delete();
        $this->assertComplains('touches of a version 2');
    }

    public function test_a_large_table_is_read_by_what_changed_and_what_breaks_the_schema_in_between_is_found(): void
    {
        $ines = User::query()->firstOrFail();
        $parts = [
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 0]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
        ];
        for ($row = 0; $row < config('attic.large'); $row++) {
            $parts[] = new Part(sprintf('r%05d', $row), 'row', 1, ['cone' => $row]);
        }
        $sheet = app(MakeItem::class)->handle(
            $this->item->shelf,
            $ines,
            'spreadsheet',
            'Large',
            content: new Content(new SpreadsheetKind, PartTree::of($parts)),
            keepIds: true,
        );
        foreach (range(1, 6) as $round) {
            Date::setTestNow(Date::now()->addMinutes(3));
            $id = sprintf('r%05d', 100 * $round);
            self::assertInstanceOf(
                Saved::class,
                app(SaveState::class)->handle(
                    $sheet->refresh(),
                    $ines,
                    new Sent(
                        $sheet->root,
                        null,
                        'w',
                        keep: true,
                        edits: ['cells' => [$id => ['cone' => -$round]], 'at' => [$id => 2 + 100 * $round]],
                    ),
                ),
            );
        }
        self::assertSame(7, $sheet->refresh()->head);
        $chunks = app(SqliteChunkStore::class);
        $before = $chunks->reads;
        self::assertSame(0, Artisan::call('attic:verify', ['--item' => $sheet->key]), Artisan::output());
        $whole = iterator_count(app(States::class)->chunks($sheet->root));
        self::assertLessThan(3 * $whole + 200, $chunks->reads - $before - $whole, 'two of seven are read whole');

        $states = app(States::class);
        $odd = $states->splice(
            (string) Version::query()
                ->where(['item_id' => $sheet->id, 'number' => 3])
                ->value('root'),
            [[1000, 1001, [new Part('podd', 'paragraph', 1, ['text' => 'No cell'])]]],
        );
        Version::query()
            ->where(['item_id' => $sheet->id, 'number' => 4])
            ->update(['root' => $odd]);
        self::assertSame(1, Artisan::call('attic:verify', ['--shelf' => $sheet->shelf->key]));
        $said = Artisan::output();
        self::assertStringContainsString('version 4 of “Large” breaks the schema', $said);
        self::assertStringNotContainsString('version 3 of “Large”', $said);
        self::assertStringContainsString('10 versions of 2 items', $said);
    }

    public function test_a_part_of_a_place_is_checked_by_item_shelf_and_date(): void
    {
        $said = function (array $options): string {
            self::assertSame(0, Artisan::call('attic:verify', $options));

            return trim(Artisan::output());
        };
        self::assertSame('3 versions of 1 items: all is well.', $said(['--item' => $this->item->key]));
        self::assertSame('0 versions of 0 items: all is well.', $said(['--after' => $this->item->key]));
        self::assertSame('0 versions of 0 items: all is well.', $said(['--since' => '2099-01-01']));
        foreach (['--item' => 'nothing', '--shelf' => 'nothing', '--after' => 'nothing', '--since' => 'soon enough'] as $option => $value) {
            self::assertSame(1, Artisan::call('attic:verify', [$option => $value]));
        }
    }

    public function test_a_version_with_another_root(): void
    {
        DB::table('versions')->where('number', 2)->update(['root' => str_repeat('1', 40)]);
        $this->assertComplains('is not in the store');
    }

    /** @return list<int> the rows of chunks in which a bit was flipped */
    private function flipBits(int $every): array
    {
        $flipped = [];
        foreach (DB::table('chunks')->orderBy('id')->get(['id', 'data']) as $at => $row) {
            if ($at % $every === 0) {
                $data = (string) $row->data;
                $middle = intdiv(strlen($data), 2);
                $data[$middle] = chr(ord($data[$middle]) ^ 4);
                $pdo = DB::connection()->getPdo()->prepare('UPDATE chunks SET data = ? WHERE id = ?');
                $pdo->bindValue(1, $data, PDO::PARAM_LOB);
                $pdo->bindValue(2, $row->id);
                $pdo->execute();
                $flipped[] = (int) $row->id;
            }
        }

        return $flipped;
    }

    private function write(int $rounds): void
    {
        $ines = User::query()->firstOrFail();
        for ($round = 1; $round <= $rounds; $round++) {
            $this->save(
                $this->item,
                $ines,
                $this->paragraphs(
                    ...array_map(
                        fn (int $at) => "Paragraph {$at}, of some length.".($at === 30 + $round ? " Edited {$round} times." : ''),
                        range(1, 61),
                    ),
                ),
            );
        }
    }

    public function test_a_check_goes_on_after_each_fault_names_what_is_touched_and_writes_nothing(): void
    {
        $this->write(8);
        $flipped = $this->flipBits(3);
        $before = [DB::table('chunks')->count(), DB::table('chunks')->get()->map(fn ($row) => sha1((string) $row->data))->all()];
        self::assertSame(1, Artisan::call('attic:verify'));
        $said = Artisan::output();
        self::assertGreaterThanOrEqual(count($flipped), substr_count($said, 'Chunk '));
        self::assertStringContainsString('version 2 of “', $said);
        self::assertStringContainsString('version 11 of “', $said);
        self::assertSame($before, [
            DB::table('chunks')->count(),
            DB::table('chunks')->get()->map(fn ($row) => sha1((string) $row->data))->all(),
        ]);
    }

    public function test_what_is_damaged_is_never_shown_nor_written_from_and_its_whole_neighbours_are_named(): void
    {
        $this->write(4);
        // What the newest version alone has.
        $newest = DB::table('chunks')->max('id');
        DB::update('UPDATE chunks SET data = zeroblob(length(data)) WHERE id = ?', [$newest]);
        $this->actingAs(User::query()->firstOrFail());
        $this->get(route('history', ['item' => $this->item, 'from' => 6, 'to' => 7]))
            ->assertStatus(500)
            ->assertSee('version')
            ->assertSee('damaged on the disk')
            ->assertSee('6 as it was');
        $this->get(route('history', ['item' => $this->item, 'from' => 5, 'to' => 6]))->assertOk();
        $count = [DB::table('chunks')->count(), Version::query()->count()];
        $this->putJson(route('state.save', $this->item), [
            'base' => $this->item->refresh()->root,
            'client' => 'w',
            'content' => $this->wire($this->paragraphs('Anything')),
        ])
            ->assertStatus(500)
            ->assertJsonPath('message', 'A part of what is kept here is damaged on the disk. Nothing was written.');
        self::assertSame($count, [DB::table('chunks')->count(), Version::query()->count()]);
    }

    public function test_the_right_bytes_take_the_place_of_the_damaged_ones_when_they_come_again(): void
    {
        $this->write(4);
        $roots = Version::query()->orderBy('number')->pluck('root')->all();
        $trees = array_map(fn (mixed $root) => $this->app->make(States::class)->tree((string) $root), $roots);
        $this->flipBits(2);
        self::assertSame(1, Artisan::call('attic:verify'));
        foreach ($trees as $tree) {
            $this->app->make(States::class)->keep($tree);
        }
        $this->assertVerified();
    }

    public function test_a_backup_mends_what_it_can_and_says_what_it_can_not(): void
    {
        $this->write(2);
        DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
        $backup = (string) tempnam(sys_get_temp_dir(), 'attic');
        copy($this->databasePath(), $backup);
        // A backup of before it was written down how deep deltas lie will do.
        $old = new PDO("sqlite:{$backup}");
        $old->exec('ALTER TABLE chunks DROP COLUMN depth');
        unset($old);
        $this->write(5);
        DB::statement('PRAGMA foreign_keys = OFF');
        DB::delete('DELETE FROM chunks WHERE id = (SELECT min(id) + 1 FROM chunks)');
        $this->flipBits(1);
        self::assertSame(1, Artisan::call('attic:mend', ['backup' => $backup]));
        $said = Artisan::output();
        self::assertMatchesRegularExpression('/[1-9]\d* chunks were put back/', $said);
        self::assertStringContainsString('Not whole: version 10 of “', $said);
        self::assertStringNotContainsString('Not whole: version 4 of “', $said);
        DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
        unlink($backup);
        self::assertSame(1, Artisan::call('attic:mend', ['backup' => '/nowhere.sqlite']));
    }

    public function test_a_backup_has_pictures_that_are_not_kept_any_more(): void
    {
        $this->actingAs(User::query()->firstOrFail());
        $picture = $this->postJson(route('picture.store', $this->item), ['picture' => UploadedFile::fake()->image('lamp.png', 8, 8)])
            ->assertOk()
            ->json();
        $this->save(
            $this->item,
            User::query()->firstOrFail(),
            PartTree::of([...$this->tree($this->item)->parts, new Part('pic1', 'picture', 0, ['alt' => '', ...$picture])]),
        );
        DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
        $backup = (string) tempnam(sys_get_temp_dir(), 'attic');
        copy($this->databasePath(), $backup);
        DB::table('pictures')->delete();
        Artisan::call('attic:tidy', ['--at-once' => true]);
        self::assertSame(1, Artisan::call('attic:verify'));
        self::assertSame(0, Artisan::call('attic:mend', ['backup' => $backup]));
        self::assertStringContainsString('1 pictures and files are kept again', Artisan::output());
        $this->get(route('picture', [$this->item, $picture['chunk']]))->assertOk();
        $this->assertVerified();
        unlink($backup);
    }

    public function test_a_migration_that_breaks_off_can_be_run_again(): void
    {
        $folder = sys_get_temp_dir().'/attic-migrations-'.bin2hex(random_bytes(4));
        mkdir($folder);
        file_put_contents(
            "{$folder}/2099_01_01_000000_two_tables.php",
            "<?php return new class extends Illuminate\\Database\\Migrations\\Migration { public function up(): void { DB::statement('CREATE TABLE one_of_two (id INTEGER)'); if (is_file('{$folder}/killed')) { throw new RuntimeException('killed'); } DB::statement('CREATE TABLE two_of_two (id INTEGER)'); } };",
        );
        touch("{$folder}/killed");
        try {
            Artisan::call('migrate', ['--path' => $folder, '--realpath' => true, '--force' => true]);
            self::fail('it was killed');
        } catch (RuntimeException $e) {
            self::assertSame('killed', $e->getMessage());
        }
        self::assertFalse(Schema::hasTable('one_of_two'));
        unlink("{$folder}/killed");
        self::assertSame(0, Artisan::call('migrate', ['--path' => $folder, '--realpath' => true, '--force' => true]));
        self::assertTrue(Schema::hasTable('two_of_two'));
        unlink("{$folder}/2099_01_01_000000_two_tables.php");
        rmdir($folder);
    }

    private function assertComplains(string ...$any): void
    {
        self::assertSame(1, Artisan::call('attic:verify'));
        $said = Artisan::output();
        self::assertNotEmpty(array_filter($any, fn (string $text) => str_contains($said, $text)), $said);
    }
}
