<?php

/*
 * What a version costs on the disk: the file grown by its tables and indexes, and what is written ahead for it. A few words are added to one paragraph of a document.
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

require __DIR__.'/boot.php';
mt_srand(3);
Date::setTestNow('2026-01-05 09:00:00');
$versions = $quick ? 50 : 1000;
$words = static fn (int $count): string => implode(' ', array_map(fn () => ['lamp', 'lead', 'socket', 'board', 'tester', 'bin', 'owner', 'room', 'doors', 'tape', 'fuse', 'glass', 'solder', 'bench', 'paint', 'cloth'][mt_rand(0, 15)], range(1, $count)));
$sizes = static fn (): array => DB::table('dbstat')->selectRaw('name, sum(pgsize) AS bytes')->groupBy('name')->pluck('bytes', 'name')->all();
$states = $app->make(States::class);
DB::statement('PRAGMA wal_autocheckpoint = 0');
foreach ([60, 300] as $paragraphs) {
    $document = $app->make(MakeItem::class)->handle($shelf, $user, 'document', "{$paragraphs} paragraphs", content: new Content(new DocumentKind, PartTree::of(array_map(fn (int $at) => new Part(sprintf('p%07d', $paragraphs * 1000 + $at), 'paragraph', 0, ['text' => RichText::plain($words(25))]), range(1, $paragraphs)))));
    $save = function (int $at, bool $keep) use ($app, $document, $states, $user, $words): void {
        $parts = $states->tree($document->refresh()->root)->parts;
        $of = mt_rand(0, count($parts) - 1);
        $parts[$of] = $parts[$of]->with('text', RichText::plain($parts[$of]->richText()->text().' '.$words(2)));
        $app->make(SaveState::class)->handle($document, $user, new Sent($document->root, PartTree::of($parts), "bench.{$at}.{$keep}", keep: $keep));
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
        $grown = array_filter(array_map(fn (string $name, int $bytes) => [$name, ($bytes - ($before[$name] ?? 0)) / $versions], array_keys($sizes()), $sizes()), fn (array $row) => $row[1] > 5);
        usort($grown, fn (array $a, array $b) => $b[1] <=> $a[1]);
        printf("%d paragraphs, %s: %.0f bytes of the file (%s), %.1f KB written ahead\n", $paragraphs, $what, array_sum(array_column($grown, 1)), implode(', ', array_map(fn (array $row) => sprintf('%s %.0f', ...$row), $grown)), $log / 1024);
    }
}
