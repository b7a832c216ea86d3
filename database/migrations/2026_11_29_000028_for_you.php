<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What somebody put aside of the page that tells what waits for them, and whether they want it light or dark. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN look TEXT NOT NULL DEFAULT '' CHECK (look IN ('', 'day', 'night'));
            CREATE TABLE put_aside (
                user_id INTEGER NOT NULL REFERENCES users (id),
                ref TEXT NOT NULL,
                said TEXT NOT NULL,
                address TEXT NOT NULL,
                at TEXT NOT NULL,
                PRIMARY KEY (user_id, ref)
            ) WITHOUT ROWID;
            CREATE INDEX versions_restoring ON versions (saved_at) WHERE cause IN ('restored', 'brought_back', 'took_out');
            CREATE INDEX tasks_failed ON tasks (user_id) WHERE state = 'failed';
        SQL);
    }
};
