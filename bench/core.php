<?php

declare(strict_types=1);

/*
 * The core side by side with GNU diff, sebastian/diff, npm's diff, diff-match-patch and daff, and swaggest/json-diff, as
 * ratios of processor time in one run.
 *   php bench/core.php [--quick]     prints the table that is in bench/RESULTS.md
 * Each row is measured in a process of its own, as a request has one, lest it pays for what another left behind in memory: a table that is
 * compared after another took up to twice as long. The settings are those that the application is served with (deploy/php/attic.ini);
 *   php bench/core.php --part=tables --case=1 [--quick]     prints one of them as JSON, a part without a case all of its rows
 */

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Lines;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Sequences\Alignment;
use MistyAttic\Core\Sequences\Sequences;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\TreeStore;
use Random\Engine\Mt19937;
use Random\Randomizer;
use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\UnifiedDiffOutputBuilder;
use Swaggest\JsonDiff\JsonDiff;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/CountingChunkStore.php';

ini_set('memory_limit', '3G');
$options = getopt('', ['quick', 'part:', 'case:']);
$quick = isset($options['quick']);
$part = is_string($options['part'] ?? null) ? $options['part'] : null;
if ($part === null) {
    $rows = $growth = [];
    putenv('PHP_INI_SCAN_DIR=:'.dirname(__DIR__).'/deploy/php');
    foreach (['lines', 'words', 'tables', 'documents', 'store'] as $name) {
        for ($case = 0; ; $case++) {
            $made = json_decode(
                (string) shell_exec(
                    implode(
                        ' ',
                        array_map(escapeshellarg(...), [
                            PHP_BINARY,
                            __FILE__,
                            "--part={$name}",
                            "--case={$case}",
                            ...$quick ? ['--quick'] : [],
                        ]),
                    ),
                ),
                true,
            );
            is_array($made) || throw new RuntimeException("Case {$case} of the part {$name} did not run");
            if ($made === ['rows' => [], 'growth' => []]) {
                break;
            }
            array_push($rows, ...$made['rows']);
            array_push($growth, ...$made['growth']);
        }
    }
    echo '| what | ms | '.'others, ms (how many times ours)'." | result |\n|---|---|---|---|\n";
    foreach ($rows as [$name, $ours, $others, $result]) {
        $shown = array_map(
            fn (string $other, ?float $ms) => $ms === null ? "{$other} –" : sprintf('%s %.1f (%.1f×)', $other, $ms, $ms / $ours),
            array_keys($others),
            $others,
        );
        printf("| %s | %.1f | %s | %s |\n", $name, $ours, implode(', ', $shown), $result);
    }
    echo "\n| rows of 20 cells | compare, 1 row changed, ms | block of 100 changed, ms | and which of their cells, ms | GNU diff on the exported texts, ms (how many times ours) | save 1 row, ms | chunk bytes a version | full copy, bytes | gzip, bytes | read 50 rows, ms |\n|---|---|---|---|---|---|---|---|---|---|\n";
    foreach ($growth as [$size, $one, $block, $cells, $gnu, $save, $bytes, $full, $zip, $window]) {
        printf(
            "| %d | %.2f | %.2f | %.2f | %.1f (%.0f×) | %.2f | %d | %d | %d | %.2f |\n",
            $size,
            $one,
            $block,
            $cells,
            $gnu,
            $gnu / $one,
            $save,
            $bytes,
            $full,
            $zip,
            $window,
        );
    }
    exit;
}
$folder = sys_get_temp_dir().'/attic-bench-'.getmypid();
mkdir($folder);
$random = new Randomizer(new Mt19937(20261125));
$vocabulary = explode(
    ' ',
    'bench socket log lead red bin owner ring sand is taped before doors open every tester walk room lamp needle thread tin board stub ticket name part order date call back the a of and to in',
);
$words = function (int $count) use ($random, $vocabulary): string {
    $words = [];
    while ($count-- > 0) {
        $words[] = $vocabulary[$random->getInt(0, count($vocabulary) - 1)].($random->getInt(0, 3) === 0 ? $random->getInt(0, 999) : '');
    }

    return implode(' ', $words);
};
/** Processor time in milliseconds that work takes here, or in a child. */
$once = function (Closure $work, int $who = 0): float {
    $start = getrusage($who) ?: [];
    $work();
    $end = getrusage($who) ?: [];

    return 1e3 * ($end['ru_utime.tv_sec'] - $start['ru_utime.tv_sec'] + $end['ru_stime.tv_sec'] - $start['ru_stime.tv_sec'])
        + ($end['ru_utime.tv_usec'] - $start['ru_utime.tv_usec'] + $end['ru_stime.tv_usec'] - $start['ru_stime.tv_usec']) / 1e3;
};
$median = function (array $used): float {
    sort($used);

    return $used[intdiv(count($used), 2)];
};
$time = function (Closure $work, int $times = 5) use ($once, $median): float {
    $used = [];
    while ($times-- > 0) {
        gc_collect_cycles();
        $used[] = $once($work);
    }

    return $median($used);
};
/** Short work, so often that starting it costs little. */
$twenty = fn (Closure $work): Closure => function () use ($work): void {
    for ($i = 0; $i < 20; $i++) {
        $work($i);
    }
};
$put = function (string $name, string $bytes) use ($folder): string {
    file_put_contents("{$folder}/{$name}", $bytes);

    return "{$folder}/{$name}";
};
$empty = $put('empty', '');
/** Ours and GNU diff on two files in turn, so that what else the machine does falls on both alike; its start-up is taken off. */
$besideDiff = function (Closure $work, string $old, string $new, int $times = 11) use ($once, $median, $empty): array {
    $diff = fn (string ...$files): float => $once(
        fn () => exec('diff '.implode(' ', array_map(escapeshellarg(...), $files)).' >/dev/null 2>&1'),
        1,
    );
    $ours = $theirs = $startUp = [];
    while ($times-- > 0) {
        gc_collect_cycles();
        $ours[] = $once($work);
        $theirs[] = $diff($old, $new);
        $startUp[] = $diff($empty, $empty);
    }

    return [$median($ours), max(0.1, $median($theirs) - $median($startUp))];
};
/** What an npm package takes for the same. */
$peer = function (string $work, string $old, string $now, int $times = 5) use ($put): float {
    $taken = json_decode(
        (string) shell_exec(
            'node '
                .escapeshellarg(__DIR__.'/peers.mjs')
                .' '
                .escapeshellarg(
                    $put('jobs.json', (string) json_encode([['work' => $work, 'old' => $old, 'now' => $now, 'times' => $times]])),
                ),
        ),
        true,
    );

    return is_array($taken) ? (float) $taken[0] : throw new RuntimeException('The npm packages did not run');
};
/** Ours before and after theirs, so that what else the machine does falls on both. */
$beside = function (Closure $work, Closure $others, int $times = 5) use ($time): array {
    $before = $time($work, $times);
    $theirs = $others();

    return [($before + $time($work, $times)) / 2, $theirs];
};
$edits = fn (Alignment $alignment): int => array_sum(array_map(fn (array $gap) => $gap[1] - $gap[0] + $gap[3] - $gap[2], $alignment->gaps()));
$rows = $growth = [];
/** Whether the next case is asked for. */
$isAsked = function () use ($options): bool {
    static $case = 0;

    return ! isset($options['case']) || (int) $options['case'] === $case++;
};

