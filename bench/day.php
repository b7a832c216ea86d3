<?php

/*
 * What a shelf of 500 items and 100,000 versions costs on a day, and what a state costs from afar.
 *   php bench/day.php [--quick]     with 50 items and 2,000 versions, and a table of 2,000 rows, as CI does
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Version;
use App\Store\AtMoment;
use App\View\Miniature;
use App\View\Shelf\OnADay;
use App\View\Shelf\ShelfRibbon;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

require __DIR__.'/boot.php';
$make = $app->make(MakeItem::class);
Auth::login($user);
Date::setTestNow('2026-01-05 09:00:00');
[$items, $each] = $quick ? [50, 40] : [500, 200];
$paragraph = fn (int $at): Part => new Part(sprintf('par%05d', $at), 'paragraph', 0, [
    'text' => RichText::plain(
        "Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens the door.",
    ),
]);
$of = fn (string $kind, string $title, array $parts): Item => $make->handle(
    $shelf,
    $user,
    $kind,
    $title,
    content: new Content(Kinds::named($kind), PartTree::of($parts)),
    keepIds: true,
);
$made = array_map(fn (int $at) => $of('document', "Item {$at}", [$paragraph(1)]), range(1, $items));

// The same root for all: what is told of a day does not read states.
DB::transaction(function () use ($made, $each, $user): void {
    $insert = DB::connection()
        ->getPdo()
        ->prepare(
            "INSERT INTO versions (item_id, number, root, user_id, cause, facts, added, removed, started_at, saved_at, title) VALUES (?, ?, ?, ?, 'wrote', ?, ?, 0, ?, ?, ?)",
        );
    $active = DB::connection()
        ->getPdo()
        ->prepare(
            'INSERT INTO activity (item_id, day, user_id, versions) VALUES (?, ?, ?, 1) ON CONFLICT DO UPDATE SET versions = versions + 1',
        );
    foreach ($made as $at => $item) {
        for ($number = $item->head + 1; $number <= $each; $number++) {
            $time = CarbonImmutable::parse('2026-01-06 09:00:00')
                ->addMinutes($number * 1_000 + $at)
                ->format('Y-m-d H:i:s');
            $insert->execute([
                $item->id,
                $number,
                $item->root,
                $user->id,
                json_encode(['code' => 'added_words', 'values' => ['count' => 3, 'place' => 'Leads'], 'more' => 0]),
                $number % 17,
                $time,
                $time,
                $item->title,
            ]);
            $active->execute([$item->id, substr($time, 0, 10), $user->id]);
        }
        $item->update(['head' => $each, 'changed_at' => $time]);
    }
});
Date::setTestNow(CarbonImmutable::parse('2026-01-06 09:00:00')->addMinutes($each * 1_000 + 5_000));
$moment = CarbonImmutable::parse('2026-01-06 09:00:00')->addMinutes($each * 400);
$shelf->load('memberships.user');

$ids = array_column($made, 'id');
$found = AtMoment::numbers($ids, $moment);
$forced = DB::table('versions')
    ->whereIn('item_id', $ids)
    ->where('saved_at', '<=', $moment->format('Y-m-d H:i:s'))
    ->groupBy('item_id')
    ->selectRaw('item_id, MAX(number) AS number')
    ->pluck('number', 'item_id')
    ->all();
ksort($found);
$found === $forced || throw new RuntimeException('a shelf on a day is not what its items were');
printf("%s items, %s versions\n\n", number_format($items), number_format(DB::table('versions')->count()));
$halves = $time(fn () => AtMoment::numbers($ids, $moment));
$all = $time(
    fn () => DB::table('versions')
        ->whereIn('item_id', $ids)
        ->where('saved_at', '<=', $moment->format('Y-m-d H:i:s'))
        ->groupBy('item_id')
        ->selectRaw('item_id, MAX(number) AS number')
        ->get(),
);
printf(
    "which version each item was in: %.1f ms by halves, %.1f ms by looking at all of them (%.1f times)\n",
    $halves,
    $all,
    $all / $halves,
);
$day = $time(fn () => new OnADay($shelf, $user, $moment));
DB::enableQueryLog();
DB::flushQueryLog();
new OnADay($shelf, $user, $moment);
printf("the shelf on a day: %.0f ms, %d queries\n", $day, count(DB::getQueryLog()));
DB::disableQueryLog();
printf("its ribbon: %.0f ms\n\n", $time(fn () => (new ShelfRibbon)->of($shelf, $user)));

$rows = $quick ? 2_000 : 100_000;
$table = [
    new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
    ...array_map(fn (int $at) => new Part("col{$at}", 'column', 1, ['width' => 0, 'format' => '']), range(1, 12)),
];
for ($row = 0; $row < $rows; $row++) {
    $table[] = new Part(
        "row{$row}",
        'row',
        1,
        array_combine(
            array_map(fn (int $at) => "col{$at}", range(1, 12)),
            array_map(fn (int $at) => $at % 3 === 0 ? $row * $at : "Value {$at}", range(1, 12)),
        ),
    );
}
$miniature = $app->make(Miniature::class);
foreach (
    [
        'a document of 300 blocks' => $of('document', 'Three hundred', array_map($paragraph, range(1, 300))),
        'a table of '.number_format($rows).' rows' => $of('spreadsheet', 'Log', $table),
    ] as $what => $item
) {
    $version = Version::query()
        ->where(['item_id' => $item->id, 'number' => $item->head])
        ->firstOrFail();
    $svg = '';
    $ms = $time(function () use ($miniature, $item, $version, $user, &$svg): void {
        $svg = $miniature->of($item->refresh(), $version, $user);
    });
    strlen($svg) <= 6_000 || throw new RuntimeException('a miniature is too large');
    printf("%s from afar: %.1f ms, %s bytes\n", $what, $ms, number_format(strlen($svg)));
}
unlink($database);
