<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What an item was called is a part of what is kept. Of older versions nobody knows more than what readers were told. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE versions ADD COLUMN title TEXT NOT NULL DEFAULT '';
            UPDATE versions SET title = coalesce(
                (SELECT p.title FROM publishings p WHERE p.version_id = versions.id ORDER BY p.id DESC LIMIT 1),
                (SELECT i.title FROM items i WHERE i.id = versions.item_id), '');
        SQL);
    }
};
