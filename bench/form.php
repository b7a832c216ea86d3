<?php

/*
 * What the entries of a form cost as they grow. Run as `php bench/form.php`; with `--quick` small numbers, as CI does, so that
 * this stays true.
 */

declare(strict_types=1);

use App\Kinds\Entry\EntrySums;
use App\Kinds\Entry\EntryTable;
use App\Kinds\Form\EntryList;
use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Publishing\PublishVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Demo\FormDraft;
use Demo\Visitors;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

require __DIR__.'/boot.php';
$states = $app->make(States::class);

$draft = new FormDraft('bench');
$form = $app->make(MakeItem::class)->handle($shelf, $user, 'form', 'Booking');
$tree = $states->tree($form->root);
foreach (
    [
        'question short! What do you bring?',
        'question one What is wrong?: A / B / C',
        'question yes_no A plug?',
        'question number How many?',
        'question long More',
        'question email! Your address',
        'question date When?',
    ] as $line
) {
    $tree = $draft->edit($tree, $line);
}
$saved = $app->make(SaveState::class)->handle($form, $user, new Sent($form->root, $tree, 'bench'));
assert($saved instanceof Saved);
$live = $app->make(PublishVersion::class)->handle($saved->version->setRelation('item', $form), $user);
$visitors = new Visitors('bench');
$take = $app->make(TakeEntry::class);

/** @param Closure(): mixed $work @return float milliseconds, the median of 5 */
$median = function (Closure $work): float {
    $times = [];
    for ($run = 0; $run < 5; $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[2];
};

echo "| entries | taking one, ms | the list, ms | sorted by a question, ms | found, ms | summed up, ms | editing one, ms | CSV of all, ms |\n|---|---|---|---|---|---|---|---|\n";
$number = 0;
foreach ($quick ? [100, 200] : [1_000, 10_000] as $count) {
    DB::transaction(function () use (&$number, $count, $take, $form, $live, $user, $visitors, $tree): void {
        while ($number < $count) {
            $take->handle($form, $live, $user, $visitors->answers($tree, ++$number, new DateTimeImmutable('2026-05-04')));
        }
    });
    $one = $median(function () use (&$number, $take, $form, $live, $user, $visitors, $tree): void {
        $take->handle($form, $live, $user, $visitors->answers($tree, ++$number, new DateTimeImmutable('2026-05-04')));
    });
    $list = fn (string $sort = 'number', string $find = ''): EntryList => new EntryList($form, $tree, $user, $sort, false, $find, false);
    $question = array_keys($list()->columns)[3];
    $entry = $form->entries()->where('number', intdiv($count, 2))->firstOrFail();
    $edit = $median(function () use ($app, $entry, $user, $states): void {
        $entry->refresh();
        $answers = $states->tree($entry->root);
        $app->make(SaveState::class)->handle(
            $entry,
            $user,
            new Sent(
                $entry->root,
                PartTree::of(
                    array_map(
                        fn (Part $part) => $part->string('value') === ''
                            ? $part
                            : $part->with('value', 'Edited '.random_int(1, 1_000_000)),
                        $answers->parts,
                    ),
                ),
                'bench-'.random_int(1, 1_000_000),
                keep: true,
            ),
        );
    });
    printf(
        "| %s | %.1f | %.1f | %.1f | %.1f | %.1f | %.1f | %.1f |\n",
        number_format($count),
        $one,
        $median(fn () => $list()),
        $median(fn () => $list($question)),
        $median(fn () => $list('number', 'sewing')),
        $median(fn () => new EntrySums($form, $tree)),
        $edit,
        $median(fn () => (new EntryTable($list()))->file('csv')),
    );
}
foreach (['', '-wal', '-shm'] as $ending) {
    is_file($database.$ending) && unlink($database.$ending);
}
