<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** With such a link somebody without an account proposes changes to one item, until its end and so often. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE proposal_links (
                id INTEGER PRIMARY KEY,
                token TEXT NOT NULL UNIQUE,
                item_id INTEGER NOT NULL REFERENCES items (id) ON DELETE CASCADE,
                user_id INTEGER NOT NULL REFERENCES users (id),
                ends_at TEXT NOT NULL,
                most INTEGER NOT NULL CHECK (most > 0),
                used INTEGER NOT NULL DEFAULT 0 CHECK (used <= most),
                created_at TEXT NOT NULL
            );
            CREATE INDEX proposal_links_item ON proposal_links (item_id);
        SQL);
    }
};
