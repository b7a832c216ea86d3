<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE removals (
                id INTEGER PRIMARY KEY,
                item_id INTEGER NOT NULL REFERENCES items (id),
                user_id INTEGER NOT NULL REFERENCES users (id),
                back INTEGER NOT NULL CHECK (back IN (0, 1)),
                at TEXT NOT NULL
            );
            CREATE INDEX removals_item ON removals (item_id);
            INSERT INTO removals (item_id, user_id, back, at) SELECT id, deleted_by, 0, deleted_at FROM items WHERE deleted_at IS NOT NULL AND deleted_by IS NOT NULL;
        SQL);
    }
};
