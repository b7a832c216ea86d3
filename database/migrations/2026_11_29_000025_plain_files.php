<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Files that are kept as they are: their bytes lie in pieces, which a chunk lists; and those that are still coming in. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE pictures_and_files (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id),
                chunk TEXT NOT NULL CHECK (length(chunk) = 40),
                type TEXT NOT NULL,
                width INTEGER NOT NULL,
                height INTEGER NOT NULL,
                bytes INTEGER,
                is_published INTEGER NOT NULL DEFAULT 0 CHECK (is_published IN (0, 1)),
                is_public INTEGER NOT NULL DEFAULT 0 CHECK (is_public IN (0, 1)),
                is_used INTEGER NOT NULL DEFAULT 1 CHECK (is_used IN (0, 1)),
                created_at TEXT,
                updated_at TEXT,
                UNIQUE (item_id, chunk),
                CHECK (bytes IS NOT NULL OR type IN ('image/png', 'image/jpeg', 'image/gif', 'image/webp', 'application/pdf'))
            );
            INSERT INTO pictures_and_files (id, item_id, chunk, type, width, height, is_published, is_public, is_used, created_at, updated_at)
                SELECT id, item_id, chunk, type, width, height, is_published, is_public, is_used, created_at, updated_at FROM pictures;
            DROP TABLE pictures;
            ALTER TABLE pictures_and_files RENAME TO pictures;
            CREATE INDEX pictures_unused ON pictures (created_at) WHERE is_used = 0;
            CREATE TABLE uploads (
                id INTEGER PRIMARY KEY AUTOINCREMENT,
                key TEXT NOT NULL UNIQUE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                shelf_id INTEGER NOT NULL REFERENCES shelves (id),
                item_id INTEGER REFERENCES items (id),
                name TEXT NOT NULL,
                size INTEGER NOT NULL,
                got INTEGER NOT NULL DEFAULT 0,
                rest BLOB NOT NULL DEFAULT x'',
                pieces BLOB NOT NULL DEFAULT 'P',
                touched_at INTEGER NOT NULL
            );
            CREATE INDEX uploads_user ON uploads (user_id);
        SQL);
    }
};
