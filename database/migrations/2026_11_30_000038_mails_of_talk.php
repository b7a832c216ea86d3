<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Mails tell of what was said and proposed since the last one, too. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared('ALTER TABLE digests ADD COLUMN told_at TEXT');
    }
};
