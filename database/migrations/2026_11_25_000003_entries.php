<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        foreach (array_filter(array_map(trim(...), explode(";\n", self::SCHEMA))) as $statement) {
            DB::statement($statement);
        }
    }

    /* An entry is an item that belongs to a form. Its answers are in a table as well, for lists and sums; its content rules. */
    private const SCHEMA = <<<'SQL'
        ALTER TABLE items ADD COLUMN form_id INTEGER REFERENCES items (id);
        ALTER TABLE items ADD COLUMN number INTEGER CHECK ((number IS NULL) = (form_id IS NULL));
        ALTER TABLE items ADD COLUMN asked_id INTEGER REFERENCES publishings (id);
        ALTER TABLE items ADD COLUMN token TEXT;
        ALTER TABLE items ADD COLUMN deleted_at TEXT;
        CREATE UNIQUE INDEX items_entry ON items (form_id, number) WHERE form_id IS NOT NULL;
        CREATE UNIQUE INDEX items_token ON items (token) WHERE token IS NOT NULL;
        CREATE TABLE answers (
            item_id INTEGER NOT NULL REFERENCES items (id),
            form_id INTEGER NOT NULL REFERENCES items (id),
            question TEXT NOT NULL,
            label TEXT NOT NULL,
            text TEXT NOT NULL,
            number REAL,
            choices TEXT,
            PRIMARY KEY (item_id, question)
        ) WITHOUT ROWID;
        CREATE TABLE mails (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            recipient TEXT NOT NULL,
            subject TEXT NOT NULL,
            body TEXT NOT NULL,
            sent_at TEXT NOT NULL
        );
        CREATE TABLE half_answers (
            token TEXT PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            sent TEXT NOT NULL,
            kept_at TEXT NOT NULL
        ) WITHOUT ROWID;
        CREATE INDEX mails_item ON mails (item_id);
        CREATE INDEX answers_sorted ON answers (form_id, question, number, text, item_id);
        SQL;
};
