<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A chunk may be a delta of a delta; how many of them lie between it and something whole, or more. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE chunks ADD COLUMN depth INTEGER NOT NULL DEFAULT 0;
            UPDATE chunks SET depth = 1 WHERE base IS NOT NULL;
        SQL);
    }
};
