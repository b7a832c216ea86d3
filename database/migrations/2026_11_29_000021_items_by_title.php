<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A shelf is sorted by titles as by changes. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE INDEX items_by_title ON items (shelf_id, title COLLATE NOCASE) WHERE form_id IS NULL;
        SQL);
    }
};
