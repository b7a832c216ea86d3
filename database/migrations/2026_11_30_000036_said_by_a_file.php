<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Tracked changes of a file are proposed by whoever brought it in, under the names that it gives: a side line for each. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE proposals ADD COLUMN said_by TEXT;
            DROP INDEX proposals_one_line;
            CREATE UNIQUE INDEX proposals_one_line ON proposals (item_id, user_id, coalesce(said_by, '')) WHERE state = 'waiting' AND line_id IS NOT NULL;
        SQL);
    }
};
