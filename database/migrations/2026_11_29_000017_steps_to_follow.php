<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What happened to a source, for each dataset that follows it, until it is taken in. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE source_steps (
                id INTEGER PRIMARY KEY,
                dataset_id INTEGER NOT NULL REFERENCES items (id),
                number INTEGER NOT NULL,
                entry_id INTEGER REFERENCES items (id),
                root TEXT,
                user_id INTEGER NOT NULL REFERENCES users (id),
                at TEXT NOT NULL
            );
            CREATE INDEX source_steps_dataset ON source_steps (dataset_id, id);
            ALTER TABLE items ADD COLUMN source_grew TEXT;
            CREATE TABLE jobs (
                id INTEGER PRIMARY KEY AUTOINCREMENT,
                queue TEXT NOT NULL,
                payload TEXT NOT NULL,
                attempts INTEGER NOT NULL,
                reserved_at INTEGER,
                available_at INTEGER NOT NULL,
                created_at INTEGER NOT NULL
            );
            CREATE INDEX jobs_queue ON jobs (queue);
            -- What was seen of a source last: the newest version of all that it consists of.
            UPDATE items SET source_state = (SELECT max(v.id) FROM versions v JOIN items s ON s.id = v.item_id WHERE s.id = items.source_id OR s.form_id = items.source_id)
            WHERE source_id IS NOT NULL AND source_number IS NULL;
            -- And all of it once, as it is now, so that nothing is missed that was not looked at.
            INSERT INTO source_steps (dataset_id, number, root, user_id, at)
            SELECT d.id, s.head, coalesce((SELECT lv.root FROM publishings p JOIN versions lv ON lv.id = p.version_id WHERE p.id = s.live_id), s.root),
                   (SELECT v.user_id FROM versions v WHERE v.item_id = s.id AND v.number = s.head), s.changed_at
            FROM items d JOIN items s ON s.id = d.source_id WHERE d.source_number IS NULL;
        SQL);
    }
};
