<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::statement('ALTER TABLE versions ADD COLUMN meant_user_id INTEGER REFERENCES users (id)');
        DB::statement('ALTER TABLE items ADD COLUMN formulas INTEGER NOT NULL DEFAULT 1 CHECK (formulas IN (0, 1))');
        DB::statement('CREATE INDEX versions_unusual ON versions (item_id, number) WHERE unusual IS NOT NULL AND meant_user_id IS NULL');
    }
};
