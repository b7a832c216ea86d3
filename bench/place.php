<?php

declare(strict_types=1);

/*
 * What the pages of a place cost as it grows: `php bench/place.php --size=small|tenth|full [--keep=FILE]`, or `--quick` as CI does. A FILE
 * that is named is kept, and taken as it is when it is there.
 */

use App\Database\DatabaseFile;
use App\Models\Item;
use App\Models\Membership;
use App\Models\Shelf;
use App\Store\Chunks\SqliteChunkStore;
use Bench\Place;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkStore;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Place.php';
$options = getopt('', ['quick', 'size:', 'keep:', 'only:']);
$size = isset($options['quick']) ? 'quick' : (is_string($options['size'] ?? null) ? $options['size'] : 'small');
[$people, $shelves, $each, $versions, $large, $long, $entries] = [
    'quick' => [8, 2, 6, 12, 20, 60, 120],
    'small' => [14, 4, 50, 58, 100, 500, 500],
    'tenth' => [51, 10, 50, 58, 300, 5_000, 5_000],
    'full' => [514, 100, 50, 58, 1_000, 50_000, 50_000],
][$size] ?? exit("There are small, tenth and full.\n");
$database = is_string($options['keep'] ?? null) ? $options['keep'] : (string) tempnam(sys_get_temp_dir(), 'attic-bench');
$isThere = is_file($database) && filesize($database) > 0;
foreach (
    [
        'DB_DATABASE' => $database,
        'APP_KEY' => 'base64:3q2+796tvu/erb7v3q2+796tvu/erb7v3q2+796tvu8=',
        'APP_CONFIG_CACHE' => '/nowhere',
        'CACHE_STORE' => 'array',
        'SESSION_DRIVER' => 'array',
        'QUEUE_CONNECTION' => 'sync',
    ] as $name => $value
) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
// The framework tells of an exception and ends as if all were well.
set_exception_handler(function (Throwable $e): never {
    fwrite(STDERR, (string) $e);
    exit(1);
});
ini_set('memory_limit', '2G');
if (! $isThere) {
    DatabaseFile::make($database);
}
Artisan::call('migrate', ['--force' => true]);
Date::setTestNow('2026-01-05 09:00:00');

$start = hrtime(true);
if (! $isThere) {
    $place = new Place($app);
    DB::statement('PRAGMA synchronous = OFF');
    $place->people($people, $shelves);
    $first = $place->shelves[0];
    $templates = array_map(
        fn (int $at): Item => $place->written($first, ['document', 'spreadsheet', 'page', 'document'][$at % 4], $versions),
        range(0, $size === 'quick' ? 1 : 7),
    );
    DB::transaction(function () use ($place, $templates, $each, $large): void {
        foreach ($place->shelves as $at => $shelf) {
            $many = $at === 1 ? $large : $each;
            for ($one = 0; $one < $many; $one++) {
                $place->again($templates[$one % count($templates)], $shelf, $one);
            }
        }
    });
    $longest = $place->written($first, 'document', min($long, 400));
    DB::transaction(fn () => $place->longer($longest, $long));
    // What a database was told is not found until it is read in.
    $longest->update(['title' => 'The longest', 'is_read' => false]);
    DB::transaction(fn () => $place->form($first, $entries));
    DB::statement('PRAGMA optimize');
    DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
}
$made = (hrtime(true) - $start) / 1e9;
clearstatcache();
$count = fn (string $table): int => (int) DB::table($table)->count();
printf(
    "| place | people | shelves | items | entries | versions | touches | chunks | MB | made in, s |\n|---|---|---|---|---|---|---|---|---|---|\n| %s | %d | %d | %d | %d | %d | %d | %d | %.0f | %.0f |\n\n",
    $size,
    $count('users'),
    $count('shelves'),
    Item::query()->whereNull('form_id')->count(),
    Item::query()->whereNotNull('form_id')->count(),
    $count('versions'),
    $count('touches'),
    $count('chunks'),
    filesize($database) / 1e6,
    $made,
);

