<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /** Written as SQL, since the checks and the blobs are what matters here, and SQLite is the only database. */
    public function up(): void
    {
        foreach (array_filter(array_map(trim(...), explode(";\n", self::SCHEMA))) as $statement) {
            DB::statement($statement);
        }
    }

    private const SCHEMA = <<<'SQL'
        CREATE TABLE users (
            id INTEGER PRIMARY KEY,
            name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
            email TEXT NOT NULL UNIQUE COLLATE NOCASE,
            password TEXT,
            colour INTEGER NOT NULL CHECK (colour BETWEEN 1 AND 12),
            remember_token TEXT,
            created_at TEXT,
            updated_at TEXT
        );
        CREATE TABLE shelves (
            id INTEGER PRIMARY KEY,
            key TEXT NOT NULL UNIQUE,
            name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
            editors_restore INTEGER NOT NULL DEFAULT 1 CHECK (editors_restore IN (0, 1)),
            created_at TEXT,
            updated_at TEXT
        );
        CREATE TABLE memberships (
            id INTEGER PRIMARY KEY,
            shelf_id INTEGER NOT NULL REFERENCES shelves (id) ON DELETE CASCADE,
            user_id INTEGER NOT NULL REFERENCES users (id),
            role TEXT NOT NULL CHECK (role IN ('viewer', 'editor', 'owner')),
            created_at TEXT,
            updated_at TEXT,
            UNIQUE (shelf_id, user_id)
        );
        CREATE INDEX memberships_user ON memberships (user_id);
        CREATE TABLE chunks (
            id INTEGER PRIMARY KEY,
            address BLOB NOT NULL UNIQUE CHECK (length(address) = 20),
            base INTEGER REFERENCES chunks (id),
            form INTEGER NOT NULL CHECK (form IN (0, 1, 2) AND (form = 2) = (base IS NOT NULL)),
            size INTEGER NOT NULL,
            data BLOB NOT NULL
        );
        CREATE TABLE items (
            id INTEGER PRIMARY KEY,
            key TEXT NOT NULL UNIQUE,
            shelf_id INTEGER NOT NULL REFERENCES shelves (id),
            kind TEXT NOT NULL,
            title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 200),
            head INTEGER NOT NULL,
            root TEXT NOT NULL CHECK (length(root) = 40),
            copied_from INTEGER REFERENCES versions (id),
            changed_at TEXT NOT NULL,
            created_at TEXT,
            updated_at TEXT
        );
        CREATE INDEX items_shelf ON items (shelf_id, changed_at);
        CREATE TABLE versions (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            number INTEGER NOT NULL CHECK (number > 0),
            root TEXT NOT NULL CHECK (length(root) = 40),
            user_id INTEGER NOT NULL REFERENCES users (id),
            cause TEXT NOT NULL CHECK (cause IN ('made', 'wrote', 'restored', 'brought_back', 'took_back', 'took_out', 'copied', 'settled')),
            source INTEGER,
            kept INTEGER NOT NULL DEFAULT 0 CHECK (kept IN (0, 1)),
            note TEXT,
            facts TEXT NOT NULL,
            unusual TEXT,
            added INTEGER NOT NULL,
            removed INTEGER NOT NULL,
            started_at TEXT NOT NULL,
            saved_at TEXT NOT NULL,
            UNIQUE (item_id, number),
            CHECK ((cause IN ('restored', 'brought_back', 'took_back')) = (source IS NOT NULL))
        );
        CREATE TABLE touches (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            part TEXT NOT NULL,
            number INTEGER NOT NULL,
            user_id INTEGER NOT NULL REFERENCES users (id),
            what INTEGER NOT NULL,
            position INTEGER,
            UNIQUE (item_id, part, number)
        );
        CREATE INDEX touches_number ON touches (item_id, number);
        CREATE TABLE milestones (
            id INTEGER PRIMARY KEY,
            version_id INTEGER NOT NULL UNIQUE REFERENCES versions (id),
            user_id INTEGER NOT NULL REFERENCES users (id),
            name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
            created_at TEXT,
            updated_at TEXT
        );
        CREATE TABLE activity (
            item_id INTEGER NOT NULL REFERENCES items (id),
            day TEXT NOT NULL,
            user_id INTEGER NOT NULL REFERENCES users (id),
            versions INTEGER NOT NULL,
            PRIMARY KEY (item_id, day, user_id)
        );
        CREATE TABLE sent_states (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            client TEXT NOT NULL,
            base TEXT NOT NULL,
            root TEXT NOT NULL,
            created_at TEXT,
            updated_at TEXT
        );
        CREATE INDEX sent_states_root ON sent_states (item_id, root);
        CREATE UNIQUE INDEX sent_states_client ON sent_states (item_id, client, base);
        CREATE TABLE held_edits (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            user_id INTEGER NOT NULL REFERENCES users (id),
            met_user_id INTEGER REFERENCES users (id),
            part TEXT NOT NULL,
            place TEXT NOT NULL,
            root TEXT NOT NULL,
            number INTEGER NOT NULL,
            conflict TEXT NOT NULL,
            settled_as TEXT CHECK (settled_as IN ('mine', 'theirs', 'both', 'third')),
            settled_at TEXT,
            created_at TEXT,
            updated_at TEXT
        );
        CREATE INDEX held_edits_open ON held_edits (user_id, settled_at);
        CREATE INDEX held_edits_item ON held_edits (item_id, user_id, settled_at);
        CREATE TABLE pictures (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            chunk TEXT NOT NULL CHECK (length(chunk) = 40),
            type TEXT NOT NULL CHECK (type IN ('image/png', 'image/jpeg', 'image/gif', 'image/webp')),
            width INTEGER NOT NULL,
            height INTEGER NOT NULL,
            created_at TEXT,
            updated_at TEXT,
            UNIQUE (item_id, chunk)
        );
        CREATE TABLE presences (
            id INTEGER PRIMARY KEY,
            item_id INTEGER NOT NULL REFERENCES items (id),
            user_id INTEGER NOT NULL REFERENCES users (id),
            client TEXT NOT NULL,
            part TEXT,
            seen_at TEXT NOT NULL,
            UNIQUE (item_id, client)
        );
        SQL;
};
