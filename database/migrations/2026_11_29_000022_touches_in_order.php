<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Touches lie in the order of their parts: who asks for those of a part reads them side by side, and the same is not kept twice. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE touches_in_order (
                item_id INTEGER NOT NULL REFERENCES items (id),
                part TEXT NOT NULL,
                number INTEGER NOT NULL,
                user_id INTEGER NOT NULL REFERENCES users (id),
                what INTEGER NOT NULL,
                position INTEGER,
                PRIMARY KEY (item_id, part, number)
            ) WITHOUT ROWID;
            INSERT INTO touches_in_order SELECT item_id, part, number, user_id, what, position FROM touches ORDER BY item_id, part, number;
            DROP TABLE touches;
            ALTER TABLE touches_in_order RENAME TO touches;
            CREATE INDEX touches_number ON touches (item_id, number);
        SQL);
    }
};
