<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    /* Words that a version took from one text to another, so that they stay whoever's they are. Positions and lengths in words. */
    public function up(): void
    {
        DB::statement(<<<'SQL'
            CREATE TABLE carried (
                item_id INTEGER NOT NULL REFERENCES items (id),
                number INTEGER NOT NULL,
                part TEXT NOT NULL,
                at INTEGER NOT NULL,
                length INTEGER NOT NULL CHECK (length > 0),
                source_part TEXT NOT NULL,
                source_at INTEGER NOT NULL,
                source_number INTEGER NOT NULL,
                PRIMARY KEY (item_id, number, part, at)
            ) WITHOUT ROWID
            SQL);
    }
};
