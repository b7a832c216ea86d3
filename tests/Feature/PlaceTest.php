<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Mail\Notice;
use App\Models\Role;
use App\Sharing\SendMail;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use PDO;

/** What whoever runs the place relies on: backups, mail, and a log in which one finds a request. */
final class PlaceTest extends FeatureCase
{
    public function test_a_backup_has_everything_and_writes_over_nothing(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->page($this->shelf('Office', [[$ines, Role::Owner]]), $ines, 'Kept words');
        $folder = sys_get_temp_dir().'/attic-'.bin2hex(random_bytes(6));
        mkdir($folder);
        // The copy is made of a file, and not of the memory that other tests use.
        DB::statement("VACUUM INTO '{$folder}/place.sqlite'");
        config(['database.connections.place' => ['database' => "{$folder}/place.sqlite"] + (array) config('database.connections.sqlite')]);
        $was = DB::getDefaultConnection();
        DB::setDefaultConnection('place');
        try {
            self::assertSame(0, Artisan::call('attic:backup', ['file' => "{$folder}/copy.sqlite"]));
            self::assertStringContainsString('read back', Artisan::output());
            $copy = new PDO("sqlite:{$folder}/copy.sqlite");
            $one = function (string $query) use ($copy): mixed {
                $found = $copy->query($query);

                return $found === false ? null : $found->fetchColumn();
            };
            foreach (['versions', 'chunks', 'items', 'users', 'touches'] as $table) {
                self::assertSame((int) DB::table($table)->count(), (int) $one("SELECT count(*) FROM {$table}"), $table);
            }
            self::assertSame($item->root, $one('SELECT root FROM items'));
            self::assertSame(1, Artisan::call('attic:backup', ['file' => "{$folder}/copy.sqlite"]));
            self::assertStringContainsString('nothing was written over', Artisan::output());
            self::assertSame(1, Artisan::call('attic:backup', ['file' => "{$folder}/no/such/place.sqlite"]));
        } finally {
            DB::purge('place');
            DB::setDefaultConnection($was);
            array_map(unlink(...), glob("{$folder}/*") ?: []);
            rmdir($folder);
        }
    }

    public function test_mail_goes_to_whichever_server_there_is_and_is_queued(): void
    {
        Mail::fake();
        $this->app->make(SendMail::class)->handle(null, 'ada@trial.example', 'Come in', "A line.\nAnd <another> & more.");
        Mail::assertQueued(
            Notice::class,
            fn (Notice $notice) => $notice->hasTo('ada@trial.example') && str_contains($notice->render(), 'And <another> & more.'),
        );
        // The item that it is about is for the outbox alone.
        $ines = $this->person('Ines Oduya');
        $item = $this->page($this->shelf('Office', [[$ines, Role::Owner]]), $ines, 'x');
        self::assertSame([Notice::ITEM => (string) $item->id], Notice::about($item, 'a', 'b')->headers()->text);
        config(['mail.default' => 'smtp']);
        self::assertSame([], Notice::about($item, 'a', 'b')->headers()->text);
    }

    public function test_the_outbox_keeps_what_would_be_sent(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->page($this->shelf('Office', [[$ines, Role::Owner]]), $ines, 'x');
        $this->app->make(SendMail::class)->handle($item, 'ada@trial.example', 'Come in', 'A line: ünter.');
        self::assertSame(
            [[$item->id, 'ada@trial.example', 'Come in', 'A line: ünter.']],
            DB::table('mails')
                ->get()
                ->map(fn (\stdClass $mail) => [(int) $mail->item_id, $mail->recipient, $mail->subject, trim($mail->body)])
                ->all(),
        );
    }

    public function test_each_answer_names_its_request_and_nobody_names_it_for_us(): void
    {
        $one = $this->get('/sign-in')->headers->get('X-Request-Id');
        $two = $this->get('/sign-in', ['X-Request-Id' => 'someone-elses'])->headers->get('X-Request-Id');
        self::assertMatchesRegularExpression('/^[0-9a-z]{26}$/', (string) $one);
        self::assertNotSame($one, $two);
        self::assertNotSame('someone-elses', $two);
    }
}