/* Lines */

if ($part === 'lines') {
    $lineCases = [];
    foreach (
        $quick ? [[2_000, 10]] : [[2_000, 10], [10_000, 1], [10_000, 10], [10_000, 50], [50_000, 1], [50_000, 10], [50_000, 50]] as [$count, $percent]
    ) {
        $old = [];
        for ($i = 0; $i < $count; $i++) {
            $old[] = $random->getInt(0, 9) === 0 ? "}\n" : $words(6)."\n";
        }
        $new = [];
        foreach ($old as $line) {
            $what = $random->getInt(1, 100) <= $percent ? $random->getInt(0, 2) : 3;
            $what === 0 || $new[] = $what === 1 ? $words(6)."\n" : $line;
            if ($what === 2) {
                $new[] = $words(6)."\n";
            }
        }
        $lineCases["lines, made up, {$count}, {$percent} %"] = [implode('', $old), implode('', $new)];
    }
    $real = ['', ''];
    foreach (['node_modules/vite-plugin-full-reload/node_modules/picomatch', 'node_modules/picomatch'] as $side => $package) {
        foreach (['README.md', 'lib/parse.js', 'lib/picomatch.js', 'lib/scan.js', 'lib/utils.js', 'lib/constants.js'] as $name) {
            $real[$side] .= (string) @file_get_contents(__DIR__."/../{$package}/{$name}");
        }
    }
    if ($real[0] !== '' && $real[1] !== '') {
        $lineCases['lines, real (picomatch 2 and 4)'] = $real;
    }
    foreach ($lineCases as $name => [$old, $new]) {
        if (! $isAsked()) {
            continue;
        }
        [$a, $b] = [$put("{$name}.old", $old), $put("{$name}.new", $new)];
        [$oldLines, $newLines] = [Lines::of($old), Lines::of($new)];
        $found = Sequences::align($oldLines, $newLines);
        $isShort = count($oldLines) < 5_000;
        $work = fn () => Sequences::align(Lines::of($old), Lines::of($new));
        [$ours, $gnu] = $besideDiff($isShort ? $twenty($work) : $work, $a, $b);
        $ours /= $isShort ? 20 : 1;
        exec('diff -d '.escapeshellarg($a).' '.escapeshellarg($b), $out);
        $least = count(preg_grep('/^[<>]/', $out) ?: []);
        $out = [];
        $differ = new Differ(new UnifiedDiffOutputBuilder);
        $sebastian = ! $isShort ? null : $time(fn () => $differ->diffToArray($oldLines, $newLines));
        $rows[] = [
            $name,
            $ours,
            [
                'GNU diff' => $gnu,
                'sebastian/diff' => $sebastian,
                'npm diff' => $peer('diff lines', $a, $b),
                'npm diff-match-patch' => $peer('diff-match-patch lines', $a, $b),
            ],
            sprintf(
                '%d edits, GNU diff -d %d (%+.1f %%)%s',
                $edits($found),
                $least,
                100 * ($edits($found) / max(1, $least) - 1),
                $found->exact ? '' : ', coarse',
            ),
        ];
    }
}

