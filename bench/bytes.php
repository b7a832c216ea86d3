<?php

/*
 * What a version costs on the disk: the file grown by its tables and indexes, and what is written ahead for it. A few words are added to
 * one paragraph of a document; a number is written in one cell of a table of 5,000 rows, of which then 50 rows of any version, and all of
 * one, are read.
 *
 *   php bench/bytes.php [--quick]
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

require __DIR__.'/boot.php';
mt_srand(3);
Date::setTestNow('2026-01-05 09:00:00');
$versions = $quick ? 50 : 1000;
$words = static fn (int $count): string => implode(
    ' ',
    array_map(
        fn () => [
            'lamp',
            'lead',
            'socket',
            'board',
            'tester',
            'bin',
            'owner',
            'room',
            'doors',
            'tape',
            'fuse',
            'glass',
            'solder',
            'bench',
            'paint',
            'cloth',
        ][mt_rand(0, 15)],
        range(1, $count),
    ),
);
$sizes = static fn (): array => DB::table('dbstat')->selectRaw('name, sum(pgsize) AS bytes')->groupBy('name')->pluck('bytes', 'name')->all();
$states = $app->make(States::class);
/** @param array<string, int> $before */
$grown = static function (array $before) use ($sizes, $versions): string {
    $grown = array_filter(
        array_map(fn (string $name, int $bytes) => [$name, ($bytes - ($before[$name] ?? 0)) / $versions], array_keys($sizes()), $sizes()),
        fn (array $row) => $row[1] > 5,
    );
    usort($grown, fn (array $a, array $b) => $b[1] <=> $a[1]);

    return sprintf(
        '%.0f bytes of the file (%s)',
        array_sum(array_column($grown, 1)),
        implode(', ', array_map(fn (array $row) => sprintf('%s %.0f', ...$row), $grown)),
    );
};
DB::statement('PRAGMA wal_autocheckpoint = 0');
foreach ([60, 300] as $paragraphs) {
    $document = $app
        ->make(MakeItem::class)
        ->handle(
            $shelf,
            $user,
            'document',
            "{$paragraphs} paragraphs",
            content: new Content(
                new DocumentKind,
                PartTree::of(
                    array_map(
                        fn (int $at) => new Part(sprintf('p%07d', $paragraphs * 1000 + $at), 'paragraph', 0, [
                            'text' => RichText::plain($words(25)),
                        ]),
                        range(1, $paragraphs),
                    ),
                ),
            ),
        );
    $save = function (int $at, bool $keep) use ($app, $document, $states, $user, $words): void {
        $parts = $states->tree($document->refresh()->root)->parts;
        $of = mt_rand(0, count($parts) - 1);
        $parts[$of] = $parts[$of]->with('text', RichText::plain($parts[$of]->richText()->text().' '.$words(2)));
        $app->make(SaveState::class)->handle(
            $document,
            $user,
            new Sent($document->root, PartTree::of($parts), "bench.{$at}.{$keep}", keep: $keep),
        );
    };
    foreach (['a version' => true, 'a saving of one that grows' => false] as $what => $keep) {
        DB::statement('PRAGMA wal_checkpoint(TRUNCATE)');
        $before = $sizes();
        for ($i = 0; $i < $versions; $i++) {
            $keep && Date::setTestNow(Date::now()->addMinutes(3));
            $save($i, $keep);
        }
        clearstatcache();
        $log = filesize("{$database}-wal") / $versions;
        printf("%d paragraphs, %s: %s, %.1f KB written ahead\n", $paragraphs, $what, $grown($before), $log / 1024);
    }
}

$rows = $quick ? 600 : 5000;
$parts = [
    new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
    ...array_map(fn (int $at) => new Part(sprintf('c%03d', $at), 'column', 1, ['width' => 0, 'format' => '']), range(0, 11)),
];
for ($row = 0; $row < $rows; $row++) {
    $parts[] = new Part(
        sprintf('r%06d', $row),
        'row',
        1,
        array_combine(
            array_map(fn (int $at) => sprintf('c%03d', $at), range(0, 11)),
            array_map(fn (int $at) => $at % 3 === 0 ? 'text '.mt_rand(0, 997) : mt_rand(0, 9999) / 10, range(0, 11)),
        ),
    );
}
$sheet = $app
    ->make(MakeItem::class)
    ->handle($shelf, $user, 'spreadsheet', 'Log', content: new Content(new SpreadsheetKind, PartTree::of($parts)), keepIds: true);
$before = $sizes();
for ($at = 0; $at < $versions; $at++) {
    Date::setTestNow(Date::now()->addMinutes(3));
    $row = mt_rand(1, $rows - 1);
    $app->make(SaveState::class)->handle(
        $sheet->refresh(),
        $user,
        new Sent(
            $sheet->root,
            null,
            "cell.{$at}",
            keep: true,
            edits: [
                'cells' => [sprintf('r%06d', $row) => [sprintf('c%03d', mt_rand(0, 11)) => mt_rand(0, 9999) / 10]],
                'at' => [sprintf('r%06d', $row) => 13 + $row],
            ],
        ),
    );
}
printf("a cell of %d rows, a version: %s\n", $rows, $grown($before));
$roots = $sheet->versions()->pluck('root')->all();
foreach (
    [
        '50 rows of any version' => fn (string $root) => $states->window($root, mt_rand(13, $rows - 60), 50),
        'all of any version' => fn (string $root) => $states->tree($root),
    ] as $what => $read
) {
    $times = [];
    for ($run = 0; $run < 100; $run++) {
        $root = (string) $roots[mt_rand(0, count($roots) - 1)];
        $start = hrtime(true);
        $read($root);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);
    printf("%s: %.1f ms, nineteen of twenty below %.1f\n", $what, $times[50], $times[95]);
}
unlink($database);
