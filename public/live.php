<?php

declare(strict_types=1);

/*
 * The short question of an open window: has anything moved since? Answered without starting the application, in a fraction of the time. A window gets the
 * ticket for it with the full answer, see LiveController; without a good one, or when anything is unclear, it is told to ask in full. Where the data
 * lies says DB_DATABASE in the environment, or the cached configuration; a place that has neither is never asked shortly.
 */

use App\Live\News;

require __DIR__.'/../app/Live/News.php';

header('Content-Type: application/json');
header('Cache-Control: no-store');
header('X-Content-Type-Options: nosniff');

$database = '';
$moved = (static function () use (&$database): bool {
    $database = getenv('DB_DATABASE') ?: (is_file($cached = getenv('APP_CONFIG_CACHE') ?: __DIR__.'/../bootstrap/cache/config.php') ? (include $cached)['database']['connections']['sqlite']['database'] : '');
    $said = fn (string $name, int $most): string => is_string($_GET[$name] ?? null) && strlen($_GET[$name]) <= $most ? $_GET[$name] : '';
    if (! is_file("{$database}.presence") || is_file(__DIR__.'/../storage/framework/down')) {
        return true;
    }
    [$place, $presence] = array_map(function (string $path): PDO {
        // Opening a file takes longer than all that is asked of it: it stays open in this process for as long as it is the same file.
        $pdo = new PDO('sqlite:file:'.rawurlencode($path).'?same='.fileinode($path), options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::ATTR_PERSISTENT => true]);
        $pdo->exec('PRAGMA busy_timeout = 500; PRAGMA synchronous = OFF');

        return $pdo;
    }, [$database, "{$database}.presence"]);
    $place->exec('PRAGMA query_only = ON');
    $news = new News($place, $presence);
    [$item, $client, $now] = [(int) $said('item', 18), $said('client', 40), time()];
    $user = $news->holder($item, $client, $said('ticket', 64), $now);
    if ($user === null) {
        return true;
    }
    $news->note($item, $user, $client, $said('part', 49) ?: null, preg_match('/^[0-9a-f]{40}$/', $said('root', 40)) === 1 ? $said('root', 40) : null, $now);

    return ! hash_equals($news->stamp($item, $user, $now), $said('news', 32));
});
try {
    $answer = $moved();
} catch (Throwable) {
    $answer = true;
}
echo json_encode(['moved' => $answer] + ($database === '' ? ['never' => true] : []));