/* Words */

if ($part === 'words') {
    $text = $words(16_000);
    $list = explode(' ', $text);
    $changed = implode(
        ' ',
        array_map(fn (string $word) => $random->getInt(1, 20) === 1 ? 'changed'.$random->getInt(0, 999) : $word, $list),
    );
    $splitter = new Words;
    $wordCase = function (string $name, string $old, string $new, int $times = 5) use (
        $put,
        $beside,
        $peer,
        $splitter,
        $isAsked,
        &$rows,
    ): void {
        if (! $isAsked()) {
            return;
        }
        [$one, $two] = [RichText::plain($old), RichText::plain($new)];
        $found = TextCompare::of($one, $two, $splitter);
        [$a, $b] = [$put("{$name}.old", $old), $put("{$name}.new", $new)];
        [$added, $removed] = $found->counts();
        [$ours, $others] = $beside(
            fn () => TextCompare::of($one, $two, $splitter),
            fn () => [
                'npm diff' => $peer('diff words', $a, $b, $times),
                'npm diff-match-patch' => $peer('diff-match-patch words', $a, $b, $times),
            ],
        );
        $rows[] = [
            $name,
            $ours,
            $others,
            sprintf(
                '%d words in, %d out of %d%s',
                $added,
                $removed,
                intdiv(count($found->oldTexts), 2),
                $found->alignment->exact ? '' : ', coarse',
            ),
        ];
    };
    $wordCase('words, '.intdiv(strlen($text), 1000).' KB, 5 % changed', $text, $changed);
    $list = explode(' ', $words($quick ? 1_500 : 36_000));
    $wordCase('the same '.count($list).' words shuffled', implode(' ', $list), implode(' ', $random->shuffleArray($list)), 1);
}

