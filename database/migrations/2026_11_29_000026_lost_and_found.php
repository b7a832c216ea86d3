<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Shelves that are deleted as items are, and a log of what was done on each. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE shelves ADD COLUMN about TEXT NOT NULL DEFAULT '';
            ALTER TABLE memberships ADD COLUMN place INTEGER NOT NULL DEFAULT 0;
            ALTER TABLE shelves ADD COLUMN archived_at TEXT;
            ALTER TABLE shelves ADD COLUMN deleted_at TEXT;
            ALTER TABLE shelves ADD COLUMN deleted_by INTEGER REFERENCES users (id);
            ALTER TABLE shelves ADD COLUMN lost_days INTEGER CHECK (lost_days > 0);
            CREATE INDEX items_lost ON items (shelf_id, deleted_at) WHERE form_id IS NULL AND deleted_at IS NOT NULL;
            CREATE TABLE log_lines (
                id INTEGER PRIMARY KEY AUTOINCREMENT,
                shelf_id INTEGER NOT NULL REFERENCES shelves (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                deed TEXT NOT NULL,
                item_key TEXT,
                title TEXT NOT NULL,
                facts TEXT NOT NULL DEFAULT '{}',
                at TEXT NOT NULL
            );
            CREATE INDEX log_lines_shelf ON log_lines (shelf_id, at, id);
        SQL);
    }
};
