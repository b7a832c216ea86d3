<?php

/*
 * How long each writing action keeps others from writing: the time between BEGIN and COMMIT, and in all. `php bench/locks.php`, or
 * `--quick` as CI does.
 */

declare(strict_types=1);

use App\Making\CopyOut;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use App\Restoring\RestoreVersion;
use App\Restoring\SomebodysEdits;
use App\Restoring\TakeOutEdits;
use App\Saving\RenameItem;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

require __DIR__.'/boot.php';
ini_set('memory_limit', '3G');
$other = User::factory()->called('Other')->create();
$shelf->memberships()->create(['user_id' => $other->id, 'role' => Role::Owner]);
[$begun, $longest] = [0, 0.0];
Event::listen(TransactionBeginning::class, function (TransactionBeginning $event) use (&$begun): void {
    $begun = $event->connection->transactionLevel() === 1 ? hrtime(true) : $begun;
});
Event::listen(TransactionCommitted::class, function (TransactionCommitted $event) use (&$begun, &$longest): void {
    $longest = $event->connection->transactionLevel() === 0 ? max($longest, (hrtime(true) - $begun) / 1e6) : $longest;
});
/** @param Closure(int): mixed $work is done some times; the middle one is told */
$measure = function (string $name, Closure $work) use (&$longest, $quick): void {
    $all = $locks = [];
    for ($run = 0; $run < ($quick ? 1 : 5); $run++) {
        Date::setTestNow(Date::now()->addMinutes(3));
        $longest = 0.0;
        $start = hrtime(true);
        $work($run);
        $all[] = (hrtime(true) - $start) / 1e6;
        $locks[] = $longest;
    }
    sort($all);
    sort($locks);
    printf(
        "| %s | %.1f | %.1f | %.1f |\n",
        $name,
        $locks[intdiv(count($locks), 2)],
        $locks[count($locks) - 1],
        $all[intdiv(count($all), 2)],
    );
};
Date::setTestNow('2026-01-05 09:00:00');
$make = $app->make(MakeItem::class);
$states = $app->make(States::class);
$save = function (Item $item, User $who, Sent $sent) use ($app): Saved {
    $saved = $app->make(SaveState::class)->handle($item->refresh(), $who, $sent);

    return $saved instanceof Saved ? $saved : throw new RuntimeException('not saved');
};
echo "| action | lock, ms (middle) | lock, ms (longest) | in all, ms |\n|---|---|---|---|\n";

$text = fn (int $at, string $more = ''): Part => new Part(sprintf('par%05d', $at), 'paragraph', 0, [
    'text' => RichText::plain(
        "Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens the door.{$more}",
    ),
]);
$document = $make->handle(
    $shelf,
    $user,
    'document',
    'Three hundred',
    content: new Content(new DocumentKind, PartTree::of(array_map($text, range(1, 300)))),
);
$word = function (Item $item, int $at, string $more) use ($states): PartTree {
    $parts = $states->tree($item->refresh()->root)->parts;
    $parts[$at] = $parts[$at]->with('text', RichText::plain($parts[$at]->richText()->text().$more));

    return PartTree::of($parts);
};
$measure(
    'a word in a document of 300 blocks',
    fn (int $run) => $save($document, $user, new Sent($document->root, $word($document, $run, ' More.'), "a{$run}", keep: true)),
);
$measure('a word, merged with another’s', function (int $run) use ($save, $document, $user, $other, $word): void {
    [$base, $mine] = [$document->refresh()->root, $word($document, 20 + $run, ' Mine.')];
    $save($document, $other, new Sent($base, $word($document, 120 + $run, ' Theirs.'), "t{$run}", keep: true));
    $GLOBALS['longest'] = 0.0;
    $save($document, $user, new Sent($base, $mine, "m{$run}", keep: true));
});
$measure(
    'a word while the version grows',
    fn (int $run) => $save($document, $user, new Sent($document->refresh()->root, $word($document, 40, " w{$run}"), "g{$run}")),
);
$version = fn (Item $item, int $number): Version => Version::query()
    ->with('user')
    ->where(['item_id' => $item->id, 'number' => $number])
    ->firstOrFail()
    ->setRelation('item', $item->refresh());
