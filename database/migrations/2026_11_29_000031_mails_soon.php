<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Word of changes can be wanted soon, too. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD COLUMN word TEXT NOT NULL DEFAULT 'daily' CHECK (word IN ('none', 'daily', 'soon'));
            UPDATE users SET word = mails;
            ALTER TABLE users DROP COLUMN mails;
            ALTER TABLE users RENAME COLUMN word TO mails;
        SQL);
    }
};
