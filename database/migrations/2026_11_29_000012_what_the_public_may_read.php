<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE publishings ADD COLUMN is_public INTEGER NOT NULL DEFAULT 0 CHECK (is_public IN (0, 1));
            ALTER TABLE pictures ADD COLUMN is_public INTEGER NOT NULL DEFAULT 0 CHECK (is_public IN (0, 1));
            -- What has stood at an address until now has been read.
            UPDATE publishings SET is_public = 1 WHERE count IS NOT NULL AND item_id IN (SELECT id FROM items WHERE is_public = 1);
            UPDATE pictures SET is_public = 1 WHERE is_published = 1 AND item_id IN (SELECT id FROM items WHERE is_public = 1);
        SQL);
    }
};
