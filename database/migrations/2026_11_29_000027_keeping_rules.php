<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Keeping rules of the place, its shelves and items; pins; and what is known of versions that are no longer kept. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE items ADD COLUMN gone INTEGER NOT NULL DEFAULT 0 CHECK (gone >= 0);
            ALTER TABLE versions ADD COLUMN pinned_by INTEGER REFERENCES users (id);
            CREATE INDEX versions_pinned ON versions (item_id, number) WHERE pinned_by IS NOT NULL;
            CREATE TABLE keeping_rules (
                id INTEGER PRIMARY KEY,
                shelf_id INTEGER REFERENCES shelves (id) ON DELETE CASCADE,
                item_id INTEGER REFERENCES items (id) ON DELETE CASCADE,
                rules TEXT NOT NULL,
                user_id INTEGER NOT NULL REFERENCES users (id),
                changed_at TEXT NOT NULL,
                CHECK (shelf_id IS NULL OR item_id IS NULL)
            );
            CREATE UNIQUE INDEX keeping_rules_of ON keeping_rules (coalesce(shelf_id, 0), coalesce(item_id, 0));
            CREATE TABLE gone_versions (
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                number INTEGER NOT NULL,
                user_id INTEGER NOT NULL REFERENCES users (id),
                saved_at TEXT NOT NULL,
                PRIMARY KEY (item_id, number)
            ) WITHOUT ROWID;
            CREATE TABLE shared_touches (
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                number INTEGER NOT NULL,
                part TEXT NOT NULL,
                user_id INTEGER NOT NULL REFERENCES users (id),
                PRIMARY KEY (item_id, number, part, user_id)
            ) WITHOUT ROWID;
        SQL);
    }
};