$longest = Item::query()->where('title', 'The longest')->firstOrFail();
$form = Item::query()->where(['kind' => 'form', 'title' => 'Booking'])->firstOrFail();
$wide = Shelf::query()->where('name', 'Shelf 1')->firstOrFail();
$user = Membership::query()->where('shelf_id', $longest->shelf_id)->orderBy('id')->firstOrFail()->user;
$other = Membership::query()->where('shelf_id', $wide->id)->orderBy('id')->firstOrFail()->user;
$head = $longest->head;
$part = (string) DB::table('touches')->where('item_id', $longest->id)->where('number', $head)->value('part');
$queries = 0;
DB::listen(function () use (&$queries): void {
    $queries++;
});
$kernel = $app->make(Kernel::class);
$pages = [
    'a shelf' => [$user, route('shelf', $longest->shelf)],
    "a shelf of {$large} items" => [$other, route('shelf', $wide)],
    'the longest: to write' => [$user, route('item', $longest)],
    'its history, a step' => [$user, route('history', ['item' => $longest, 'from' => $head - 1, 'to' => $head])],
    'its history, all of it' => [$user, route('history', ['item' => $longest, 'from' => 2, 'to' => $head])],
    'who wrote what' => [$user, route('history', ['item' => $longest, 'from' => $head - 1, 'to' => $head, 'view' => 'who'])],
    'a restore plan, all of it' => [$user, route('restore', [$longest, 2])],
    'what one person’s edits would be taken out of' => [
        $user,
        route('take-out', [$longest, 'from' => 1, 'to' => $head, 'by' => $user->id]),
    ],
    'the history of a part' => [$user, route('part', [$longest, $part])],
    'its ribbon' => [$user, route('ribbon', $longest)],
    'its list' => [$user, route('list', $longest)],
    'news for an open window' => [$user, route('live', [$longest, 'client' => 'bench'])],
    'entries' => [$user, route('entries', $form)],
    'entries, found' => [$user, route('entries', [$form, 'find' => 'sewing'])],
    'entries, summed up' => [$user, route('entries.sums', $form)],
    'the form, to write' => [$user, route('item', $form)],
    'entries as CSV' => [$user, route('entries.download', [$form, 'csv'])],
];
echo "| page | ms | queries | chunks | KB | MB more |\n|---|---|---|---|---|---|\n";
foreach ($pages as $name => [$who, $url]) {
    if (is_string($options['only'] ?? null) && ! str_contains($name, $options['only'])) {
        continue;
    }
    $times = [];
    for ($run = 0; $run < ($size === 'quick' ? 1 : 3) && ($run === 0 || $times[0] < 5_000); $run++) {
        $app->forgetScopedInstances();
        Auth::setUser($who->fresh() ?? $who);
        gc_collect_cycles();
        memory_reset_peak_usage();
        [$queries, $before, $begun] = [0, memory_get_usage(), hrtime(true)];
        $response = $kernel->handle(Request::create($url));
        $times[] = (hrtime(true) - $begun) / 1e6;
        $response->getStatusCode() === 200
            || throw new RuntimeException(
                "{$url}: {$response->getStatusCode()} {$response->exception?->getMessage()} {$response->exception?->getFile()}:{$response->exception?->getLine()}",
            );
    }
    sort($times);
    $store = $app->make(ChunkStore::class);
    printf(
        "| %s | %.0f | %d | %d | %.0f | %.0f |\n",
        $name,
        $times[intdiv(count($times), 2)],
        $queries,
        $store instanceof SqliteChunkStore ? $store->reads : 0,
        strlen((string) $response->getContent()) / 1024,
        (memory_get_peak_usage() - $before) / 1e6,
    );
}
if (! is_string($options['only'] ?? null)) {
    $begun = hrtime(true);
    $code = Artisan::call('attic:verify');
    printf("\nattic:verify: %.1f s, %s\n", (hrtime(true) - $begun) / 1e9, $code === 0 ? 'sound' : 'not sound: '.Artisan::output());
}
if (! is_string($options['keep'] ?? null)) {
    foreach (['', '-wal', '-shm'] as $ending) {
        is_file($database.$ending) && unlink($database.$ending);
    }
}
