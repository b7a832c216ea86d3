<?php

declare(strict_types=1);

/*
 * What opening and saving cost in a document of 300 blocks as its versions grow, told by counts and by times side by side.
 *   php bench/run.php [--quick] [--database=FILE]     a FILE that is named is kept, for bench/ribbon.mjs
 */

use App\Database\DatabaseFile;
use App\Making\MakeItem;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Chunks\SqliteChunkStore;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Store\ChunkStore;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/../vendor/autoload.php';
$options = getopt('', ['quick', 'database:']);
$database = is_string($options['database'] ?? null) ? $options['database'] : (string) tempnam(sys_get_temp_dir(), 'attic-bench');
@unlink($database);
putenv("DB_DATABASE={$database}");
putenv('APP_KEY=base64:3q2+796tvu/erb7v3q2+796tvu/erb7v3q2+796tvu8=');
putenv('APP_CONFIG_CACHE=/nowhere');
putenv('ATTIC_DEMO=true');
putenv('CACHE_STORE=array');
putenv('SESSION_DRIVER=array');
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
// The framework tells of an exception and ends as if all were well.
set_exception_handler(function (Throwable $e): never {
    fwrite(STDERR, (string) $e);
    exit(1);
});
DatabaseFile::make($database);
Artisan::call('migrate', ['--force' => true]);

$random = new Randomizer(new Mt19937(20261125));
$vocabulary = explode(
    ' ',
    'bench socket log lead red bin owner ring sand is taped before doors open every tester walk room lamp needle thread tin board stub ticket name part order date call back the a of and to in',
);
$sentence = function () use ($random, $vocabulary): string {
    $words = [];
    for ($i = 0; $i < 14; $i++) {
        $words[] = $vocabulary[$random->getInt(0, count($vocabulary) - 1)];
    }

    return ucfirst(implode(' ', $words)).'. ';
};
Date::setTestNow('2025-01-06 09:00:00');
$people = [];
foreach (['Ines Oduya', 'Tobi Brandt', 'Nell Warwick', 'Rafi Sadek', 'Jun Castell'] as $at => $name) {
    $people[] = User::query()->create(['name' => $name, 'email' => "p{$at}@example.org", 'colour' => $at + 1]);
}
$shelf = Shelf::query()->create(['key' => 'bench', 'name' => 'Bench']);
foreach ($people as $person) {
    $shelf->memberships()->create(['user_id' => $person->id, 'role' => Role::Owner]);
}
$item = $app->make(MakeItem::class)->handle($shelf, $people[0], 'document', 'Three hundred blocks');
$parts = [];
for ($i = 0; $i < 300; $i++) {
    $parts[] = $i % 12 === 0
        ? new Part("p{$i}abc", 'heading', 0, ['level' => 2, 'text' => RichText::plain("Section {$i}")])
        : new Part("p{$i}abc", 'paragraph', 0, ['text' => RichText::plain($sentence().$sentence().$sentence())]);
}
$tree = PartTree::of($parts);
$save = function (PartTree $tree, User $who) use ($app, $item): void {
    Date::setTestNow(Date::now()->addMinutes(7));
    $app->make(SaveState::class)->handle($item, $who, new Sent($item->root, $tree, 'bench'));
    $item->refresh();
};
$save($tree, $people[0]);

/** One sentence is written into one paragraph, or the one from before is taken out again. */
$edit = function () use (&$tree, $random, $sentence): void {
    do {
        $at = $random->getInt(0, 299);
    } while ($tree->parts[$at]->role !== 'paragraph');
    $text = $tree->parts[$at]->richText()->text();
    $text = strlen($text) > 600 ? substr($text, 0, 200) : $text.$sentence();
    $parts = $tree->parts;
    $parts[$at] = $parts[$at]->with('text', RichText::plain($text));
    $tree = PartTree::of($parts);
};
$queries = 0;
DB::listen(function () use (&$queries): void {
    $queries++;
});
$kernel = $app->make(Kernel::class);
Auth::login($people[0]);
$open = function (string $url) use ($app, $kernel, &$queries, $people): array {
    $times = [];
    for ($i = 0; $i < 7; $i++) {
        $app->forgetScopedInstances();
        $queries = 0;
        Auth::setUser($people[0]->fresh() ?? $people[0]);
        $queries = 0;
        $start = hrtime(true);
        $response = $kernel->handle(Request::create($url));
        $times[] = (hrtime(true) - $start) / 1e6;
        $response->getStatusCode() === 200 || throw new RuntimeException("{$url}: {$response->getStatusCode()}");
    }
    sort($times);
    $store = $app->make(ChunkStore::class);

    return [
        'ms' => $times[3],
        'queries' => $queries,
        'chunks' => $store instanceof SqliteChunkStore ? $store->reads : 0,
        'bytes' => strlen((string) $response->getContent()),
    ];
};

$sizes = isset($options['quick']) ? [50, 200] : [50, 500, 5000];
$rows = [];
$saving = [];
foreach ($sizes as $size) {
    while ($item->head < $size - 1) {
        $edit();
        $save($tree, $people[intdiv($item->head, 4) % 5]);
    }
    $edit();
    DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
    $chunks = DB::table('chunks')->count();
    $bytes = DB::table('chunks')->sum(DB::raw('length(data)'));
    $queries = 0;
    $start = hrtime(true);
    $save($tree, $people[0]);
    $saving[$size] = [
        'ms' => (hrtime(true) - $start) / 1e6,
        'queries' => $queries,
        'chunks' => DB::table('chunks')->count() - $chunks,
        'bytes' => DB::table('chunks')->sum(DB::raw('length(data)')) - $bytes,
    ];
    DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
    clearstatcache();
    $saving[$size]['file'] = filesize($database) / $item->head;
    $head = $item->head;
    foreach (
        [
            'shelf' => route('shelf', $shelf),
            'item' => route('item', $item),
            'history' => route('history', ['item' => $item, 'from' => $head - 8, 'to' => $head]),
            'comparison, first to last' => route('history', ['item' => $item, 'from' => 2, 'to' => $head]),
            'who wrote what' => route('history', ['item' => $item, 'from' => $head - 8, 'to' => $head, 'view' => 'who']),
            'ribbon' => route('ribbon', $item),
        ] as $name => $url
    ) {
        $rows[$name][$size] = $open($url);
    }
}

printf("A document of 300 blocks; PHP %s, %s\n\n", PHP_VERSION, date('j F Y'));
foreach ($rows as $name => $of) {
    foreach ($of as $size => $cost) {
        printf(
            "%-26s %5d versions  %7.1f ms  %3d queries  %4d chunks read  %7d bytes\n",
            $name,
            $size,
            $cost['ms'],
            $cost['queries'],
            $cost['chunks'],
            $cost['bytes'],
        );
    }
}
echo "\n";
foreach ($saving as $size => $cost) {
    printf(
        "saving one sentence        %5d versions  %7.1f ms  %3d queries  %4d chunks written, %d bytes; the whole file is %.0f bytes a version\n",
        $size,
        $cost['ms'],
        $cost['queries'],
        $cost['chunks'],
        $cost['bytes'],
        $cost['file'],
    );
}
$least = min($sizes);
$most = max($sizes);
foreach (['shelf', 'item', 'history'] as $name) {
    if ($rows[$name][$least]['queries'] !== $rows[$name][$most]['queries']) {
        fwrite(STDERR, "{$name}: the number of queries grows with the versions\n");
        exit(1);
    }
}
if (! isset($options['database'])) {
    array_map(fn (string $ending) => @unlink($database.$ending), ['', '-wal', '-shm']);
}
