<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Connection;
use Illuminate\Database\Connectors\ConnectionFactory;
use PDO;

/**
 * Where windows say every other second that they are open, and on which state they are: a file of its own beside the database, so that
 * saying so makes nobody wait who writes. It may be lost at any time, and is made again.
 */
final class PresenceFile
{
    private const TABLES = <<<'SQL'
        PRAGMA journal_mode = WAL;
        CREATE TABLE IF NOT EXISTS presences (
            item_id INTEGER NOT NULL,
            client TEXT NOT NULL,
            user_id INTEGER NOT NULL,
            part TEXT,
            base TEXT,
            seen_at INTEGER NOT NULL,
            ticket TEXT,
            asked_at INTEGER NOT NULL,
            PRIMARY KEY (item_id, client)
        ) WITHOUT ROWID;
        CREATE INDEX IF NOT EXISTS presences_seen ON presences (seen_at);
        SQL;

    /** @param array<string, mixed> $config of the connection; `database` is that of the place, or its own when it has one */
    public static function connect(ConnectionFactory $factory, array $config, string $name): Connection
    {
        $path = (string) $config['database'];
        if ($path !== ':memory:' && ! is_file($path)) {
            self::make($path);
        }

        return $factory->make($config, $name);
    }

    /** Whole at once: somebody else may open it, or make it, at the same moment. */
    private static function make(string $path): void
    {
        $made = (string) tempnam(dirname($path), 'presence');
        $pdo = new PDO("sqlite:{$made}");
        $pdo->exec(self::TABLES);
        // Since when it has known what windows are on.
        $pdo->exec('PRAGMA user_version = '.now()->getTimestamp());
        unset($pdo);
        chmod($made, 0o666 & ~umask());
        // A disk without hard links has files moved.
        @link($made, $path) || is_file($path) || rename($made, $path);
        is_file($made) && unlink($made);
    }
}
