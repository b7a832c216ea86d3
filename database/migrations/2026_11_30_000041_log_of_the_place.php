<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What was done to the place as a whole, and by whom. What goes on on a shelf is in its own log. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE place_lines (
                id INTEGER PRIMARY KEY AUTOINCREMENT,
                user_id INTEGER NOT NULL REFERENCES users (id),
                deed TEXT NOT NULL,
                about TEXT NOT NULL,
                at TEXT NOT NULL
            );
        SQL);
    }
};