/* Tables */
$table = function (int $count, int $width) use ($random, $words): array {
    $rows = [];
    for ($i = 0; $i < $count; $i++) {
        $row = [1000 + 7 * $i];
        for ($c = 1; $c < $width; $c++) {
            $row[]
                = $c % 3 === 0 ? $random->getInt(0, 99_999) : ($c % 3 === 1 ? $words(2) : ['open', 'done', 'waiting'][$random->getInt(0, 2)]);
        }
        $rows[] = $row;
    }

    return $rows;
};
$tree = function (array $rows, string $prefix, int $from = 0): PartTree {
    $parts = [new Part("{$prefix}tab", 'tab', 0, ['name' => 'Log', 'frozen' => 0])];
    $width = count($rows[0]);
    for ($c = $from; $c < $width; $c++) {
        $parts[] = new Part("{$prefix}c{$c}", 'column', 1, ['width' => 0, 'format' => '']);
    }
    foreach ($rows as $at => $row) {
        $cells = [];
        for ($c = $from; $c < $width; $c++) {
            $cells["{$prefix}c{$c}"] = $row[$c];
        }
        $parts[] = new Part("{$prefix}r{$at}", 'row', 1, $cells);
    }

    return PartTree::of($parts);
};
if ($part === 'tables') {
    $size = $quick ? 1_000 : 10_000;
    $oldTable = $table($size, 10);
    array_unshift($oldTable, array_map(fn (int $c) => "c{$c}", range(0, 9)));
    $newTable = $oldTable;
    foreach ($random->pickArrayKeys(array_slice($oldTable, 1, null, true), 100) as $at) {
        $newTable[$at][$random->getInt(1, 9)] = 'edited '.$random->getInt(0, 9_999);
    }
    $gone = $random->pickArrayKeys(array_diff_key($newTable, [0 => 0]), 20);
    $newTable = array_values(array_diff_key($newTable, array_flip($gone)));
    for ($i = 0; $i < 20; $i++) {
        array_splice($newTable, $random->getInt(1, count($newTable)), 0, [[500_000 + $i, ...array_map(fn () => $words(3), range(1, 9))]]);
    }
    for ($i = 0; $i < 10; $i++) {
        $row = array_splice($newTable, $random->getInt(1, count($newTable) - 1), 1);
        array_splice($newTable, $random->getInt(1, count($newTable)), 0, $row);
    }
    $withColumn = fn (int $place): array => array_map(
        fn (array $row, int $at) => [...array_slice($row, 0, $place), $at === 0 ? 'c10' : $at % 7, ...array_slice($row, $place)],
        $newTable,
        array_keys($newTable),
    );
    $grid = (new SpreadsheetKind)->grid();
    // As two CSV files give them, whose rows and columns are numbered: behind the first that came or went, all have other ids.
    $read = fn (array $table): PartTree => (new CsvReader)->read(
        implode("\n", array_map(fn (array $row) => implode(',', $row), $table))."\n",
        new FormatLimits,
    )->tree;
    foreach (
        [['with a key column', 0, 10], ['without', 1, 10], ['with a key column, the new column in the middle', 0, 5]] as [$name, $from, $place]
    ) {
        if (! $isAsked()) {
            continue;
        }
        [$oldTold, $newTold] = [
            array_map(fn (array $row) => array_slice($row, $from), $oldTable),
            array_map(fn (array $row) => array_slice($row, $from), $withColumn($place)),
        ];
        [$old, $new] = [$read($oldTold), $read($newTold)];
        $compare = fn () => TreeCompare::of($old, Matching::adopt($old, $new, $grid)->tree);
        $changes = $compare();
        $counts = ['added' => 0, 'removed' => 0, 'moved' => 0];
        $cells = 0;
        foreach ($changes->changes as $change) {
            if ($change->part()->role === 'row') {
                $counts[$change->type->value] = ($counts[$change->type->value] ?? 0) + 1;
                $cells += count(array_filter($change->fields(), fn (string $field) => $old->has($field)));
            }
        }
        [$a, $b] = [$put('table.old', (string) json_encode($oldTold)), $put('table.new', (string) json_encode($newTold))];
        [$ours, $others] = $beside($compare, fn () => ['npm daff' => $peer($from === 0 ? 'daff with key' : 'daff', $a, $b)]);
        $rows[] = [
            "table, {$size} × ".(10 - $from).", {$name}",
            $ours,
            $others,
            "{$cells} cells, {$counts['added']} rows in, {$counts['removed']} out, {$counts['moved']} moved (made: 100 less the removed ones, 20, 20, 10)",
        ];
    }
}

/* Document trees */

