<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Requests that take long, and what came of them. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE tasks (
                id INTEGER PRIMARY KEY,
                key TEXT NOT NULL UNIQUE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                name TEXT NOT NULL,
                request TEXT NOT NULL,
                state TEXT NOT NULL CHECK (state IN ('waiting', 'working', 'done', 'failed')),
                response TEXT,
                created_at TEXT NOT NULL,
                started_at TEXT,
                done_at TEXT
            );
            CREATE INDEX tasks_user ON tasks (user_id);
        SQL);
    }
};
