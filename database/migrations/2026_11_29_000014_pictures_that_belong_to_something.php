<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::statement('ALTER TABLE pictures ADD COLUMN is_used INTEGER NOT NULL DEFAULT 1 CHECK (is_used IN (0, 1))');
        DB::statement('CREATE INDEX pictures_unused ON pictures (created_at) WHERE is_used = 0');
    }
};
