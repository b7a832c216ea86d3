<?php

/*
 * What a file costs that is kept as it is: coming in, its next version, going out, and being looked at.
 *
 *   php bench/files.php [--quick]
 */

declare(strict_types=1);

use App\Kinds\File\Files;
use App\Kinds\File\PictureCompared;
use App\Kinds\File\ReceiveFile;
use App\Models\Item;
use App\View\HistoryAddress;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Support\Facades\DB;

require __DIR__.'/boot.php';
mt_srand(5);
$size = $quick ? 8_388_608 : 209_715_200;
$receive = $app->make(ReceiveFile::class);
$held = static fn (): int => (int) DB::table('chunks')->sum(DB::raw('length(data)'));

$send = static function (string $name, string $bytes, ?Item $item) use ($receive, $shelf, $user): array {
    $upload = $receive->begin($shelf, $user, $name, strlen($bytes), $item);
    $longest = 0.0;
    $began = microtime(true);
    for ($at = 0; $at < strlen($bytes); $at += ReceiveFile::SLICE) {
        $slice = microtime(true);
        $receive->slice($upload, $at, substr($bytes, $at, ReceiveFile::SLICE));
        $longest = max($longest, microtime(true) - $slice);
    }
    $came = microtime(true);

    return [$receive->finish($upload, $user), $came - $began, $longest, microtime(true) - $came];
};
$megabytes = $size / 1_048_576;
$bytes = '';
while (strlen($bytes) < $size) {
    $bytes .= random_bytes(1_048_576);
}
$before = $held();
[$item, $seconds, $longest, $end] = $send('scan.bin', $bytes, null);
printf(
    "%d MB come in: %.1f MB a second, longest slice of 4 MB %.0f ms, becoming an item %.0f ms; %.2f bytes kept for each\n",
    $megabytes,
    $megabytes / $seconds,
    1000 * $longest,
    1000 * $end,
    ($held() - $before) / $size,
);
$before = $held();
[, $seconds, $longest, $end] = $send('scan.bin', substr_replace($bytes, 'other', intdiv($size, 2), 6), $item);
printf(
    "its next version, with a byte less in the middle: %.1f MB a second, longest slice %.0f ms, becoming a version %.0f ms; %.0f KB more are kept\n",
    $megabytes / $seconds,
    1000 * $longest,
    1000 * $end,
    ($held() - $before) / 1024,
);
unset($bytes);
$files = $item->room(App\View\Sources\Files::class);
assert($files instanceof Files);
$began = microtime(true);
$out = 0;
foreach ($files->at($item->refresh()->root)->stream() as $piece) {
    $out += strlen($piece);
}
printf("going out: %.0f MB a second\n", $out / 1_048_576 / (microtime(true) - $began));

$look = static function (Item $item, string $what) use ($app): void {
    $versions = $item->versions()->with('user')->orderBy('number')->get()->each(fn ($version) => $version->setRelation('item', $item));
    $began = microtime(true);
    $comparison = $item
        ->room(Past::class)
        ->compared($item, $versions[0], $versions[count($versions) - 1], HistoryAddress::all($item), $app->make(Phrases::class));
    printf(
        "%s, first to last of %d: %.0f ms, %d changes\n",
        $what,
        count($versions),
        1000 * (microtime(true) - $began),
        count($comparison->entries),
    );
};
$look($item->refresh(), 'comparing it');

$lines = array_map(fn (int $at) => "line {$at} ".bin2hex(random_bytes(12)), range(1, $quick ? 2_000 : 20_000));
[$text] = $send('log.txt', implode("\n", $lines), null);
for ($version = 0; $version < 5; $version++) {
    $lines[mt_rand(0, count($lines) - 1)] .= ' more';
    array_splice($lines, mt_rand(0, count($lines) - 1), 1);
    [, , , $end] = $send('log.txt', implode("\n", $lines), $text->refresh());
}
printf("a text of %d lines, its next version: %.0f ms\n", count($lines), 1000 * $end);
$look($text->refresh(), 'comparing it');

$draw = static function (int $across, int $down, bool $other): string {
    $picture = imagecreatetruecolor($across, $down);
    for ($at = 0; $at < 300; $at++) {
        mt_srand($at);
        imagefilledellipse(
            $picture,
            mt_rand(0, $across),
            mt_rand(0, $down),
            200,
            140,
            (int) imagecolorallocate($picture, mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255)),
        );
    }
    $other && imagefilledrectangle($picture, 100, 100, 200, 160, (int) imagecolorallocate($picture, 255, 255, 255));
    ob_start();
    imagejpeg($picture, null, 90);

    return (string) ob_get_clean();
};
[$across, $down] = $quick ? [800, 600] : [4_000, 3_000];
[$picture] = $send('bench.jpg', $draw($across, $down, false), null);
[$picture] = $send('bench.jpg', $draw($across, $down, true), $picture);
$ends = array_map(
    fn (int $number) => $picture
        ->room(App\View\Sources\Files::class)
        ->at((string) $picture->versions()->where('number', $number)->value('root')),
    [1, 2],
);
$began = microtime(true);
$compared = PictureCompared::of(...$ends);
printf(
    "two pictures of %d × %d points: %.0f ms, %d places differ\n",
    $across,
    $down,
    1000 * (microtime(true) - $began),
    count($compared->places ?? []),
);
printf("most memory: %.0f MB\n", memory_get_peak_usage(true) / 1_048_576);
