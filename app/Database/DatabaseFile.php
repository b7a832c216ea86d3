<?php

declare(strict_types=1);

namespace App\Database;

use PDO;

/** Makes the database file; what is set here can't be set once there is a table. */
final class DatabaseFile
{
    public static function make(string $path): void
    {
        if (is_file($path) && filesize($path) > 0) {
            return;
        }
        $pdo = new PDO('sqlite:'.$path);
        $pdo->exec('PRAGMA page_size = 4096');
        $pdo->exec('PRAGMA auto_vacuum = INCREMENTAL');
        $pdo->exec('PRAGMA journal_mode = WAL');
        $pdo->exec('VACUUM');
    }
}
