<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Threads about parts of items. What is said is never written over: an edit, a withdrawal, a settling each are a line of their own, with the version that was newest, so that a thread can be seen as it stood. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE threads (
                id INTEGER PRIMARY KEY,
                key TEXT NOT NULL UNIQUE,
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                part TEXT NOT NULL,
                field TEXT NOT NULL DEFAULT '',
                also TEXT,
                version INTEGER,
                number INTEGER NOT NULL,
                quote TEXT NOT NULL DEFAULT '',
                is_open INTEGER NOT NULL DEFAULT 1 CHECK (is_open IN (0, 1)),
                at TEXT NOT NULL
            );
            CREATE INDEX threads_item ON threads (item_id, number);
            CREATE INDEX threads_open ON threads (item_id) WHERE is_open = 1;
            CREATE TABLE thread_places (
                thread_id INTEGER NOT NULL REFERENCES threads (id) ON DELETE CASCADE,
                number INTEGER NOT NULL,
                item_id INTEGER NOT NULL,
                part TEXT NOT NULL,
                from_at INTEGER,
                to_at INTEGER,
                words TEXT NOT NULL,
                CHECK ((from_at IS NULL) = (to_at IS NULL)),
                CHECK (from_at IS NULL OR from_at < to_at),
                PRIMARY KEY (thread_id, number)
            ) WITHOUT ROWID;
            CREATE INDEX thread_places_item ON thread_places (item_id, number);
            CREATE TABLE comments (
                id INTEGER PRIMARY KEY,
                thread_id INTEGER NOT NULL REFERENCES threads (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                deed TEXT NOT NULL CHECK (deed IN ('said', 'edited', 'withdrew', 'settled', 'reopened')),
                of_id INTEGER REFERENCES comments (id) ON DELETE CASCADE,
                text TEXT NOT NULL DEFAULT '',
                number INTEGER NOT NULL,
                at TEXT NOT NULL,
                CHECK ((of_id IS NOT NULL) = (deed IN ('edited', 'withdrew')))
            );
            CREATE INDEX comments_thread ON comments (thread_id, number);
            CREATE INDEX comments_of ON comments (of_id) WHERE of_id IS NOT NULL;
            CREATE INDEX comments_user ON comments (user_id, at);
            CREATE TABLE mentions (
                comment_id INTEGER NOT NULL REFERENCES comments (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                PRIMARY KEY (user_id, comment_id)
            ) WITHOUT ROWID;
            CREATE INDEX mentions_comment ON mentions (comment_id);
            ALTER TABLE items ADD COLUMN talked INTEGER NOT NULL DEFAULT 0;
            ALTER TABLE shelves ADD COLUMN viewers_comment INTEGER NOT NULL DEFAULT 0 CHECK (viewers_comment IN (0, 1));
        SQL);
    }
};
