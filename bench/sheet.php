<?php

/*
 * What spreadsheets cost as they grow, and what formulas cost beside the library alone. Run as `php bench/sheet.php`; with
 * `--quick` small numbers, as CI does, so that this stays true.
 */

declare(strict_types=1);

use App\Kinds\Spreadsheet\CellStory;
use App\Kinds\Spreadsheet\SheetView;
use App\Making\BroughtFile;
use App\Making\MakeItem;
use App\Making\ReadFile;
use App\Models\Item;
use App\Models\Version;
use App\Restoring\RestoreVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use App\View\Comparison;
use App\View\HistoryAddress;
use App\View\Phrases;
use Illuminate\Http\Request;
use MistyAttic\Core\Calculate\Recalculation;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Workbook\SheetFormat;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Spreadsheet;

require __DIR__.'/boot.php';
ini_set('memory_limit', '1536M');

/** @return array{float, mixed} milliseconds, the median of some runs, and what came of the last */
$median = function (int $runs, Closure $work): array {
    $times = [];
    $result = null;
    for ($run = 0; $run < $runs; $run++) {
        $start = hrtime(true);
        $result = $work($run);
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return [$times[intdiv($runs, 2)], $result];
};
$table = function (int $rows, int $columns): PartTree {
    $parts = [new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1])];
    for ($column = 0; $column < $columns; $column++) {
        $parts[] = new Part(sprintf('c%03d', $column), 'column', 1, ['width' => 0, 'format' => '']);
    }
    for ($row = 0; $row < $rows; $row++) {
        $fields = [];
        for ($column = 0; $column < $columns; $column++) {
            $fields[sprintf('c%03d', $column)]
                = $row === 0 ? "Heading {$column}" : ($column % 3 === 0 ? 'text '.($row * 7 + $column) % 997 : $row * 10 + $column);
        }
        $parts[] = new Part(sprintf('r%06d', $row), 'row', 1, $fields);
    }

    return PartTree::of($parts);
};
$save = function (Item $item, array $edits) use ($app, $user): Saved {
    $saved = $app
        ->make(SaveState::class)
        ->handle($item->refresh(), $user, new Sent($item->root, null, 'bench'.$item->head, keep: true, edits: $edits));

    return $saved instanceof Saved ? $saved : throw new RuntimeException('not saved');
};

echo "| rows × columns | content, KB | open: read and send, ms | save a cell, answer included, ms | compare neighbours and lay out, ms | as it was, first 150 rows, ms | history of a cell, ms | a picked restore, ms | most memory so far, MB |\n|---|---|---|---|---|---|---|---|---|\n";
foreach ($quick ? [[200, 10]] : [[1_000, 20], [10_000, 20], [10_000, 40], [100_000, 20]] as [$rows, $columns]) {
    $item = $app
        ->make(MakeItem::class)
        ->handle($shelf, $user, 'spreadsheet', "{$rows}", content: new Content(new SpreadsheetKind, $table($rows, $columns)));
    $states = $app->make(States::class);
    [$open, $json] = $median($quick ? 1 : 5, fn () => $states->json($item->root));
    $tree = $states->tree($item->root);
    $middle = $tree->parts[intdiv(count($tree->parts), 2)];
    $column = (string) array_key_last($middle->fields);
    $at = (int) $tree->position($middle->id);
    unset($tree);
    gc_collect_cycles();
    [$saved] = $median(
        $quick ? 2 : 5,
        fn (int $run) => $save($item, ['cells' => [$middle->id => [$column => 1000 + $run]], 'at' => [$middle->id => $at]]),
    );
    $head = $item->refresh()->head;
    $version = fn (int $number): Version => Version::query()
        ->with('user')
        ->where(['item_id' => $item->id, 'number' => $number])
        ->firstOrFail()
        ->setRelation('item', $item);
    [$compared] = $median(
        $quick ? 1 : 3,
        fn () => (new SheetView(
            new Comparison($item, $version($head - 1), $version($head), $states, new Phrases),
            $states,
            HistoryAddress::all($item),
        ))->lines(0, 150),
    );
    [$was] = $median(
        $quick ? 1 : 3,
        fn () => (new SheetView(
            new Comparison($item, $version($head), $version($head), $states, new Phrases),
            $states,
            HistoryAddress::read(Request::create('/', parameters: ['from' => $head, 'to' => $head, 'view' => 'was']), $item, fn () => $head),
        ))->lines(0, 150),
    );
    [$story] = $median($quick ? 1 : 3, fn () => (new CellStory($item, $middle->id, $column, $states))->steps);
    $size = number_format(strlen($json) / 1024);
    unset($json);
    $start = hrtime(true);
    $app->make(RestoreVersion::class)->handle($item, $version($head - 1), $user, $head, picked: ["edited:{$middle->id}/{$column}"]);
    $restored = (hrtime(true) - $start) / 1e6;
    printf(
        "| %s × %d | %s | %.0f | %.0f | %.0f | %.0f | %.0f | %.0f | %d |\n",
        number_format($rows),
        $columns,
        $size,
        $open,
        $saved,
        $compared,
        $was,
        $story,
        $restored,
        memory_get_peak_usage() >> 20,
    );
}

