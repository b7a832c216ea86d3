<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** People who are let in no more, what the place was told to check, and addresses by which programs follow what changes. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN left_at TEXT;
            ALTER TABLE users ADD COLUMN feed_key TEXT;
            ALTER TABLE users ADD COLUMN mails TEXT NOT NULL DEFAULT 'daily' CHECK (mails IN ('none', 'daily'));
            CREATE UNIQUE INDEX users_feed ON users (feed_key) WHERE feed_key IS NOT NULL;
            CREATE TABLE checks (
                name TEXT PRIMARY KEY,
                said TEXT NOT NULL,
                is_well INTEGER NOT NULL CHECK (is_well IN (0, 1)),
                at TEXT NOT NULL
            ) WITHOUT ROWID;
            CREATE TABLE watches (
                user_id INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
                shelf_id INTEGER REFERENCES shelves (id) ON DELETE CASCADE,
                item_id INTEGER REFERENCES items (id) ON DELETE CASCADE,
                how TEXT NOT NULL CHECK (how IN ('all', 'marks', 'none')),
                CHECK ((shelf_id IS NULL) != (item_id IS NULL))
            );
            CREATE UNIQUE INDEX watches_of ON watches (user_id, coalesce(shelf_id, 0), coalesce(item_id, 0));
            CREATE TABLE digests (
                user_id INTEGER PRIMARY KEY REFERENCES users (id) ON DELETE CASCADE,
                version_id INTEGER NOT NULL
            );
        SQL);
    }
};
