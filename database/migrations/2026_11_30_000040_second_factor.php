<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A code of a device besides the password: its key, encrypted, the last step that was used, and hashes of codes that are written down. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN second_key TEXT;
            ALTER TABLE users ADD COLUMN second_step INTEGER NOT NULL DEFAULT 0;
            ALTER TABLE users ADD COLUMN recovery TEXT NOT NULL DEFAULT '[]';
        SQL);
    }
};