$some = fn (?Version $version): Version => $version ?? throw new RuntimeException('nothing was done');
$measure('taking somebody’s edits out', function (int $run) use ($app, $some, $save, $document, $user, $other, $word): void {
    $save($document, $other, new Sent($document->refresh()->root, $word($document, 60 + $run, ' Unwanted.'), "u{$run}", keep: true));
    $GLOBALS['longest'] = 0.0;
    $some(
        $app
            ->make(TakeOutEdits::class)
            ->handle($document->refresh(), new SomebodysEdits($other, $document->head - 1, $document->head), $user, $document->head),
    );
});
$measure(
    'restoring the document',
    fn (int $run) => $some(
        $app->make(RestoreVersion::class)->handle($document->refresh(), $version($document, 2 + $run), $user, $document->head),
    ),
);
$measure(
    'a milestone',
    fn (int $run) => $app->make(MarkMilestone::class)->handle($version($document, 3 + $run), $user, "Agreed {$run}", null),
);
$measure('another title', fn (int $run) => $app->make(RenameItem::class)->handle($document->refresh(), $user, "Called {$run}"));
$measure(
    'copying it out',
    fn (int $run) => $app->make(CopyOut::class)->handle($version($document, $document->refresh()->head), $shelf, $user, "Copy {$run}"),
);

$rows = $quick ? 5_000 : 99_990;
$parts = [
    new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
    ...array_map(fn (int $at) => new Part(sprintf('c%03d', $at), 'column', 1, ['width' => 0, 'format' => '']), range(1, 20)),
];
for ($row = 0; $row < $rows; $row++) {
    $parts[] = new Part(
        sprintf('r%06d', $row),
        'row',
        1,
        array_combine(
            array_map(fn (int $at) => sprintf('c%03d', $at), range(1, 20)),
            array_map(fn (int $at) => $row === 0 ? "Head {$at}" : ($at % 3 === 0 ? 'text '.$row % 997 : $row * 10 + $at), range(1, 20)),
        ),
    );
}
$longest = 0.0;
$start = hrtime(true);
$sheet = $make->handle($shelf, $user, 'spreadsheet', 'Large', content: new Content(new SpreadsheetKind, PartTree::of($parts)));
printf("| making a sheet of %s × 20 | | %.1f | %.1f |\n", number_format($rows), $longest, (hrtime(true) - $start) / 1e6);
unset($parts);
$tree = $states->tree($sheet->root);
$at = fn (int $row): int => 21 + $row;
$id = fn (int $row): string => $tree->parts[$at($row)]->id;
$column = $tree->parts[2]->id;
$cell = fn (int $row, int $value, bool $placed = true): array => [
    'cells' => [$id($row) => [$column => $value]],
    ...$placed ? ['at' => [$id($row) => $at($row)]] : [],
];
$measure(
    'a cell of it',
    fn (int $run) => $save($sheet, $user, new Sent($sheet->refresh()->root, null, "c{$run}", keep: true, edits: $cell(100 + $run, $run))),
);
$measure('a cell, one version behind', function (int $run) use ($save, $sheet, $user, $other, $cell): void {
    $base = $sheet->refresh()->root;
    $save($sheet, $other, new Sent($base, null, "o{$run}", keep: true, edits: $cell(3_000 + $run, $run)));
    $GLOBALS['longest'] = 0.0;
    $save($sheet, $user, new Sent($base, null, "b{$run}", keep: true, edits: $cell(200 + $run, $run)));
});
$measure(
    'a row put in',
    fn (int $run) => $save(
        $sheet,
        $user,
        new Sent(
            $sheet->refresh()->root,
            null,
            "i{$run}",
            keep: true,
            edits: [
                'placed' => [["new{$run}row", 'row', $tree->parts[0]->id, $id(50), [$column => 7]]],
                'at' => ["new{$run}row" => $at(51)],
            ],
        ),
    ),
);
$measure(
    'restoring a cell of it',
    fn (int $run) => $some(
        $app
            ->make(RestoreVersion::class)
            ->handle($sheet->refresh(), $version($sheet, 1), $user, $sheet->head, picked: ["edited:{$id(100 + $run)}/{$column}"]),
    ),
);
$measure(
    'restoring all of it',
    fn (int $run) => $some($app->make(RestoreVersion::class)->handle($sheet->refresh(), $version($sheet, 2 + $run), $user, $sheet->head)),
);
foreach (['', '-wal', '-shm'] as $ending) {
    @unlink($database.$ending);
}
