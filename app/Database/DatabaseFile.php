<?php

declare(strict_types=1);

namespace App\Database;

use PDO;

/** Makes the database file; what is set here can't be set once there is a table. */
final class DatabaseFile
{
    /** Which layout of chunks and tables a file has; to be raised when an older one can not be read any more. */
    private const LAYOUT = 2;

    public static function make(string $path): void
    {
        if (is_file($path) && filesize($path) > 0) {
            return;
        }
        $pdo = new PDO('sqlite:'.$path);
        $pdo->exec('PRAGMA page_size = 2048');
        $pdo->exec('PRAGMA auto_vacuum = INCREMENTAL');
        $pdo->exec('PRAGMA journal_mode = WAL');
        $pdo->exec('PRAGMA user_version = '.self::LAYOUT);
        $pdo->exec('VACUUM');
    }

    public static function fits(string $path): bool
    {
        $version = (new PDO('sqlite:'.$path))->query('PRAGMA user_version');

        return $version !== false && (int) $version->fetchColumn() === self::LAYOUT;
    }
}
