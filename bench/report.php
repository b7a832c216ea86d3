<?php

/*
 * What a report costs as its dataset grows: taking data in, the first look at a new state, a whole page of charts after that,
 * a single figure, saving one record, and comparing two states. Run as `php bench/report.php`; with `--quick` small numbers, as
 * CI does, so that this stays true.
 */

declare(strict_types=1);

use App\Kinds\Dataset\DatasetColumns;
use App\Kinds\Report\ReportData;
use App\Kinds\Report\ReportView;
use App\Making\MakeItem;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use App\View\Comparison;
use App\View\Phrases;
use Demo\ReportDraft;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Data\Figures;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Report\Widget;

require __DIR__.'/boot.php';
$states = $app->make(States::class);
mt_srand(7);

/** @param callable(): mixed $do */
$time = function (callable $do): array {
    $start = hrtime(true);
    $made = $do();

    return [(hrtime(true) - $start) / 1e6, $made];
};
$median = function (callable $do) use ($time): float {
    $times = array_map(fn (): float => $time($do)[0], range(1, 5));
    sort($times);

    return $times[2];
};

echo "| records | taking in, ms | first page of a new state, ms | the page again, ms | one of 20 widgets, ms | one figure, ms | one record saved, ms | compared, ms | the page after that, ms |\n|---|---|---|---|---|---|---|---|---|\n";
foreach ($quick ? [500] : [10_000, 100_000] as $count) {
    $fields = [];
    foreach (
        [
            'Day' => 'date',
            'Bench' => 'choice',
            'Item' => 'text',
            'Minutes' => 'number',
            'Weight' => 'number',
            'Mended' => 'boolean',
            'Tip' => 'money',
            'Helper' => 'text',
        ] as $name => $type
    ) {
        $fields[] = new Part('field'.strtolower($name), 'field', 0, ['name' => $name, 'type' => $type]);
    }
    $fields[] = new Part('fieldhours', 'field', 0, [
        'name' => 'Hours',
        'type' => 'number',
        'expression' => 'if([fieldmended], round([fieldminutes] / 60, 2), 0)',
    ]);
    $records = [];
    for ($at = 0; $at < $count; $at++) {
        $records[] = new Part(sprintf('rec%06d', $at), 'record', 0, [
            'fieldday' => ['d', date('Y-m-d', 1_735_689_600 + 86_400 * mt_rand(0, 364))],
            'fieldbench' => ['Wood', 'Cloth', 'Heat', 'Sound', 'Bikes'][mt_rand(0, 4)],
            'fielditem' => 'Thing '.mt_rand(1, 400),
            'fieldminutes' => mt_rand(5, 180),
            'fieldweight' => mt_rand(1, 90) / 10,
            'fieldmended' => mt_rand(0, 3) > 0,
            'fieldtip' => mt_rand(0, 20) / 2,
            'fieldhelper' => 'Helper '.mt_rand(1, 30),
        ]);
    }
    $tree = PartTree::of([...$fields, ...$records]);
    [$taking, $dataset] = $time(
        fn () => $app
            ->make(MakeItem::class)
            ->handle($shelf, $user, 'dataset', "Log {$count}", content: new Content(new DatasetKind, $tree), keepIds: true),
    );
    $draft = new ReportDraft(fn (): array => [$dataset->key, $tree]);
    $report = PartTree::of([new Part('pone', 'page', 0, ['title' => 'One'])]);
    foreach (
        [
            'page One',
            'widget figure A: dataset=x; measure=count',
            'widget figure B: dataset=x; measure=sum Hours',
            'widget lines C: dataset=x; measure=sum Hours; by=Day every week',
            'widget stacked D: dataset=x; measure=count; by=Day every month; split=Bench',
            'widget bars E: dataset=x; measure=median Minutes; by=Bench; filters=Mended|is|yes',
            'widget table F: dataset=x; measure=distinct Item; by=Helper',
        ] as $line
    ) {
        $report = $draft->edit($report, $line);
    }
    $twenty = $report;
    foreach (
        [
            'sum Tip; by=Day every month',
            'mean Weight; by=Bench',
            'count; by=Helper',
            'most Tip; by=Helper',
            'count; by=Mended',
            'sum Hours; by=Helper',
            'median Minutes; by=Helper',
            'distinct Helper; by=Bench',
            'count; filters=Bench|is|Wood',
            'sum Minutes; filters=Mended|is|yes',
            'mean Tip; by=Day every month; split=Bench',
            'least Minutes; by=Bench',
            'sum Weight; by=Day every quarter',
            'count; by=Item',
        ] as $at => $measure
    ) {
        $twenty = $draft->edit($twenty, "widget bars More {$at}: dataset=x; measure={$measure}");
    }
    $page = function (?PartTree $of = null) use ($report, $states, $user): array {
        $drawn = array_map(
            fn ($widget) => $widget->figures->records ?? 0,
            (new ReportView($of ?? $report, (new ReportData(new DatasetColumns($states)))->now($user)))->widgets(),
        );
        min($drawn) > 0 || throw new LogicException('A widget drew nothing.');

        return $drawn;
    };
    [$first] = $time($page);
    $again = $median($page);
    $all = $median(fn () => $page($twenty));
    $figure = $median(fn () => new Figures(new Widget($report->parts[3]), (new DatasetColumns($states))->records($dataset->root)));
    $middle = sprintf('rec%06d', intdiv($count, 2));
    [$saving, $saved] = $time(
        fn () => $app
            ->make(SaveState::class)
            ->handle(
                $dataset,
                $user,
                new Sent(
                    $dataset->root,
                    null,
                    'bench',
                    keep: true,
                    edits: ['cells' => [$middle => ['fieldminutes' => 999]], 'at' => [$middle => count($fields) + intdiv($count, 2)]],
                ),
            ),
    );
    assert($saved instanceof Saved);
    $versions = $dataset->versions()->with('user')->orderBy('number')->get()->each(fn ($version) => $version->setRelation('item', $dataset));
    [$compared] = $time(fn () => new Comparison($dataset, $versions[0], $versions[count($versions) - 1], $states, new Phrases));
    [$after] = $time($page);
    printf(
        "| %s | %.0f | %.0f | %.0f | %.0f | %.0f | %.1f | %.1f | %.0f |\n",
        number_format($count),
        $taking,
        $first,
        $again,
        $all,
        $figure,
        $saving,
        $compared,
        $after,
    );
    DB::table('dataset_columns')->delete();
}
foreach (['', '-wal', '-shm'] as $ending) {
    @unlink($database.$ending);
}
