<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Lives of texts: from which version a text stood in a part, and the version that it was gone with. What was there before is read in by `attic:lives`. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE items ADD COLUMN is_read INTEGER NOT NULL DEFAULT 0 CHECK (is_read IN (0, 1));
            CREATE INDEX items_unread ON items (id) WHERE is_read = 0;
            CREATE TABLE lives (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                part TEXT NOT NULL,
                field TEXT NOT NULL,
                from_number INTEGER NOT NULL,
                gone_number INTEGER,
                text TEXT NOT NULL,
                folded TEXT
            );
            CREATE INDEX lives_there ON lives (item_id, part, field) WHERE gone_number IS NULL;
            CREATE INDEX lives_from ON lives (item_id, from_number);
            CREATE INDEX lives_gone ON lives (item_id, gone_number) WHERE gone_number IS NOT NULL;
            CREATE VIRTUAL TABLE found USING fts5 (text, content = '', detail = none, tokenize = 'trigram');
            CREATE TRIGGER lives_come AFTER INSERT ON lives BEGIN
                INSERT INTO found (rowid, text) VALUES (new.id, coalesce(new.folded, new.text));
            END;
            CREATE TRIGGER lives_go AFTER DELETE ON lives BEGIN
                INSERT INTO found (found, rowid, text) VALUES ('delete', old.id, coalesce(old.folded, old.text));
            END;
        SQL);
    }
};
