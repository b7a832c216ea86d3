<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Milestones of whole shelves, and what was brought back together; where an item stood at a moment is told from the moves. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE shelf_milestones (
                id INTEGER PRIMARY KEY,
                shelf_id INTEGER NOT NULL REFERENCES shelves (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
                at TEXT NOT NULL
            );
            CREATE INDEX shelf_milestones_shelf ON shelf_milestones (shelf_id, at);
            CREATE TABLE returns (
                id INTEGER PRIMARY KEY,
                shelf_id INTEGER NOT NULL REFERENCES shelves (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                moment TEXT NOT NULL,
                with_id INTEGER REFERENCES versions (id),
                done TEXT NOT NULL,
                made_at TEXT NOT NULL,
                undone_at TEXT
            );
            CREATE INDEX returns_shelf ON returns (shelf_id);
            CREATE INDEX returns_with ON returns (with_id) WHERE with_id IS NOT NULL;
            CREATE INDEX log_lines_moved ON log_lines (item_key, at) WHERE deed = 'moved_to';
        SQL);
    }
};