if ($part === 'documents') {
    $blocks = [];
    for ($i = 0; $i < ($quick ? 300 : 2_000); $i++) {
        $blocks[] = new Part(
            "p{$i}abc",
            $i % 12 === 0 ? 'heading' : 'paragraph',
            0,
            ['text' => RichText::plain($words(25))] + ($i % 12 === 0 ? ['level' => 2] : []),
        );
    }
    $changed = $blocks;
    foreach ($random->pickArrayKeys($changed, 20) as $at) {
        $changed[$at] = $changed[$at]->with('text', RichText::plain($changed[$at]->richText()->text().' '.$words(3)));
    }
    for ($i = 0; $i < 5; $i++) {
        array_splice($changed, $random->getInt(0, count($changed) - 1), 1);
        array_splice($changed, $random->getInt(0, count($changed)), 0, [
            new Part("q{$i}abc", 'paragraph', 0, ['text' => RichText::plain($words(20))]),
        ]);
        $part = array_splice($changed, $random->getInt(0, count($changed) - 1), 1);
        array_splice($changed, $random->getInt(0, count($changed)), 0, $part);
    }
    [$old, $new] = [PartTree::of($blocks), PartTree::of(array_values($changed))];
    $json = fn (PartTree $tree) => json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)));
    [$oldJson, $newJson] = [$json($old), $json($new)];
    $count = fn (ChangeSet $changes): array => array_count_values(array_map(fn (Change $change) => $change->type->value, $changes->changes));
    if ($isAsked()) {
        $counts = $count(TreeCompare::of($old, $new));
        $rows[] = [
            'document, '.count($blocks).' blocks, ids shared',
            $time(fn () => TreeCompare::of($old, $new)),
            ['swaggest/json-diff' => $time(fn () => new JsonDiff($oldJson, $newJson, JsonDiff::REARRANGE_ARRAYS))],
            "{$counts['edited']} edited, {$counts['moved']} moved, {$counts['removed']} removed, {$counts['added']} added (made: 20, 5, 5, 5)",
        ];
    }
    if ($isAsked()) {
        $stranger = PartTree::of(
            array_map(fn (Part $part) => new Part("x{$part->id}", $part->role, $part->depth, $part->fields), $new->parts),
        );
        $counts = $count(TreeCompare::of($old, Matching::adopt($old, $stranger)->tree));
        $rows[] = [
            'the same without shared ids',
            $time(fn () => TreeCompare::of($old, Matching::adopt($old, $stranger)->tree)),
            [],
            "{$counts['edited']} edited, {$counts['moved']} moved, {$counts['removed']} removed, {$counts['added']} added",
        ];
    }
}

/* The store, as it grows */
if ($part === 'store') {
    foreach ($quick ? [1_000, 5_000] : [1_000, 10_000, 100_000] as $size) {
        if (! $isAsked()) {
            continue;
        }
        $body = $tree($table($size, 20), 's')->parts;
        $chunks = new MemoryChunkStore;
        $store = new TreeStore($chunks);
        $root = $store->keep(PartTree::of($body));
        $at = intdiv($size, 2);
        $one = $body[$at]->with('sc3', 123);
        $edited = $store->splice($root, [[$at, $at + 1, [$one]]]);
        $block = $store->splice($root, [
            [$at, $at + 100, array_map(fn (Part $part) => $part->with('sc3', 7), array_slice($body, $at, 100))],
        ]);
        $export = fn (array $parts): string => implode("\n", array_map(fn (Part $part) => $part->record(), $parts))."\n";
        $after = $body;
        $after[$at] = $one;
        [$a, $b] = [$put('store.old', $export($body)), $put('store.new', $export(array_values($after)))];
        $many = fn (Closure $work): float => $time($twenty($work), 7) / 20;
        [$compared, $gnu] = $besideDiff($twenty(fn () => TreeCompare::between($store->compare($root, $edited))), $a, $b, 7);
        $versions = 200;
        $bytes = 0;
        $current = $root;
        $base = $root;
        for ($version = 0; $version < $versions; $version++) {
            $row = $random->getInt(25, $size);
            $part = $store->window($current, $row, 1)[0];
            $counter = new CountingChunkStore($chunks);
            $current = (new TreeStore($counter))->splice($current, [[$row, $row + 1, [$part->with('sc3', $random->getInt(0, 99_999))]]]);
            $bytes += $counter->bytes;
        }
        $growth[] = [
            $size,
            $compared / 20,
            $many(fn () => TreeCompare::between($store->compare($root, $block))),
            $many(
                fn () => array_map(fn (Change $change) => $change->fields(), TreeCompare::between($store->compare($root, $block))->changes),
            ),
            $gnu,
            $many(fn (int $i) => $store->splice($root, [[$at, $at + 1, [$one->with('sc3', $i)]]])),
            $bytes / $versions,
            strlen($export($body)),
            strlen((string) gzencode($export($body))),
            $many(fn () => $store->window($root, $at, 50)),
        ];
    }
}

array_map(unlink(...), glob("{$folder}/*") ?: []);
rmdir($folder);
echo json_encode(['rows' => $rows, 'growth' => $growth]);
