<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Membership;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Store\PieceCutter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use ZipArchive;

/** Files that are kept as they are: sent in slices, looked at as what they are, and back to the byte. */
final class PlainFilesTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $this->shelf = $this->shelf('Repairs', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
        $this->actingAs($this->ines);
    }

    #[Group('slow')]
    public function test_a_large_file_comes_in_slices_and_out_as_it_was_and_its_next_version_costs_what_changed(): void
    {
        $bytes = random_bytes(9_000_000);
        $item = $this->sent('scan.bin', $bytes);
        self::assertSame(['file', 'scan.bin', 1], [$item->kind, $item->title, $item->head]);
        self::assertSame($bytes, $this->bytes($item, 1));
        $held = (int) DB::table('chunks')->sum(DB::raw('length(data)'));
        $next = substr_replace($bytes, 'a few more bytes', 4_000_000, 3);
        $this->sent('scan.bin', $next, $item);
        self::assertSame([2, $next, $bytes], [$item->refresh()->head, $this->bytes($item, 2), $this->bytes($item, 1)]);
        self::assertLessThan(600_000, (int) DB::table('chunks')->sum(DB::raw('length(data)')) - $held);
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2]))
            ->assertOk()
            ->assertSee(' % of it is the same')
            ->assertSee('Changed the file “scan.bin”');
        $this->get(route('restore', [$item, 1]))->assertOk();
        $this->post(route('restore.store', [$item, 1]), ['seen' => 2, 'all' => '1'])->assertSessionHasNoErrors();
        self::assertSame($bytes, $this->bytes($item->refresh(), 3));
        Artisan::call('attic:tidy', ['--at-once' => true]);
        self::assertSame($next, $this->bytes($item, 2));
        $this->assertVerified();
    }

    public function test_slices_that_come_twice_or_not_at_all_do_no_harm(): void
    {
        $bytes = random_bytes(5_000_000);
        $url = $this->begun('scan.bin', strlen($bytes));
        $got = fn (int $at, int $until): int => (int) $this->slice($url, $at, substr($bytes, $at, $until - $at))->json('got');
        self::assertSame([4_000_000, 4_000_000, 4_000_000], [$got(0, 4_000_000), $got(0, 4_000_000), $got(4_500_000, 5_000_000)]);
        $this->postJson($url)
            ->assertStatus(422)
            ->assertJsonFragment(['message' => 'Something of this file did not come. Nothing was changed; send it again.']);
        // What is on its way is no waste.
        Artisan::call('attic:tidy', ['--at-once' => true]);
        $this->actingAs($this->tobi)->putJson($url.'?at=4000000')->assertNotFound();
        $this->actingAs($this->ines);
        self::assertSame(5_000_000, $got(4_000_000, 5_000_000));
        $this->postJson($url)->assertOk();
        self::assertSame($bytes, $this->bytes(Item::query()->firstOrFail(), 1));
        $this->postJson(route('upload.begin', $this->shelf), ['name' => 'all.bin', 'size' => 300_000_000])->assertStatus(422);
        $this->assertVerified();
    }

    public function test_pieces_that_a_sweep_took_while_a_file_became_a_version_are_noticed(): void
    {
        $item = $this->sent('scan.bin', random_bytes(300_000));
        $bytes = random_bytes(300_000);
        $url = $this->begun('scan.bin', strlen($bytes), $item);
        $this->slice($url, 0, $bytes);
        // All of it was read: a sweep of another process comes before what refers to it is written.
        $begun = 0;
        $this->app->make(Dispatcher::class)->listen(TransactionBeginning::class, function () use (&$begun): void {
            ++$begun === 1 && DB::table('chunks')->orderByDesc('id')->limit(1)->delete();
        });
        $this->postJson($url)
            ->assertStatus(422)
            ->assertJsonFragment(['message' => 'Something of this file did not come. Nothing was changed; send it again.']);
        self::assertSame(1, $item->refresh()->head);
        $this->assertVerified();
    }

    #[Group('slow')]
    public function test_pieces_are_cut_by_what_they_hold_however_they_come(): void
    {
        $bytes = random_bytes(700_000);
        $whole = new PieceCutter;
        $once = [...$whole->take($bytes), ...$whole->finish()];
        foreach ([1_000, 65_537, 300_000] as $step) {
            $cutter = new PieceCutter;
            $pieces = [];
            foreach (str_split($bytes, $step) as $slice) {
                $cutter = new PieceCutter($cutter->rest());
                array_push($pieces, ...$cutter->take($slice));
            }
            self::assertSame($once, [...$pieces, ...$cutter->finish()]);
        }
    }

    public function test_a_text_is_kept_in_lines_so_that_two_people_s_changes_come_together(): void
    {
        $item = $this->sent('notes.txt', "Test the sockets\r\nSign the log\r\nClose the window");
        $this->actingAs($this->tobi);
        $this->sent('notes.txt', "Test all sockets\r\nSign the log\r\nClose the window", $item);
        $this->actingAs($this->ines);
        $this->sent('notes.txt', "Test all sockets\r\nSign the log\r\nClose the window\r\nTake the bins out", $item);
        self::assertSame("Test all sockets\r\nSign the log\r\nClose the window\r\nTake the bins out", $this->bytes($item->refresh(), 3));
        // Made from 1 by somebody who has not seen 2: what others brought since stays.
        $mara = $this->person('Mara Lindt');
        Membership::query()->create(['shelf_id' => $this->shelf->id, 'user_id' => $mara->id, 'role' => Role::Editor]);
        $this->actingAs($mara);
        $this->sent('notes.txt', "Test the sockets\r\nSign the log, with the time\r\nClose the window", $item);
        self::assertSame(
            "Test all sockets\r\nSign the log, with the time\r\nClose the window\r\nTake the bins out",
            $this->bytes($item->refresh(), 4),
        );
        self::assertSame(
            'From the file “notes.txt”, made from 1',
            Version::query()
                ->where(['item_id' => $item->id, 'number' => 4])
                ->value('note'),
        );
        // Where both wrote in a line, one of them waits.
        $lea = $this->person('Lea Okafor');
        Membership::query()->create(['shelf_id' => $this->shelf->id, 'user_id' => $lea->id, 'role' => Role::Editor]);
        $this->actingAs($lea);
        $this->sent('notes.txt', "Test all sockets\r\nSign the book\r\nClose the window\r\nTake the bins out", $item);
        self::assertSame(
            ["Test all sockets\r\nSign the log, with the time\r\nClose the window\r\nTake the bins out", 1],
            [$this->bytes($item->refresh(), $item->head), HeldEdit::query()->count()],
        );
        $this->get(route('held', [$item, HeldEdit::query()->firstOrFail()]))->assertOk()->assertSee('book');
        $this->actingAs($this->ines);
        // What an older version was is meant to be that again.
        $this->sent('notes.txt', "Test the sockets\r\nSign the log\r\nClose the window", $item);
        self::assertSame("Test the sockets\r\nSign the log\r\nClose the window", $this->bytes($item->refresh(), $item->head));
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 3]))
            ->assertOk()
            ->assertSeeInOrder(['Tobi', 'data-part', 'all', 'Take the bins out'], false);
        foreach ([['view' => 'was'], ['view' => 'who'], ['layout' => 'side'], ['show' => 'bytes']] as $how) {
            $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 3, ...$how]))->assertOk();
        }
        $who = (string) $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 3, 'view' => 'who']))->getContent();
        self::assertMatchesRegularExpression('~Tobi(?:(?!is-line).)*all~s', $who);
        $this->get(route('item', $item))->assertOk()->assertSee('Take the bins out');
        foreach (["caf\xe9\n", "\xff\xfeh\0i\0\n\0", "\xEF\xBB\xBFmark\n", "a\rb\r", ''] as $at => $bytes) {
            self::assertSame($bytes, $this->bytes($this->sent("t{$at}.txt", $bytes), 1));
        }
        $this->assertVerified();
    }

    public function test_pictures_are_held_against_each_other_point_by_point(): void
    {
        $item = $this->sent('logo.png', $this->picture(fn (\GdImage $on) => null));
        $this->sent(
            'logo.png',
            $this->picture(function (\GdImage $on): void {
                imagefilledrectangle($on, 20, 20, 60, 50, (int) imagecolorallocate($on, 200, 40, 40));
                imagefilledrectangle($on, 240, 140, 270, 170, (int) imagecolorallocate($on, 40, 40, 200));
            }),
            $item,
        );
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2]))
            ->assertOk()
            ->assertSee('2 places differ')
            ->assertSee('Laid over');
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2, 'layout' => 'side']))->assertOk()->assertSee('Earlier: 1');
        $this->get(route('file.content', [$item, 1]))
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png')
            ->assertHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox");
        $svg = $this->sent('mark.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
        $this->get(route('file.content', [$svg, 1]))->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
        $page = $this->sent('page.html', '<p onclick="alert(1)">Hello</p>');
        $this->get(route('file.content', [$page, 1]))->assertNotFound();
        self::assertStringNotContainsString('<p onclick', (string) $this->get(route('item', $page))->getContent());
        $this->get(route('download', [$page, 1, 'file']))
            ->assertHeader('Content-Type', 'application/octet-stream')
            ->assertHeader('Content-Disposition', 'attachment; filename=page.html');
        $this->get(route('download', [$page, 1, 'json']))->assertNotFound();
        $this->assertVerified();
    }

    public function test_what_another_kind_can_read_is_compared_by_its_parts_and_becomes_one(): void
    {
        $item = $this->sent('poster.md', "# Open bench\n\nCome on Saturday.\n");
        $this->actingAs($this->tobi);
        $this->sent('poster.md', "# Open bench\n\nCome on Saturday, or on Sunday.\n", $item);
        $this->actingAs($this->ines);
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2, 'show' => 'parts']))
            ->assertOk()
            ->assertSee('Added 3 words in “Open bench”')
            ->assertSee('Tobi');
        $this->post(route('file.into', $item), ['kind' => 'document'])->assertSessionHasNoErrors();
        $made = Item::query()->where('kind', 'document')->firstOrFail();
        self::assertSame(
            ['poster', 2, ['Ines Oduya', 'Tobi Brandt']],
            [
                $made->title,
                $made->head,
                Version::query()
                    ->with('user')
                    ->where('item_id', $made->id)
                    ->orderBy('number')
                    ->get()
                    ->map(fn (Version $version) => $version->user->name)
                    ->all(),
            ],
        );
        $this->post(route('file.into', $item), ['kind' => 'report'])->assertStatus(422);
        $table = $this->sent('prices.csv', "what;price\ntea;2\ncake;3\n");
        $this->sent('prices.csv', "what;price\ntea;2\ncake;4\n", $table);
        $this->get(route('history', ['item' => $table, 'from' => 1, 'to' => 2, 'show' => 'parts']))
            ->assertOk()
            ->assertSee('Typed “4” over “3”');
        $zip = $this->sent('all.zip', $this->archive(['a.txt' => 'one', 'b.txt' => 'two']));
        $this->sent('all.zip', $this->archive(['a.txt' => 'one', 'c.txt' => 'three']), $zip);
        $this->get(route('history', ['item' => $zip, 'from' => 1, 'to' => 2]))
            ->assertOk()
            ->assertSeeInOrder(['In the archive', 'a.txt · 3 bytes', 'b.txt', '3', 'c.txt', '5', 'bytes']);
        $this->assertVerified();
    }

    public function test_the_text_of_a_pdf_is_compared_page_by_page(): void
    {
        $item = $this->sent('prices.pdf', $this->pdf('Tea 2', 'Cake 3'));
        $this->sent('prices.pdf', $this->pdf('Tea 2', 'Cake 4'), $item);
        $this->get(route('item', $item))->assertOk()->assertSeeInOrder(['Page 1', 'Tea 2', 'Page 2', 'Cake 4']);
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2]))->assertOk()->assertSeeInOrder(['Page 2', 'Cake', '3', '4']);
        $broken = $this->sent('broken.pdf', "%PDF-1.4\n\x00\xff nothing of the kind");
        $this->get(route('item', $broken))->assertOk()->assertSee('SHA-256');
        $this->get(route('history', ['item' => $broken, 'from' => 1, 'to' => 1, 'view' => 'was']))->assertOk();
    }

    public function test_two_versions_at_once_meet_and_wait_as_other_edits_do(): void
    {
        $item = $this->sent('scan.bin', random_bytes(90_000));
        $one = $this->begun('scan.bin', 5, $item);
        $this->slice($one, 0, "\x00\x01\x02\x03\x04");
        $this->sent('scan.bin', random_bytes(90_000), $item);
        $this->postJson($one)->assertOk();
        // The later one stays; nothing is lost, since each is a version.
        self::assertSame([3, 0], [$item->refresh()->head, HeldEdit::query()->count()]);
        $this->getJson(route('file.named', ['shelf' => $this->shelf, 'name' => 'scan.bin']))->assertJson(['found' => $item->key]);
        $this->getJson(route('file.named', ['shelf' => $this->shelf, 'name' => 'other.bin']))->assertJson(['found' => null]);
        $this->post(route('file.send', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('plain.txt', 'Without scripts'),
        ])->assertSessionHasNoErrors();
        self::assertSame('Without scripts', $this->bytes(Item::query()->where('title', 'plain.txt')->firstOrFail(), 1));
        $this->post(route('copy.store', [$item, 1]), ['title' => 'A copy', 'shelf' => $this->shelf->key])->assertSessionHasNoErrors();
        self::assertSame($this->bytes($item, 1), $this->bytes(Item::query()->where('title', 'A copy')->firstOrFail(), 1));
        $this->assertVerified();
    }

    /** @return array<string, array{string, string, list<string>}> */
    public static function routes(): array
    {
        return [
            'choosing one' => ['get', 'file.new', ['editor', 'owner']],
            'sending it whole' => ['post', 'file.send', ['editor', 'owner']],
            'asking for its name' => ['get', 'file.named', ['editor', 'owner']],
            'beginning to send' => ['post', 'upload.begin', ['editor', 'owner']],
            'its picture' => ['get', 'file.content', ['viewer', 'editor', 'owner']],
            'making something of it' => ['post', 'file.into', ['editor', 'owner']],
        ];
    }

    /** @param list<string> $may */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, array $may): void
    {
        $people = [
            'owner' => $this->ines,
            'editor' => $this->tobi,
            'viewer' => $this->person('Rafi Sadek'),
            'stranger' => $this->person('Jun Castell'),
        ];
        $this->shelf->memberships()->create(['user_id' => $people['viewer']->id, 'role' => Role::Viewer]);
        $item = $this->sent('mark.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>');
        $url = match ($route) {
            'file.content' => route($route, [$item, 1]),
            'file.into' => route($route, $item),
            default => route($route, $this->shelf),
        };
        $this->app->make('auth')->forgetGuards();
        $this->json($method, $url)->assertUnauthorized();
        self::assertSame(404, $this->actingAs($people['stranger'])->json($method, $url)->status());
        foreach (['viewer', 'editor', 'owner'] as $who) {
            $file = UploadedFile::fake()->createWithContent("{$who}.txt", 'some words');
            $status = $this->actingAs($people[$who])
                ->call(strtoupper($method), $url, ['name' => 'a.txt', 'size' => 3, 'kind' => 'document'], files: ['file' => $file])
                ->getStatusCode();
            in_array($who, $may, true)
                ? self::assertContains($status, [200, 302, 422], $who)
                : self::assertContains($status, [403, 404], $who);
        }
        // The next version of a file is for who may write it, and goes nowhere else.
        $other = $this->shelf('Elsewhere', [[$people['viewer'], Role::Owner]]);
        $this->actingAs($people['viewer'])
            ->postJson(route('upload.begin', $other), ['name' => 'a.txt', 'size' => 3, 'item' => $item->key])
            ->assertNotFound();
        $this->postJson(route('upload.begin', $this->shelf), ['name' => 'a.txt', 'size' => 3, 'item' => $item->key])->assertForbidden();
    }

    private function begun(string $name, int $size, ?Item $item = null): string
    {
        return (string) $this->postJson(route('upload.begin', $this->shelf), ['name' => $name, 'size' => $size, 'item' => $item?->key])
            ->assertOk()
            ->json('url');
    }

    /** @return TestResponse<JsonResponse> */
    private function slice(string $url, int $at, string $bytes): TestResponse
    {
        return $this->call(
            'PUT',
            "{$url}?at={$at}",
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'],
            $bytes,
        )->assertOk();
    }

    private function sent(string $name, string $bytes, ?Item $item = null): Item
    {
        $url = $this->begun($name, strlen($bytes), $item);
        foreach ($bytes === '' ? [] : str_split($bytes, 4_194_304) as $at => $slice) {
            $this->slice($url, $at * 4_194_304, $slice);
        }
        $this->postJson($url)->assertOk();

        return $item?->refresh() ?? Item::query()->orderByDesc('id')->firstOrFail();
    }

    private function bytes(Item $item, int $number): string
    {
        $answer = $this->get(route('download', [$item, $number, 'file']))->assertOk();

        return $answer->streamedContent();
    }

    /** @param \Closure(\GdImage): mixed $draw */
    private function picture(\Closure $draw): string
    {
        $picture = imagecreatetruecolor(300, 200);
        imagefill($picture, 0, 0, (int) imagecolorallocate($picture, 250, 250, 245));
        $draw($picture);
        ob_start();
        imagepng($picture);

        return (string) ob_get_clean();
    }

    /** @param array<string, string> $files */
    private function archive(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($files as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return (string) file_get_contents($path);
    }

    /** A page for each text (ISO 32000-1, 7.5). */
    private function pdf(string ...$texts): string
    {
        $texts = array_values($texts);
        $kids = implode(' ', array_map(fn (int $at) => 4 + 2 * $at.' 0 R', array_keys($texts)));
        $objects = [
            '<</Type/Catalog/Pages 2 0 R>>',
            "<</Type/Pages/Kids[{$kids}]/Count ".count($texts).'>>',
            '<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>',
        ];
        foreach ($texts as $at => $text) {
            $stream = "BT /F1 24 Tf 72 700 Td ({$text}) Tj ET";
            $objects[] = '<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Resources<</Font<</F1 3 0 R>>>>/Contents '.(5 + 2 * $at).' 0 R>>';
            $objects[] = '<</Length '.strlen($stream).">>stream\n{$stream}\nendstream";
        }
        $pdf = "%PDF-1.4\n";
        $places = [];
        foreach ($objects as $at => $object) {
            $places[] = strlen($pdf);
            $pdf .= ($at + 1)." 0 obj{$object}endobj\n";
        }
        $start = strlen($pdf);
        $pdf .= 'xref'
        ."\n0 "
        .(count($objects) + 1)
        ."\n0000000000 65535 f \n"
        .implode('', array_map(fn (int $place) => sprintf("%010d 00000 n \n", $place), $places));

        return $pdf.'trailer<</Size '.(count($objects) + 1)."/Root 1 0 R>>\nstartxref\n{$start}\n%%EOF";
    }
}
