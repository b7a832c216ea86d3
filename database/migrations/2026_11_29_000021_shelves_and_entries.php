<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A shelf is sorted by titles as by changes; the entries of a form are counted, and their answers summed up, from indexes alone. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE INDEX items_by_title ON items (shelf_id, title COLLATE NOCASE) WHERE form_id IS NULL;
            CREATE INDEX items_standing ON items (form_id, number) WHERE form_id IS NOT NULL AND deleted_at IS NULL;
            CREATE INDEX items_gone ON items (form_id, number) WHERE form_id IS NOT NULL AND deleted_at IS NOT NULL;
            DROP INDEX answers_sorted;
            CREATE INDEX answers_sorted ON answers (form_id, question, number, text, choices, item_id);
        SQL);
    }
};
