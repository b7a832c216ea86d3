<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /* A shelf may want a yes to changes of entries, and the history of a form's entries may be switched off: then one version takes in all changes. A PDF may be sent as a picture may. */
    public function up(): void
    {
        DB::statement('ALTER TABLE shelves ADD COLUMN asks_entries INTEGER NOT NULL DEFAULT 0 CHECK (asks_entries IN (0, 1))');
        DB::statement('ALTER TABLE items ADD COLUMN keeps_entries INTEGER NOT NULL DEFAULT 1 CHECK (keeps_entries IN (0, 1))');
        DB::statement(<<<'SQL'
            CREATE TABLE pictures_and_files (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id),
                chunk TEXT NOT NULL CHECK (length(chunk) = 40),
                type TEXT NOT NULL CHECK (type IN ('image/png', 'image/jpeg', 'image/gif', 'image/webp', 'application/pdf')),
                width INTEGER NOT NULL,
                height INTEGER NOT NULL,
                created_at TEXT,
                updated_at TEXT,
                is_published INTEGER NOT NULL DEFAULT 0 CHECK (is_published IN (0, 1)),
                UNIQUE (item_id, chunk)
            )
            SQL);
        DB::statement('INSERT INTO pictures_and_files SELECT id, item_id, chunk, type, width, height, created_at, updated_at, is_published FROM pictures');
        DB::statement('DROP TABLE pictures');
        DB::statement('ALTER TABLE pictures_and_files RENAME TO pictures');
        DB::statement('ALTER TABLE versions ADD COLUMN unkept INTEGER NOT NULL DEFAULT 0 CHECK (unkept IN (0, 1))');
    }
};
