<?php

declare(strict_types=1);

/* One of several that want to write at once: php waiter.php DATABASE NAME. Prints a dot before it waits, and then writes its name down. */

use App\Database\ImmediateConnection;
use App\Database\PresenceFile;
use Illuminate\Container\Container;
use Illuminate\Database\Connectors\ConnectionFactory;

require __DIR__.'/../../vendor/autoload.php';
[, $database, $name] = $argv;
$pdo = new PDO("sqlite:{$database}");
$pdo->exec('PRAGMA busy_timeout = 5000');
$connection = new ImmediateConnection($pdo, $database, '', ['database' => $database]);
echo '.';
$connection->transaction(fn () => $pdo->prepare('INSERT INTO waited (name) VALUES (?)')->execute([$name]));
// And all of them are the first who say that they are here, in one after the other of places.
for ($place = 0, $container = new Container; $place < 100; $place++) {
    usleep(1000 - ((int) (microtime(true) * 1e6) % 1000));
    PresenceFile::connect(new ConnectionFactory($container), ['driver' => 'sqlite', 'database' => "{$database}.{$place}"], 'presence')
        ->table('presences')
        ->count();
}
