<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Lives of texts are kept many together, packed, and the index knows pages of them: a fifth of the bytes. What was there before is read in by `attic:lives`. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            DROP TRIGGER lives_come;
            DROP TRIGGER lives_go;
            DROP TABLE found;
            DROP TABLE lives;
            CREATE TABLE lives (
                id INTEGER PRIMARY KEY AUTOINCREMENT,
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                place TEXT NOT NULL,
                closed INTEGER NOT NULL CHECK (closed IN (0, 1)),
                first INTEGER NOT NULL,
                last INTEGER NOT NULL,
                data BLOB NOT NULL
            );
            CREATE INDEX lives_of ON lives (item_id, closed, place);
            CREATE VIRTUAL TABLE found USING fts5 (text, content = '', detail = none, columnsize = 0, tokenize = 'trigram');
            INSERT INTO found (found, rank) VALUES ('automerge', 2);
            UPDATE items SET is_read = 0;
        SQL);
    }
};
