<?php

/*
 * What finding costs among a million lives of texts, half of which are nobody’s business, and what a save pays for being found.
 *   php bench/find.php [--quick]     with 20,000 lives, as CI does
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\Lives\Lives;
use App\Store\States;
use App\View\Finding\Asked;
use App\View\Finding\Finds;
use App\View\Finding\Within;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__.'/boot.php';
$random = new Randomizer(new Mt19937(5));
$count = $quick ? 20_000 : 1_000_000;
$each = $quick ? 400 : 10_000;
$make = $app->make(MakeItem::class);
$states = $app->make(States::class);
Date::setTestNow('2026-01-05 09:00:00');

// Words as often as they come in the handbook: an index of pieces of words is as good as these are apart.
preg_match_all(
    '/[a-z]{2,}/',
    strtolower(
        implode(
            ' ',
            array_map(fn (string $file): string => (string) file_get_contents($file), [
                ...glob(__DIR__.'/../docs/*.md') ?: [],
                __DIR__.'/../CHANGELOG.md',
            ]),
        ),
    ),
    $prose,
);
$words = $prose[0];
$other = User::factory()->called('Other')->create();
$others = Shelf::factory()->with($other)->create();
$items = [];
for ($at = 0; $at < $count / $each; $at++) {
    $owner = $at % 2 === 0 ? $shelf : $others;
    $items[] = $make->handle(
        $owner,
        $at % 2 === 0 ? $user : $other,
        'document',
        "Item {$at}",
        content: new Content(
            new DocumentKind,
            PartTree::of([new Part('par00001', 'paragraph', 0, ['text' => RichText::plain('The first line')])]),
        ),
    );
}
$filled = hrtime(true);
$stands = [];
DB::transaction(function () use ($items, $each, $words, $random, &$stands): void {
    foreach ($items as $item) {
        $blocks = new LifeBlocks($item);
        for ($at = 0; $at < $each; $at++) {
            $text = implode(' ', array_map(fn () => $words[$random->getInt(0, count($words) - 1)], range(1, 8)));
            $text .= $at % 5_000 === 7 ? ' quizzical' : '';
            foreach (explode(' ', $text) as $word) {
                $stands[$word] = ($stands[$word] ?? 0) + 1;
            }
            $part = sprintf('par%05d', 100 + $at);
            $blocks->put($part, [new Life($item->id, $part, 'text', 1, $at % 3 === 0 ? 1 : null, ucfirst($text))]);
        }
        $blocks->save();
    }
});
printf(
    "%s lives, %.0f s to fill, %.0f MB\n\n",
    number_format(count($items) * $each),
    (hrtime(true) - $filled) / 1e9,
    filesize($database) / 1e6,
);

/** @return float the middle of some runs, in ms */
$time = function (Closure $work) use ($quick): float {
    $times = [];
    for ($run = 0; $run < ($quick ? 2 : 7); $run++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv(count($times), 2)];
};
$find = fn (string $words, Item|Shelf|null $in = null, int $by = 0): Finds => new Finds(
    new Asked($words),
    new Within($user, $in, by: $by),
    $states,
);
$by = fn (string $piece): string => number_format(
    array_sum(array_filter($stands, fn (string $word) => str_contains($word, $piece), ARRAY_FILTER_USE_KEY)),
);
echo "| what is looked for | times that it stands there | ms | times a word that stands nowhere |\n|---|---|---|---|\n";
$nothing = $time(fn () => $find('xylophone'));
asort($stands);
$rare = array_key_last(
    array_filter($stands, fn (int $times, string $word) => $times <= $count / 750 && strlen($word) > 5, ARRAY_FILTER_USE_BOTH),
);
$common = array_key_last(array_filter($stands, fn (int $times, string $word) => strlen($word) > 5, ARRAY_FILTER_USE_BOTH));
foreach (
    [
        'xylophone' => null,
        'quizzical' => null,
        $rare => null,
        $common => null,
        "{$rare} {$common}" => null,
        'ter' => null,
        'ing' => $items[0],
        'sta' => $shelf,
    ] as $asked => $in
) {
    $ms = $time(fn () => $find($asked, $in));
    printf(
        "| “%s”%s | %s | %.1f | %.1f |\n",
        $asked,
        $in === null ? '' : ($in instanceof Item ? ', in one item' : ', on one shelf'),
        str_contains($asked, ' ') ? 'some' : $by($asked),
        $ms,
        $ms / $nothing,
    );
}
printf("| “ter”, brought or taken out by one person | | %.1f | |\n", $time(fn () => $find('ter', by: $user->id)));
$stranger = User::factory()->called('Stranger')->create();
$alone = Shelf::factory()->with($stranger)->create();
$make->handle(
    $alone,
    $stranger,
    'document',
    'Mine',
    content: new Content(
        new DocumentKind,
        PartTree::of([new Part('par00001', 'paragraph', 0, ['text' => RichText::plain('My terrace')])]),
    ),
);
printf(
    "| “ter”, by somebody with one small item | 1 of theirs | %.1f | |\n\n",
    $time(function () use ($stranger, $states): void {
        (new Finds(new Asked('ter'), new Within($stranger), $states))->count === 1
            || throw new RuntimeException('what is theirs was not found');
    }),
);

$text = fn (int $at): Part => new Part(sprintf('par%05d', $at), 'paragraph', 0, [
    'text' => RichText::plain(
        "Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens the door.",
    ),
]);
$document = $make->handle(
    $shelf,
    $user,
    'document',
    'Three hundred',
    content: new Content(new DocumentKind, PartTree::of(array_map($text, range(1, 300)))),
);
$run = 0;
$save = function () use ($app, $states, $user, $document, &$run): void {
    Date::setTestNow(Date::now()->addMinutes(3));
    $parts = $states->tree($document->refresh()->root)->parts;
    $parts[$run % 300] = $parts[$run % 300]->with('text', RichText::plain("Another word, the {$run}th"));
    $app->make(SaveState::class)->handle($document, $user, new Sent($document->root, PartTree::of($parts), 'b'.++$run, keep: true));
};
$found = $time($save);
$lives = 0.0;
$work = $app->make(Lives::class);
$tree = $states->tree($document->refresh()->root);
DB::beginTransaction();
$lives = $time(function () use ($work, $document, $tree, &$run): void {
    $work->write($document, 900 + ++$run, false, new DocumentKind, [sprintf('par%05d', $run % 300)], $tree, 'Three hundred');
});
DB::rollBack();
printf("a save of a word: %.1f ms; of that for being found, a text that is written anew: %.2f ms\n", $found, $lives);
unlink($database);