// Ten thousand formulas of ten sorts, from nothing and after one edit; the library from nothing.
$rows = $quick ? 50 : 1000;
$sorts = [
    'A%d*B%d',
    'SUM(A%d:B%d)',
    'IF(A%d>10,"big","small")',
    'ROUND(A%d/3,2)',
    'D%d+E%d',
    'MAX(A%d,B%d,10)',
    'C%d&"!"',
    'A%d+B%d*2',
    'AVERAGE(A%d:B%d)',
    'ABS(A%d-B%d)',
];
$parts = array_slice($table(1, 13)->parts, 0, 14);
$book = new Spreadsheet;
$sheet = $book->getActiveSheet();
for ($row = 1; $row <= $rows; $row++) {
    $fields = ['c000' => $row, 'c001' => $row * 2, 'c002' => "x{$row}"];
    $sheet->fromArray(array_values($fields), null, "A{$row}");
    foreach ($sorts as $at => $sort) {
        $fields[sprintf('c%03d', $at + 3)] = ['=', str_replace('%d', (string) $row, $sort)];
        $sheet->setCellValue([$at + 4, $row], '='.str_replace('%d', (string) $row, $sort));
    }
    $parts[] = new Part(sprintf('r%06d', $row), 'row', 1, $fields);
}
$kept = Spelling::kept(PartTree::of($parts));
[$nothing, $worked] = $median($quick ? 1 : 5, fn () => Recalculation::of(PartTree::of([]), $kept, '2026-05-01'));
$at = $worked->position('r000025') ?? 0;
[$one] = $median($quick ? 1 : 7, function (int $run) use ($worked, $at) {
    $parts = $worked->parts;
    $parts[$at] = $parts[$at]->with('c000', 500 + $run);

    return Recalculation::of($worked, PartTree::of($parts), '2026-05-01');
});
$start = hrtime(true);
foreach ($sheet->getCoordinates() as $coordinate) {
    $sheet->getCell($coordinate)->getCalculatedValue();
}
$library = (hrtime(true) - $start) / 1e6;
$item = $app->make(MakeItem::class)->handle($shelf, $user, 'spreadsheet', 'Formulas', content: new Content(new SpreadsheetKind, $worked));
$row = $app->make(States::class)->tree($item->root)->parts[40];
$column = (string) array_key_first($row->fields);
[$saved] = $median($quick ? 1 : 7, fn (int $run) => $save($item, ['cells' => [$row->id => [$column => 700 + $run]]]));
printf(
    "\n| %s formulas | ms | the library, ms (how many times ours) |\n|---|---|---|\n| from nothing | %.0f | %.0f (%.1f×) |\n| one cell edited, in the core | %.0f | |\n| one cell edited, save and answer included | %.0f | |\n",
    number_format($rows * 10),
    $nothing,
    $library,
    $library / $nothing,
    $one,
    $saved,
);

// A workbook of six columns, in and out, beside the library; the memory is what is taken beyond what was held before.
$rows = $quick ? 200 : 50_000;
$cells = $table($rows, 5)->parts;
foreach ($cells as $at => $part) {
    if ($part->role === 'row') {
        $cells[$at] = $part->with('c004', ['=', 'B'.($at - 5).'*2', 1]);
    }
}
$kept = Spelling::kept(PartTree::of($cells));
unset($cells);
$step = function (Closure $work): array {
    gc_collect_cycles();
    memory_reset_peak_usage();
    [$before, $start] = [memory_get_usage(), hrtime(true)];
    $result = $work();

    return [(hrtime(true) - $start) / 1e9, (memory_get_peak_usage() - $before) / 1e6, $result];
};
[$outTime, $outMemory, $bytes] = $step(fn () => SheetFormat::Xlsx->write($kept));
unset($kept);
[$inTime, $inMemory] = $step(
    fn () => $app
        ->make(MakeItem::class)
        ->handle($shelf, $user, 'spreadsheet', 'Workbook', content: (new ReadFile)->handle(new BroughtFile('book.xlsx', $bytes)))->id,
);
file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'attic-bench'), $bytes);
[$readTime, $readMemory, $book] = $step(fn () => IOFactory::createReader('Xlsx')->load($path));
[$writeTime, $writeMemory] = $step(fn () => IOFactory::createWriter($book, 'Xlsx')->setPreCalculateFormulas(false)->save($path));
unlink($path);
printf(
    "\n| %s × 6 XLSX | s | MB more | the library alone, s (how many times ours) | MB more |\n|---|---|---|---|---|\n| read, checked, worked out, kept as an item | %.1f | %.0f | %.1f, read alone (%.1f×) | %.0f |\n| written | %.1f | %.0f | %.1f (%.1f×) | %.0f |\n",
    number_format($rows),
    $inTime,
    $inMemory,
    $readTime,
    $readTime / $inTime,
    $readMemory,
    $outTime,
    $outMemory,
    $writeTime,
    $writeTime / $outTime,
    $writeMemory,
);
foreach (['', '-wal', '-shm'] as $ending) {
    @unlink($database.$ending);
}
