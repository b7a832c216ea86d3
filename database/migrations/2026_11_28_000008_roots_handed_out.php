<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /*
     * Every state that the server handed to anybody is a base to merge from. Those that no version has any more, because it grew, are
     * kept here, and beside them what each window sent last, so that a repeated sending is known as one.
     */
    public function up(): void
    {
        foreach (array_filter(array_map(trim(...), explode(";\n", self::SCHEMA))) as $statement) {
            DB::statement($statement);
        }
    }

    private const SCHEMA = <<<'SQL'
        CREATE TABLE handed_roots (
            item_id INTEGER NOT NULL REFERENCES items (id),
            root TEXT NOT NULL CHECK (length(root) = 40),
            at INTEGER NOT NULL,
            PRIMARY KEY (item_id, root)
        ) WITHOUT ROWID;
        CREATE TABLE sendings (
            item_id INTEGER NOT NULL REFERENCES items (id),
            window TEXT NOT NULL,
            client TEXT NOT NULL,
            base TEXT NOT NULL,
            root TEXT NOT NULL CHECK (length(root) = 40),
            at INTEGER NOT NULL,
            PRIMARY KEY (item_id, window)
        ) WITHOUT ROWID;
        INSERT OR IGNORE INTO handed_roots (item_id, root, at) SELECT item_id, root, max(CAST(strftime('%s', coalesce(updated_at, created_at, 'now')) AS INTEGER)) FROM sent_states GROUP BY item_id, root;
        DROP TABLE sent_states;
        SQL;
};
